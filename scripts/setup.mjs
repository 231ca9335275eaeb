import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** Set-up shared by the commands of the README: install, build, browser. Each step is skipped when it is done. */
export const root = dirname(dirname(fileURLToPath(import.meta.url)));
const stamps = join(root, 'node_modules', '.cache', 'kleur');

/** Runs a command in the project; its output is the terminal's. @returns its exit code. */
export function run(command, args, options = {}) {
  const { status, error } = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  if (error) console.error(error.message);
  return status ?? 1;
}

export function orStop(what, code) {
  if (code === 0) return;
  console.error(`${what} failed.`);
  process.exit(code);
}

const readStamp = (name) => (existsSync(join(stamps, name)) ? readFileSync(join(stamps, name), 'utf8') : '');
function writeStamp(name, value) {
  mkdirSync(stamps, { recursive: true });
  writeFileSync(join(stamps, name), value);
}

/** Installs the locked dependencies unless this very lock file is installed already. */
export function install() {
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  if (existsSync(join(root, 'node_modules', 'typescript')) && readStamp('lock') === lock) return;
  console.log('Installing dependencies…');
  orStop('Installing', run('npm', ['ci', '--no-audit', '--no-fund']));
  writeStamp('lock', lock);
}

/** Path, size and time of every source file: another answer means that the build is out of date. */
function sourceState() {
  const hash = createHash('sha256');
  const walk = (folder) => {
    for (const entry of readdirSync(folder, { withFileTypes: true }).sort((a, b) =>
      a.name.localeCompare(b.name),
    )) {
      if (['node_modules', 'dist', 'bundle'].includes(entry.name)) continue;
      const path = join(folder, entry.name);
      if (entry.isDirectory()) walk(path);
      else {
        const { size, mtimeMs } = statSync(path);
        hash.update(`${path}:${size}:${mtimeMs}\n`);
      }
    }
  };
  walk(join(root, 'packages'));
  walk(join(root, 'apps'));
  return hash.digest('hex');
}

/**
 * Builds server and web side by side unless nothing changed since the last build.
 * @returns exit code and what was written
 */
export async function build() {
  const state = sourceState();
  const built = ['apps/server/bundle/main.js', 'apps/web/dist/index.html'].every((f) =>
    existsSync(join(root, f)),
  );
  if (built && readStamp('build') === state) return { code: 0, output: 'up to date' };
  const { code, output } = await quietly('npm', ['run', '--silent', 'build']);
  if (code === 0) writeStamp('build', state);
  return { code, output };
}

/** Runs a command of the project to its end. @returns its exit code and what it wrote. */
export function quietly(command, args) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
    const written = [];
    child.stdout.on('data', (part) => written.push(part));
    child.stderr.on('data', (part) => written.push(part));
    child.on('error', (error) => written.push(Buffer.from(error.message)));
    child.on('close', (code) => {
      resolve({ code: code ?? 1, output: Buffer.concat(written).toString() });
    });
  });
}

/** Debian's Chromium without its own window, which starts a page several times sooner; the whole one does as well. */
const HEADLESS = '/usr/bin/chromium-headless-shell';
const WHOLE = '/usr/bin/chromium';

/** Makes sure that there is a Chromium for the browser tests; by apt when there is none. */
export function browser() {
  if (process.env.CHROMIUM ?? existsSync(HEADLESS)) return;
  console.log('Installing Chromium…');
  const sudo = process.getuid?.() === 0 ? [] : ['sudo', '-n'];
  const apt = (...args) => {
    const patience = ['-o', 'Acquire::Retries=1', '-o', 'Acquire::http::Timeout=30'];
    const [command, ...rest] = [...sudo, 'apt-get', ...patience, ...args];
    return run(command, rest);
  };
  const listed = apt('update', '-qq');
  if (listed === 0 && apt('install', '-y', '-qq', 'chromium-headless-shell') === 0) return;
  if (existsSync(WHOLE)) return;
  orStop('Reading the package lists', listed);
  orStop('Installing Chromium', apt('install', '-y', '-qq', 'chromium'));
}
