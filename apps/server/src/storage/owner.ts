import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'libsql';
import { StorageError } from './data-folder.ts';

const LOCK = 'kleur.lock';
const OWNER = 'kleur.owner';

/** Kept, because a connection that nobody holds is closed by the garbage collector, and its lock with it. */
const held = new Set<Database.Database>();

/**
 * Makes this process the only owner of a data folder, until it ends: the lock is one of the operating system's, which
 * goes with the process however it ends.
 * @returns a function that gives the folder back.
 * @throws StorageError when another process owns it.
 */
export function claimFolder(folder: string): () => void {
  const lock = new Database(join(folder, LOCK), { timeout: 0 });
  try {
    // Nothing is ever written: the open transaction is the lock.
    lock.exec('BEGIN IMMEDIATE');
  } catch (error) {
    lock.close();
    if (!(error as { code?: string }).code?.startsWith('SQLITE_BUSY')) throw error;
    throw new StorageError(
      `The data folder ${folder} is in use by another Kleur${ownerOf(folder)}. Stop it first, or choose another folder with KLEUR_DATA.`,
    );
  }
  writeFileSync(join(folder, OWNER), String(process.pid), { mode: 0o600 });
  held.add(lock);
  return () => {
    held.delete(lock);
    lock.exec('ROLLBACK');
    lock.close();
  };
}

function ownerOf(folder: string): string {
  try {
    return ` (process ${readFileSync(join(folder, OWNER), 'utf8').trim()})`;
  } catch {
    return '';
  }
}
