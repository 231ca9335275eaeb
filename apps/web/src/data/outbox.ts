import { type LogEntry } from '@kleur/core/day';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';

interface OfBatch {
  readonly id: string;
  readonly batchId: string;
  readonly entry: LogEntry;
}
/** A picture or a clip that the server does not have yet. */
export interface WaitingFile {
  readonly name: string;
  readonly type: string;
  readonly bytes: ArrayBuffer;
}
interface Schema extends DBSchema {
  waiting: { key: string; value: OfBatch; indexes: { batch: string } };
  /** What the server was known to have: shown when it is away. */
  known: { key: string; value: OfBatch; indexes: { batch: string } };
  files: { key: string; value: WaitingFile };
}

/** Entries that the server has not acknowledged, in the browser's database: a reload or a dead battery keeps them. */
export interface Outbox {
  /** Written through to the disk when it resolves. */
  put(batchId: string, entry: LogEntry): Promise<void>;
  of(batchId: string): Promise<LogEntry[]>;
  /** Ids of the batches that something waits for. */
  batches(): Promise<string[]>;
  remove(ids: readonly string[]): Promise<void>;
  /** Remembers what the server has; with `all`, that it has nothing else of this batch. */
  remember(batchId: string, entries: readonly LogEntry[], all: boolean): Promise<void>;
  known(batchId: string): Promise<LogEntry[]>;
  putFile(file: WaitingFile): Promise<void>;
  file(name: string): Promise<WaitingFile | null>;
  removeFile(name: string): Promise<void>;
}

const NAME = 'kleur-log';

/** Strict: told as written only when it lies on the disk. */
const STRICT = { durability: 'strict' } as const;

export async function openOutbox(): Promise<Outbox> {
  const db: IDBPDatabase<Schema> = await openDB<Schema>(NAME, 2, {
    upgrade: (made, from) => {
      if (from < 1) made.createObjectStore('waiting', { keyPath: 'id' }).createIndex('batch', 'batchId');
      made.createObjectStore('known', { keyPath: 'id' }).createIndex('batch', 'batchId');
      made.createObjectStore('files', { keyPath: 'name' });
    },
  });
  const entries = async (store: 'waiting' | 'known', batchId: string): Promise<LogEntry[]> =>
    (await db.getAllFromIndex(store, 'batch', batchId)).map((w) => w.entry);
  return {
    put: async (batchId, entry) => {
      const tx = db.transaction('waiting', 'readwrite', STRICT);
      await Promise.all([tx.store.put({ id: entry.id, batchId, entry }), tx.done]);
    },
    of: (batchId) => entries('waiting', batchId),
    batches: async () => [...new Set((await db.getAll('waiting')).map((w) => w.batchId))],
    remove: async (ids) => {
      const tx = db.transaction('waiting', 'readwrite', STRICT);
      await Promise.all([...ids.map((id) => tx.store.delete(id)), tx.done]);
    },
    remember: async (batchId, list, all) => {
      const tx = db.transaction('known', 'readwrite');
      if (all) {
        const keep = new Set(list.map((e) => e.id));
        for (const id of await tx.store.index('batch').getAllKeys(batchId))
          if (!keep.has(id)) void tx.store.delete(id);
      }
      for (const entry of list) void tx.store.put({ id: entry.id, batchId, entry });
      await tx.done;
    },
    known: (batchId) => entries('known', batchId),
    putFile: async (file) => {
      const tx = db.transaction('files', 'readwrite', STRICT);
      await Promise.all([tx.store.put(file), tx.done]);
    },
    file: async (name) => (await db.get('files', name)) ?? null,
    removeFile: (name) => db.delete('files', name),
  };
}
