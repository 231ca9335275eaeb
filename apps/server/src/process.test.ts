import { type ChildProcess, spawn } from 'node:child_process';
import { chmodSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type BatchDocument, type BatchPage, routes } from '@kleur/contract';
import { DATA_FILE, openDataFolder, STORAGE_EXIT_CODE } from './storage/data-folder.ts';

/** The built server as a process of its own: what it does with bad files and when it is killed. */
const MAIN = join(__dirname, '..', 'dist', 'main.js');
const PORT = 4391;
const origin = `http://127.0.0.1:${PORT}`;
let folder: string;
let running: ChildProcess | undefined;

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'kleur-process-'));
});
afterEach(() => {
  running?.kill('SIGKILL');
  running = undefined;
  rmSync(folder, { recursive: true, force: true });
});

interface Ended {
  readonly code: number | null;
  readonly stderr: string;
}

function start(): { child: ChildProcess; ready: Promise<void>; ended: Promise<Ended> } {
  const child = spawn(process.execPath, [MAIN], {
    env: { ...process.env, KLEUR_DATA: folder, PORT: String(PORT) },
  });
  running = child;
  let stderr = '';
  child.stderr.on('data', (d: Buffer) => (stderr += d.toString()));
  const ready = new Promise<void>((resolve) => {
    child.stdout.on('data', (d: Buffer) => {
      if (d.toString().includes('ready')) resolve();
    });
  });
  const ended = new Promise<Ended>((resolve) =>
    child.on('exit', (code) => {
      resolve({ code, stderr });
    }),
  );
  return { child, ready, ended };
}

it('keeps every acknowledged write through a kill', async () => {
  const first = start();
  await first.ready;
  const { items } = (await (await fetch(origin + routes.batches)).json()) as BatchPage;
  const { version, ...batch } = (await (
    await fetch(origin + routes.batch(items[0]!.id))
  ).json()) as BatchDocument;
  const body = { name: 'Acknowledged', state: batch.state, madeOn: batch.madeOn, plan: batch.plan, version };
  const answer = await fetch(origin + routes.batch(batch.id), {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  expect(answer.status).toBe(200);
  first.child.kill('SIGKILL');
  await first.ended;

  const second = start();
  await second.ready;
  const kept = (await (await fetch(origin + routes.batch(batch.id))).json()) as BatchDocument;
  expect(kept).toMatchObject({ name: 'Acknowledged', version: version + 1 });
});

it('leaves a damaged file untouched and says so', async () => {
  const file = join(folder, DATA_FILE);
  const junk = Buffer.from('SQLite format 3\0 but then nothing that makes sense'.repeat(200));
  writeFileSync(file, junk);
  const { code, stderr } = await start().ended;
  expect(code).toBe(STORAGE_EXIT_CODE);
  expect(stderr).toContain('is damaged or is not a Kleur data file. It was left as it is');
  expect(stderr).not.toContain('    at ');
  expect(readFileSync(file).equals(junk)).toBe(true);
});

it('refuses a file that is no database at all, and a folder that is a file', () => {
  writeFileSync(join(folder, DATA_FILE), 'hello');
  expect(() => openDataFolder(folder)).toThrow('is damaged or is not a Kleur data file');
  expect(() => openDataFolder(join(folder, DATA_FILE))).toThrow(
    'cannot be written. Choose another with KLEUR_DATA.',
  );
  mkdirSync(join(folder, 'sub', DATA_FILE), { recursive: true });
  expect(() => openDataFolder(join(folder, 'sub'))).toThrow('is not a file.');
});

it('refuses an unwritable file', () => {
  const file = join(folder, DATA_FILE);
  writeFileSync(file, '');
  chmodSync(file, 0o444);
  // Root may write anything, so for root the empty file is refused as no database instead.
  expect(() => openDataFolder(folder)).toThrow(/cannot be read and written|is damaged/);
});
