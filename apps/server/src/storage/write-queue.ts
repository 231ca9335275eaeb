import { Inject, Injectable, type OnApplicationShutdown, type OnModuleInit } from '@nestjs/common';
import { DataSource, type DataSourceOptions, type EntityManager } from 'typeorm';
import { type StorageError, storageLost } from './data-folder.ts';

export const WRITER_OPTIONS = Symbol('options of the writing connection');
export const ON_STORAGE_LOST = Symbol('what to do when the data file can no longer be opened');

/** A plan with everything in it is under a tenth of a request's limit of 1 MB. */
const CHECK_BYTES = 262_144;

/** Stands as SQLite's `user_version` in a file whose workspace is the demo and nothing else. */
const DEMO_MARK = 7;

/** Whether a data file holds the demo and nothing else. */
export function isDemoMark(db: { prepare(sql: string): { all(): unknown[] } }): boolean {
  const [row] = db.prepare('PRAGMA user_version').all() as { user_version: number }[];
  return row?.user_version === DEMO_MARK;
}

/** The part of the driver's connection that the queue steers by itself. */
interface Connection {
  readonly inTransaction: boolean;
  exec(sql: string): unknown;
  prepare(sql: string): { all(): unknown[] };
}

/**
 * All writes, one after another, each in a transaction of its own on a connection of its own. Without the queue an
 * await inside one transaction would let another request's writes slip into it; reads go over another connection and
 * see committed rows only.
 *
 * The queue itself begins, commits and rolls back: TypeORM takes a transaction for open when its COMMIT has failed,
 * as on a full disk, and would then answer later writes that never reach the file.
 */
@Injectable()
export class WriteQueue implements OnModuleInit, OnApplicationShutdown {
  private last: Promise<unknown> = Promise.resolve();
  private readonly source: DataSource;
  private failure: Error | null = null;
  private begun = 0;
  private opened = 0;
  /** Whether the file holds the demo and nothing else, as far as this connection knows; null before it was asked. */
  private isDemo: boolean | null = null;

  constructor(
    @Inject(WRITER_OPTIONS) options: DataSourceOptions,
    @Inject(ON_STORAGE_LOST) private readonly onLost: (error: StorageError) => void,
  ) {
    this.source = new DataSource(options);
  }

  async onModuleInit(): Promise<void> {
    await this.open();
  }

  async onApplicationShutdown(): Promise<void> {
    await this.last;
    if (this.source.isInitialized) await this.source.destroy();
  }

  /**
   * Runs a write after those before it. What it returns is on the disk when the promise resolves; when the promise
   * rejects, nothing of it is.
   */
  run<T>(write: (manager: EntityManager) => Promise<T>): Promise<T> {
    return this.queued(async (m) => {
      const result = await write(m);
      if (this.holdsDemo) this.holdsDemo = false;
      return result;
    });
  }

  /** Like `run`, for the write that makes the file hold the demo alone. */
  runAsDemo<T>(write: (manager: EntityManager) => Promise<T>): Promise<T> {
    return this.queued(async (m) => {
      const result = await write(m);
      this.holdsDemo = true;
      return result;
    });
  }

  private queued<T>(write: (manager: EntityManager) => Promise<T>): Promise<T> {
    this.begun++;
    const next = this.last.then(() => this.transaction(write));
    this.last = next.catch(() => undefined);
    return next;
  }

  /** A key that is another one after every write to one of these tables, deletions and what was put back included. */
  async stateOf(tables: readonly string[]): Promise<string> {
    await this.last;
    const rows = this.connection.prepare('SELECT "name", "n" FROM temp."table_writes"').all() as {
      name: string;
      n: number;
    }[];
    const counts = new Map(rows.map((r) => [r.name, r.n]));
    return [this.opened, ...tables.map((t) => counts.get(t) ?? 0)].join();
  }

  /** Writes begun so far, after the last of them: while it stays the same, so does what is stored. */
  async settled(): Promise<number> {
    const { begun } = this;
    await this.last;
    return begun;
  }

  /**
   * Resolves when the file takes writes. After a failed one it tries as much as a large document needs: the last
   * free page would take a small write and refuse the next plan. @throws what the file answers.
   */
  async check(): Promise<void> {
    if (this.failure === null) return;
    await this.run(async (m) => {
      await m.query('DROP TABLE IF EXISTS "write_check"');
      await m.query(`CREATE TABLE "write_check" AS SELECT zeroblob(${CHECK_BYTES}) AS "filler"`);
    });
    await this.run((m) => m.query('DROP TABLE "write_check"'));
  }

  private async transaction<T>(write: (manager: EntityManager) => Promise<T>): Promise<T> {
    await this.ensureIdle();
    try {
      this.connection.exec('BEGIN IMMEDIATE');
    } catch (error) {
      this.failure = error as Error;
      throw error;
    }
    let result: T;
    try {
      result = await write(this.source.manager);
    } catch (error) {
      this.isDemo = null;
      await this.rollBack();
      throw error;
    }
    try {
      this.connection.exec('COMMIT');
      this.failure = null;
    } catch (error) {
      this.failure = error as Error;
      this.isDemo = null;
      await this.rollBack();
      throw error;
    }
    await this.ensureIdle();
    return result;
  }

  /** SQLite may have rolled back by itself, as after an input/output error. */
  private async rollBack(): Promise<void> {
    try {
      if (this.connection.inTransaction) this.connection.exec('ROLLBACK');
    } catch {
      // What could not be rolled back ends with the connection.
    }
    await this.ensureIdle();
  }

  /** A transaction left open would swallow the next write: the connection is opened anew, or the server ends. */
  private async ensureIdle(): Promise<void> {
    if (this.source.isInitialized && !this.connection.inTransaction) return;
    try {
      if (this.source.isInitialized) await this.source.destroy();
      await this.open();
      if (this.connection.inTransaction) throw new Error('The connection opens inside a transaction');
    } catch (error) {
      const lost = storageLost(error);
      this.onLost(lost);
      throw lost;
    }
  }

  /** Opens the connection, with a count of the writes to each table that lasts as long as it does. */
  private async open(): Promise<void> {
    await this.source.initialize();
    this.opened++;
    this.isDemo = null;
    const known = this.connection
      .prepare('SELECT "name" FROM sqlite_master WHERE "type" = \'table\'')
      .all() as { name: string }[];
    const tables = this.source.entityMetadatas
      .map((e) => e.tableName)
      .filter((table) => known.some(({ name }) => name === table));
    this.connection.exec(
      [
        'CREATE TEMP TABLE "table_writes" ("name" TEXT PRIMARY KEY, "n" INTEGER NOT NULL)',
        ...tables.flatMap((table) => [
          `INSERT INTO temp."table_writes" VALUES ('${table}', 0)`,
          ...['INSERT', 'UPDATE', 'DELETE'].map(
            (act) =>
              `CREATE TEMP TRIGGER "count_${act}_${table}" AFTER ${act} ON main."${table}" BEGIN UPDATE "table_writes" SET "n" = "n" + 1 WHERE "name" = '${table}'; END`,
          ),
        ]),
      ].join(';\n'),
    );
  }

  private get holdsDemo(): boolean {
    this.isDemo ??= isDemoMark(this.connection);
    return this.isDemo;
  }

  private set holdsDemo(is: boolean) {
    this.connection.exec(`PRAGMA user_version = ${is ? DEMO_MARK : 0}`);
    this.isDemo = is;
  }

  private get connection(): Connection {
    return (this.source.driver as unknown as { databaseConnection: Connection }).databaseConnection;
  }
}
