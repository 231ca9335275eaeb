import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DataSource, type EntityManager } from 'typeorm';
import { domains } from '../domains.ts';
import { SettingsEntity } from '../settings/settings.entity.ts';
import { DATA_FILE, type StorageError } from './data-folder.ts';
import { dataSourceOptions } from './data-source.ts';
import { WriteQueue } from './write-queue.ts';

let folder: string;
let reader: DataSource;
let queue: WriteQueue;
let lost: StorageError[];

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'kleur-queue-'));
  const file = join(folder, DATA_FILE);
  reader = await new DataSource(dataSourceOptions(file, domains, { migrate: true })).initialize();
  lost = [];
  queue = new WriteQueue(dataSourceOptions(file, domains, { migrate: false }), (e) => lost.push(e));
  await queue.onModuleInit();
});
afterEach(async () => {
  await queue.onApplicationShutdown();
  await reader.destroy();
  rmSync(folder, { recursive: true, force: true });
});

const insert = (m: EntityManager, id: string): Promise<unknown> =>
  m.query(`INSERT INTO "settings" VALUES (?, '{}', 1, '', '', NULL)`, [id]);
const ids = async (): Promise<string[]> =>
  (await reader.query<{ id: string }[]>(`SELECT "id" FROM "settings" ORDER BY "id"`)).map((r) => r.id);
const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** The connection of the queue, to break it. */
interface Connection {
  readonly inTransaction: boolean;
  exec(sql: string): unknown;
}
const connection = (): Connection =>
  (queue as unknown as { source: { driver: { databaseConnection: Connection } } }).source.driver
    .databaseConnection;

it('lets no write into another, however long each waits', async () => {
  const log: string[] = [];
  const write = (name: string, wait: number) =>
    queue.run(async (m) => {
      log.push(`${name} begins`);
      await insert(m, name);
      await pause(wait);
      log.push(`${name} ends`);
    });
  await Promise.all([write('a', 30), write('b', 10), write('c', 0)]);
  expect(log).toEqual(['a begins', 'a ends', 'b begins', 'b ends', 'c begins', 'c ends']);
  expect(await ids()).toEqual(['a', 'b', 'c']);
});

it('takes back all of a write that fails, and none of its neighbours', async () => {
  const failing = queue.run(async (m) => {
    await insert(m, 'half');
    await pause(5);
    throw new Error('changed its mind');
  });
  const after = queue.run((m) => insert(m, 'whole'));
  await expect(failing).rejects.toThrow('changed its mind');
  await after;
  expect(await ids()).toEqual(['whole']);
});

it('shows readers nothing of a write under way', async () => {
  let seen: string[] = [];
  await queue.run(async (m) => {
    await insert(m, 'a');
    seen = await ids();
  });
  expect(seen).toEqual([]);
  expect(await ids()).toEqual(['a']);
});

it('heals after a COMMIT that fails: nothing of it stays, and the next write is on the disk', async () => {
  const open = connection();
  const exec = open.exec.bind(open);
  let fail = true;
  open.exec = (sql) => {
    if (fail && sql === 'COMMIT') throw Object.assign(new Error('disk full'), { code: 'SQLITE_FULL' });
    return exec(sql);
  };
  await expect(queue.run((m) => insert(m, 'lost'))).rejects.toThrow('disk full');
  expect(open.inTransaction).toBe(false);
  await expect(queue.check()).rejects.toThrow('disk full');
  fail = false;
  await queue.check();
  await queue.run(async (m) => {
    await m.save(m.create(SettingsEntity, row('kept')), { transaction: false });
  });
  expect(await ids()).toEqual(['kept']);
  expect(lost).toEqual([]);
});

it('opens the connection anew when a transaction stays open, and says so when it cannot', async () => {
  const stuck = connection();
  stuck.exec('BEGIN');
  await queue.run((m) => insert(m, 'a'));
  expect(connection()).not.toBe(stuck);
  expect(await ids()).toEqual(['a']);

  connection().exec('BEGIN');
  const { source } = queue as unknown as { source: DataSource };
  const initialize = jest.spyOn(source, 'initialize').mockRejectedValue(new Error('no such disk'));
  await expect(queue.run((m) => insert(m, 'b'))).rejects.toThrow('can no longer be opened: no such disk');
  expect(lost).toHaveLength(1);
  initialize.mockRestore();
});

it('refuses a save that would open a transaction of its own', async () => {
  const saving = queue.run((m) => m.save(m.create(SettingsEntity, row('a'))));
  await expect(saving).rejects.toThrow('transaction');
  await queue.run((m) => insert(m, 'b'));
  expect(await ids()).toEqual(['b']);
});

it('writes through to the disk before a commit is acknowledged', async () => {
  const read = (name: string) => queue.run((m) => m.query<object[]>(`PRAGMA ${name}`));
  expect(await read('synchronous')).toEqual([{ synchronous: 2 }]);
  expect(await read('journal_mode')).toEqual([{ journal_mode: 'wal' }]);
  expect(await read('foreign_keys')).toEqual([{ foreign_keys: 1 }]);
});

const row = (id: string) => ({ id, data: {} as never, createdAt: '', updatedAt: '', deletedAt: null });
