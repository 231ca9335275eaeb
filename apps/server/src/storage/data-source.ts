import Database from 'libsql';
import { type Type } from '@nestjs/common';
import { type DataSourceOptions, type MigrationInterface } from 'typeorm';
import { type Domain } from './domain.ts';
import { Init1790000000000 } from './migrations/1790000000000-init.ts';

/** How long a connection waits for another one to finish its write, in milliseconds. */
const BUSY_TIMEOUT_MS = 5000;

/** All migrations, in any order; TypeORM runs them by the number in their names. */
export const migrationsOf = (domains: readonly Domain[]): readonly Type<MigrationInterface>[] => [
  Init1790000000000,
  ...domains.flatMap((d) => [...d.migrations]),
];

/**
 * Options for one SQLite file: WAL, and every acknowledged write on disk before the answer goes out.
 * @param migrate whether this connection brings the file up to date.
 */
export function dataSourceOptions(
  file: string,
  domains: readonly Domain[],
  { migrate }: { readonly migrate: boolean },
): DataSourceOptions {
  return {
    type: 'better-sqlite3',
    driver: Database,
    database: file,
    enableWAL: true,
    entities: domains.flatMap((d) => [...d.entities]),
    migrations: [...migrationsOf(domains)],
    migrationsRun: migrate,
    synchronize: false,
    timeout: BUSY_TIMEOUT_MS,
    prepareDatabase: (db: { pragma(text: string): unknown }) => {
      db.pragma('synchronous = FULL');
      db.pragma('foreign_keys = ON');
    },
  };
}
