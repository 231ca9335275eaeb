import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { build, install, orStop, root } from './setup.mjs';

/*
 * npm start              the workspace with the demo data, kept in .kleur/demo
 * npm start -- --empty   a workspace of one's own, kept in .kleur/own, which starts with the shelf alone
 * --lan, with either: open to other devices of the network, encrypted and behind a passphrase
 * KLEUR_DATA, PORT and HOST in the environment override folder and address.
 */
const empty = process.argv.includes('--empty');
const began = performance.now();
const took = (what, from) => {
  console.log(`${what}: ${((performance.now() - from) / 1000).toFixed(1)} s`);
};
install();
took('Install', began);
const beforeBuild = performance.now();
const { code: failed, output } = await build();
if (failed !== 0) console.error(output);
orStop('Building', failed);
took('Build', beforeBuild);

const server = spawn(process.execPath, [join(root, 'apps/server/bundle/main.js'), ...process.argv.slice(2)], {
  cwd: root,
  stdio: 'inherit',
  env: {
    ...process.env,
    NODE_ENV: 'production',
    KLEUR_DATA: process.env.KLEUR_DATA ?? join(root, '.kleur', empty ? 'own' : 'demo'),
  },
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
