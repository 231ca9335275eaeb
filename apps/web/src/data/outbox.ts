import { type LogEntry } from '@kleur/core/day';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';

interface Waiting {
  readonly id: string;
  readonly batchId: string;
  readonly entry: LogEntry;
}
interface Schema extends DBSchema {
  waiting: { key: string; value: Waiting; indexes: { batch: string } };
}

/** Entries that the server has not acknowledged, in the browser's database: a reload or a dead battery keeps them. */
export interface Outbox {
  /** Written through to the disk when it resolves. */
  put(batchId: string, entry: LogEntry): Promise<void>;
  of(batchId: string): Promise<LogEntry[]>;
  remove(ids: readonly string[]): Promise<void>;
}

const NAME = 'kleur-log';

/** Strict: told as written only when it lies on the disk. */
const STRICT = { durability: 'strict' } as const;

export async function openOutbox(): Promise<Outbox> {
  const db: IDBPDatabase<Schema> = await openDB<Schema>(NAME, 1, {
    upgrade: (made) => {
      made.createObjectStore('waiting', { keyPath: 'id' }).createIndex('batch', 'batchId');
    },
  });
  return {
    put: async (batchId, entry) => {
      const tx = db.transaction('waiting', 'readwrite', STRICT);
      await Promise.all([tx.store.put({ id: entry.id, batchId, entry }), tx.done]);
    },
    of: async (batchId) => (await db.getAllFromIndex('waiting', 'batch', batchId)).map((w) => w.entry),
    remove: async (ids) => {
      const tx = db.transaction('waiting', 'readwrite', STRICT);
      await Promise.all([...ids.map((id) => tx.store.delete(id)), tx.done]);
    },
  };
}
