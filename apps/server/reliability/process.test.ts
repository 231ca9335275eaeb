import { type ChildProcess, spawnSync } from 'node:child_process';
import { chmodSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'libsql';
import { type BatchDocument, type BatchPage, routes } from '@kleur/contract';
import { serverProcess } from './server-process.ts';
import { copiesOf } from '../src/storage/copies.ts';
import { DATA_FILE, openDataFolder, STORAGE_EXIT_CODE } from '../src/storage/data-folder.ts';

/** The built server as a process of its own: what it does with bad files and when it is killed. */
const PORT = 4391;
const server = serverProcess(PORT);
const { origin, start, startWithDemo } = server;
it('keeps every acknowledged write through a kill', async () => {
  const first = await startWithDemo();
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
  const file = join(server.folder, DATA_FILE);
  const junk = Buffer.from('SQLite format 3\0 but then nothing that makes sense'.repeat(200));
  writeFileSync(file, junk);
  const { code, stderr } = await start().ended;
  expect(code).toBe(STORAGE_EXIT_CODE);
  expect(stderr).toContain('is damaged or is not a Kleur data file. It was left as it is');
  expect(stderr).not.toContain('    at ');
  expect(readFileSync(file).equals(junk)).toBe(true);
});

it('refuses a file that is no database at all, and a folder that is a file', () => {
  writeFileSync(join(server.folder, DATA_FILE), 'hello');
  expect(() => openDataFolder(server.folder)).toThrow('is damaged or is not a Kleur data file');
  expect(() => openDataFolder(join(server.folder, DATA_FILE))).toThrow(
    'cannot be written. Choose another with KLEUR_DATA.',
  );
  mkdirSync(join(server.folder, 'sub', DATA_FILE), { recursive: true });
  expect(() => openDataFolder(join(server.folder, 'sub'))).toThrow('is not a file.');
});

// Root may write anything.
(process.getuid?.() === 0 ? it.skip : it)('refuses an unwritable file', () => {
  const file = join(server.folder, DATA_FILE);
  writeFileSync(file, '');
  chmodSync(file, 0o444);
  expect(() => openDataFolder(server.folder)).toThrow('cannot be read and written');
});

it.each(['abc', '0', '70000', '4173.5', ''])('says in a sentence that “%s” is no port', async (port) => {
  const { code, stderr } = await start([], port).ended;
  expect(code).toBe(STORAGE_EXIT_CODE);
  expect(stderr.trim()).toBe(`PORT is “${port}”. It is a whole number from 1 to 65535.`);
});

it('says in a sentence that its port is taken', async () => {
  const other = createServer();
  await new Promise<void>((resolve) => other.listen(PORT, '127.0.0.1', resolve));
  try {
    const { code, stderr } = await start().ended;
    expect(code).toBe(STORAGE_EXIT_CODE);
    expect(stderr.trim()).toBe(`Port ${PORT} is in use. Choose another with PORT.`);
  } finally {
    other.close();
  }
});

it('says in a sentence that there is no room for a new file', async () => {
  const { code, stderr } = await start(['bash', '-c', 'ulimit -f 60; exec "$0" "$@"']).ended;
  expect(code).toBe(STORAGE_EXIT_CODE);
  expect(stderr.trim().split('\n')).toHaveLength(1);
  expect(stderr).not.toContain('    at ');
});

it('does not listen for other machines without a passphrase, and asks for it with one', async () => {
  const open = { HOST: '0.0.0.0' };
  const refused = await start([], PORT, open).ended;
  expect(refused.code).toBe(STORAGE_EXIT_CODE);
  expect(refused.stderr.trim()).toMatch(/^HOST is 0\.0\.0\.0: other machines could reach Kleur.*alone\.$/);
  const short = await start([], PORT, { ...open, KLEUR_PASSPHRASE: 'short' }).ended;
  expect(short.stderr.trim()).toBe('KLEUR_PASSPHRASE has 5 characters. It needs 12 to 200.');

  const first = await startWithDemo([], { ...open, KLEUR_PASSPHRASE: 'seven grey herons' });
  expect((await fetch(origin + routes.batches)).status).toBe(401);
  const { code, stderr } = await start([], PORT, open).ended;
  expect([code, stderr]).toEqual([STORAGE_EXIT_CODE, expect.stringContaining('is in use')]);
  first.child.kill('SIGTERM');
  await first.ended;
  // It is kept: the next start needs not be told.
  await start([], PORT, open).ready;
  const signedIn = await fetch(origin + routes.signIn, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ passphrase: 'seven grey herons' }),
  });
  expect(signedIn.status).toBe(204);
  const cookie = signedIn.headers.get('set-cookie')!.split(';')[0]!;
  expect((await fetch(origin + routes.batches, { headers: { cookie } })).status).toBe(200);
});

it('saves while twenty matches are asked for, and refuses those for which there is no room', async () => {
  await startWithDemo();
  const json = { 'content-type': 'application/json' };
  const { items } = (await (await fetch(origin + routes.batches)).json()) as BatchPage;
  const order: string[] = [];
  const openapi = (await (await fetch(origin + routes.openapi)).json()) as {
    paths: Record<
      string,
      { post: { requestBody: { content: Record<string, { examples: Record<string, { value: object }> }> } } }
    >;
  };
  const { examples } = openapi.paths[routes.match]!.post.requestBody.content['application/json']!;
  const body = JSON.stringify({ ...Object.values(examples)[0]!.value, most: 4 });
  const answers = Array.from({ length: 20 }, async () => {
    const answer = await fetch(origin + routes.match, { method: 'POST', headers: json, body });
    if (answer.status === 200) order.push('match');
    else expect(answer.headers.get('retry-after')).toBe('2');
    return answer.status;
  });
  for (let i = 0; i < 3; i++) {
    expect((await fetch(`${origin}${routes.batchCopy(items[0]!.id)}`, { method: 'POST' })).status).toBe(201);
    expect((await fetch(origin + routes.health)).status).toBe(200);
  }
  order.push('saved');
  const statuses = await Promise.all(answers);
  const done = statuses.filter((s) => s === 200).length;
  // One runs and eight wait; a slow machine has finished some before it reads the last request.
  expect(done).toBeGreaterThanOrEqual(9);
  expect(statuses.filter((s) => s === 429)).toHaveLength(20 - done);
  expect(done).toBeLessThan(20);
  // Nine matches one after another take far longer than three saves that do not wait for them.
  expect(order.indexOf('saved')).toBeLessThan(done);
});

it('starts anew on the empty file of a start that was stopped at once', async () => {
  writeFileSync(join(server.folder, DATA_FILE), '');
  await start().ready;
  expect(((await (await fetch(origin + routes.batches)).json()) as BatchPage).items.length).toBeGreaterThan(
    0,
  );
});

it('leaves a folder to the server that has it, also after that one was killed', async () => {
  const first = await startWithDemo();
  const second = await start([], PORT + 1).ended;
  expect(second.code).toBe(STORAGE_EXIT_CODE);
  expect(second.stderr).toContain(`is in use by another Kleur (process ${first.child.pid})`);
  expect(second.stderr).not.toContain('    at ');
  first.child.kill('SIGKILL');
  await first.ended;
  await start().ready;
});

it('copies what is there before the demo replaces it, unless that is the demo as it came', async () => {
  await startWithDemo();
  const reset = async (): Promise<void> => {
    const answer = await fetch(`${origin}/api/demo/reset`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ confirm: 'replace everything with the demo' }),
    });
    expect(answer.status).toBeLessThan(300);
  };
  await reset();
  expect(copiesOf(join(server.folder, DATA_FILE))).toEqual([]);
  const { items } = (await (await fetch(origin + routes.batches)).json()) as BatchPage;
  await fetch(origin + routes.batch(items[0]!.id), { method: 'DELETE' });
  await reset();
  expect(copiesOf(join(server.folder, DATA_FILE))).toEqual([expect.stringContaining('before-reset')]);
});

it('says with a code that another program holds the file', async () => {
  await startWithDemo();
  const other = new Database(join(server.folder, DATA_FILE));
  other.exec('BEGIN IMMEDIATE');
  try {
    const { items } = (await (await fetch(origin + routes.batches)).json()) as BatchPage;
    const refused = await fetch(origin + routes.batch(items[0]!.id), { method: 'DELETE' });
    expect(refused.status).toBe(503);
    expect(await refused.json()).toMatchObject({ code: 'storage-busy' });
    other.exec('ROLLBACK');
    const done = await fetch(origin + routes.batch(items[0]!.id), { method: 'DELETE' });
    expect(done.status).toBeLessThan(300);
  } finally {
    other.close();
  }
});

/** A file system of its own for the data, where the machine lets a test mount one. */
const small = mkdtempSync(join(tmpdir(), 'kleur-small-'));
const canMount = mount() && unmount();
function mount(): boolean {
  return spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=2400k', 'tmpfs', small]).status === 0;
}
function unmount(): boolean {
  return spawnSync('umount', [small]).status === 0;
}
afterAll(() => {
  rmSync(small, { recursive: true, force: true });
});

describe('a full disk', () => {
  /** The limit on the size of a file, in blocks of 1024 bytes: enough to start, not for the log of many saves. */
  const LIMIT = 850;
  const limited = ['bash', '-c', `ulimit -S -f ${LIMIT}; exec "$0" "$@"`];
  const json = { 'content-type': 'application/json' };
  const send = (method: string, route: string, body: object): Promise<Response> =>
    fetch(origin + route, { method, headers: json, body: JSON.stringify(body) });

  it('as a limit on the size of files', () =>
    fillAndFree(limited, (child) => {
      expect(spawnSync('prlimit', ['--pid', String(child.pid), '--fsize=unlimited']).status).toBe(0);
    }));

  (canMount ? it : it.skip)('as a small file system', async () => {
    rmSync(server.folder, { recursive: true });
    mount();
    server.folder = small;
    const ballast = join(small, 'ballast');
    writeFileSync(ballast, Buffer.alloc(500_000));
    try {
      await fillAndFree([], () => {
        rmSync(ballast);
      });
    } finally {
      server.stopAll();
      // The file system is busy until the process has gone.
      for (let i = 0; i < 50 && !unmount(); i++) await new Promise((resolve) => setTimeout(resolve, 100));
      server.folder = mkdtempSync(join(tmpdir(), 'kleur-process-'));
    }
  });

  /** Acknowledges only what is on the disk, says that it is full, and goes on when there is room again. */
  async function fillAndFree(
    prefix: readonly string[],
    makeRoom: (child: ChildProcess) => void,
  ): Promise<void> {
    const { child, ended } = await startWithDemo(prefix);
    const { items } = (await (await fetch(origin + routes.batches)).json()) as BatchPage;
    const source = (await (await fetch(origin + routes.batch(items[0]!.id))).json()) as BatchDocument;
    const { state, madeOn, plan } = source;
    const acknowledged: string[] = [];
    const versions = new Map<string, number>();
    let refused = 0;
    for (let i = 0; i < 60; i++) {
      const name = `Batch ${i}`;
      const created = await send('POST', routes.batches, { name, state, madeOn, plan });
      if (created.status === 201) {
        acknowledged.push(name);
        versions.set(((await created.json()) as BatchDocument).id, 1);
      } else {
        expect(created.status).toBe(503);
        expect(await created.json()).toMatchObject({ code: 'storage-unwritable' });
        refused += 1;
      }
      const [id, version] = [...versions.entries()].at(-1)!;
      const saved = await send('PUT', routes.batch(id), { name: 'Saved', state, madeOn, plan, version });
      if (saved.status === 200) {
        acknowledged[acknowledged.length - 1] = 'Saved';
        versions.set(id, version + 1);
      } else expect(saved.status).toBe(503);
    }
    expect(acknowledged.length).toBeGreaterThan(0);
    expect(refused).toBeGreaterThan(20);
    expect((await fetch(origin + routes.health)).status).toBe(503);

    makeRoom(child);
    expect((await fetch(origin + routes.health)).status).toBe(200);
    const healed = await send('POST', routes.batches, { name: 'Room again', state, madeOn, plan });
    expect(healed.status).toBe(201);
    acknowledged.push('Room again');
    child.kill('SIGKILL');
    await ended;

    const again = start();
    await again.ready;
    const kept = (await (await fetch(`${origin}${routes.batches}?pageSize=100`)).json()) as BatchPage;
    const names = kept.items.map((b) => b.name).filter((n) => /^(Batch \d+|Saved|Room again)$/.test(n));
    expect(names.sort()).toEqual([...acknowledged].sort());
    for (const [id, version] of versions) {
      const batch = (await (await fetch(origin + routes.batch(id))).json()) as BatchDocument;
      expect(batch.version).toBe(version);
    }
    again.child.kill('SIGKILL');
    await again.ended;
  }
});
