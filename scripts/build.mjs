import { spawn } from 'node:child_process';
import { root } from './setup.mjs';

/** Bundles one application. @returns its exit code */
const bundle = (folder) =>
  new Promise((resolve) => {
    const child = spawn('npx', ['--no-install', 'vite', 'build', '--logLevel', 'warn'], {
      cwd: `${root}/${folder}`,
      stdio: 'inherit',
    });
    child.on('error', () => {
      resolve(1);
    });
    child.on('close', (status) => {
      resolve(status ?? 1);
    });
  });

// Server and web side by side, from their sources. Types are checked by the tests.
const codes = await Promise.all([bundle('apps/server'), bundle('apps/web')]);
if (codes.some((code) => code !== 0)) process.exit(1);
await import('./compress.mjs');
