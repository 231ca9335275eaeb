import {
  accessSync,
  chmodSync,
  constants,
  existsSync,
  mkdirSync,
  openSync,
  readSync,
  closeSync,
  statSync,
} from 'node:fs';
import { join } from 'node:path';
import Database from 'libsql';

/** The data file cannot be used; the message is for the person at the terminal. */
export class StorageError extends Error {
  override readonly name = 'StorageError';
}

/** The data file was open and cannot be opened again. */
export const storageLost = (cause: unknown): StorageError =>
  new StorageError(
    `The data file can no longer be opened: ${cause instanceof Error ? cause.message : String(cause)}. Everything acknowledged until now is in it.`,
    { cause },
  );

export const DATA_FILE = 'kleur.sqlite';
/** Exit code of the server when its data file cannot be used. */
export const STORAGE_EXIT_CODE = 3;

const MAGIC = 'SQLite format 3\0';

/**
 * Makes sure that the data folder holds a usable file, or none yet, without touching one that is damaged.
 * @returns path of the data file.
 * @throws StorageError with a plain message.
 */
export function openDataFolder(folder: string): string {
  try {
    const isNew = mkdirSync(folder, { recursive: true, mode: 0o700 }) !== undefined;
    // A folder that holds something else may have its own reasons for who may look into it.
    if (isNew || existsSync(join(folder, DATA_FILE))) chmodSync(folder, 0o700);
    accessSync(folder, constants.W_OK);
  } catch {
    throw new StorageError(`The data folder ${folder} cannot be written. Choose another with KLEUR_DATA.`);
  }
  const file = join(folder, DATA_FILE);
  if (!existsSync(file)) {
    // The database's own side files take over the rights of the file.
    closeSync(openSync(file, 'a', 0o600));
    return file;
  }
  if (!statSync(file).isFile()) throw new StorageError(`${file} is not a file.`);
  try {
    accessSync(file, constants.R_OK | constants.W_OK);
  } catch {
    throw new StorageError(`The data file ${file} cannot be read and written. It was left as it is.`);
  }
  chmodSync(file, 0o600);
  // An empty file is what is left of a start that was stopped at once: a new workspace.
  if (statSync(file).size === 0) return file;
  if (!readsAsDatabase(file)) {
    throw new StorageError(
      `The data file ${file} is damaged or is not a Kleur data file. It was left as it is: put a backup in its place, or move it away to start anew.`,
    );
  }
  return file;
}

/** Whether a file is a database without damage. */
export function readsAsDatabase(file: string): boolean {
  const head = Buffer.alloc(MAGIC.length);
  const fd = openSync(file, 'r');
  try {
    if (readSync(fd, head, 0, head.length, 0) < head.length || head.toString('latin1') !== MAGIC)
      return false;
  } finally {
    closeSync(fd);
  }
  try {
    const db = new Database(file, { readonly: true });
    try {
      const [row] = db.prepare('PRAGMA quick_check(1)').all() as { quick_check: string }[];
      return row?.quick_check === 'ok';
    } finally {
      db.close();
    }
  } catch {
    return false;
  }
}
