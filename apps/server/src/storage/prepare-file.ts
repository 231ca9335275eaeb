import { statSync } from 'node:fs';
import Database from 'libsql';
import { copyUnlessDemo } from './copies.ts';
import { StorageError } from './data-folder.ts';
import { migrationsOf } from './data-source.ts';
import { type Domain } from './domain.ts';

/** Names of the migrations that a file has seen; none for a new one. */
function seenBy(file: string): readonly string[] {
  const db = new Database(file, { readonly: true });
  try {
    const known = db
      .prepare("SELECT name FROM sqlite_master WHERE type = 'table' AND name = 'migrations'")
      .all();
    if (known.length === 0) return [];
    return (db.prepare('SELECT name FROM migrations').all() as { name: string }[]).map((row) => row.name);
  } finally {
    db.close();
  }
}

/** Whether a data file was written by a newer version. @throws the driver's error for one that is no database. */
export function isNewer(file: string, domains: readonly Domain[]): boolean {
  const ours = migrationsOf(domains).map((m) => m.name);
  return seenBy(file).some((name) => !ours.includes(name));
}

/**
 * Looks at a data file before it is opened for writing: one of a newer version is left alone, and one that is about to be
 * brought up to date is copied first.
 * @throws StorageError with a plain message.
 */
export function prepareFile(file: string, domains: readonly Domain[]): void {
  if (statSync(file).size === 0) return;
  const seen = seenBy(file);
  const ours = migrationsOf(domains).map((m) => m.name);
  if (seen.some((name) => !ours.includes(name))) {
    throw new StorageError(
      `The data file ${file} was written by a newer Kleur. It was left as it is: start that version, or choose another folder with KLEUR_DATA.`,
    );
  }
  if (seen.length === 0 || ours.every((name) => seen.includes(name))) return;
  try {
    copyUnlessDemo(file, 'before-migration');
  } catch (error) {
    throw new StorageError(
      `The data file has to be copied before it is brought up to date, and could not be: ${error instanceof Error ? error.message : String(error)}. It was left as it is.`,
      { cause: error },
    );
  }
}
