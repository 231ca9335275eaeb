import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { root } from './setup.mjs';

/** Builds server and web side by side. Types are checked by the tests. */
function vite(folder) {
  return new Promise((resolve) => {
    const child = spawn('npx', ['--no-install', 'vite', 'build', '--logLevel', 'warn'], {
      cwd: join(root, folder),
      stdio: 'inherit',
    });
    child.on('error', () => {
      resolve(1);
    });
    child.on('close', (code) => {
      resolve(code ?? 1);
    });
  });
}

const codes = await Promise.all([vite('apps/server'), vite('apps/web')]);
if (codes.some((code) => code !== 0)) process.exit(1);
await import('./compress.mjs');
