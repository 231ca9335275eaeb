import { spawn } from 'node:child_process';
import { root } from './setup.mjs';

/** Runs commands of the project one after the other. @returns the first exit code that is not 0, else 0 */
async function inOrder(folder, commands) {
  for (const args of commands) {
    const code = await new Promise((resolve) => {
      const child = spawn('npx', ['--no-install', ...args], { cwd: `${root}/${folder}`, stdio: 'inherit' });
      child.on('error', () => {
        resolve(1);
      });
      child.on('close', (status) => {
        resolve(status ?? 1);
      });
    });
    if (code !== 0) return code;
  }
  return 0;
}

const vite = ['vite', 'build', '--logLevel', 'warn'];
// Server and web side by side. The server is bundled from what the compiler emits: its modules are put together by
// the types of their constructors.
const codes = await Promise.all([inOrder('apps/server', [['tsc', '-b'], vite]), inOrder('apps/web', [vite])]);
if (codes.some((code) => code !== 0)) process.exit(1);
await import('./compress.mjs');
