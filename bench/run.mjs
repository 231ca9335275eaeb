import { spawnSync } from 'node:child_process';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { build, install, orStop, root, run } from '../scripts/setup.mjs';

/** Runs every benchmark in a process of its own and prints one table. `npm run bench -- NAME` picks some; flags go to them. */
install();
const { code, output } = await build();
if (code !== 0) console.error(output);
orStop('Building', code);
// The computation is timed as compiled modules.
orStop('Compiling', run('npx', ['--no-install', 'tsc', '-b', 'packages/core']));
const flags = process.argv.slice(2).filter((a) => a.startsWith('--'));
const wanted = process.argv.slice(2).filter((a) => !a.startsWith('--'));
const files = readdirSync(join(root, 'bench')).filter(
  (f) => f.endsWith('.bench.ts') && (wanted.length === 0 || wanted.some((w) => f.startsWith(w))),
);
const rows = [];
for (const file of files) {
  const { status, stdout } = spawnSync(
    process.execPath,
    // The packages as built: sources compiled on the fly are several times slower in hot loops.
    ['--import', '@swc-node/register/esm-register', join('bench', file), ...flags],
    {
      cwd: root,
      encoding: 'utf8',
      stdio: ['ignore', 'pipe', 'inherit'],
      env: { ...process.env, SWC_NODE_PROJECT: join(root, 'bench/swc.json') },
    },
  );
  const last = stdout.trim().split('\n').at(-1) ?? '';
  if (status === 0) rows.push(...JSON.parse(last));
  else rows.push({ what: file, measured: `failed (${status})`, goal: '', met: false });
}
console.table(
  rows.map(({ what, measured, goal, met }) => ({ what, measured, goal, met: met ? 'yes' : 'NO' })),
);
