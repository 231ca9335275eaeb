import { Inject, Injectable, type OnApplicationShutdown, type OnModuleInit } from '@nestjs/common';
import { DataSource, type DataSourceOptions, type EntityManager } from 'typeorm';
import { type StorageError, storageLost } from './data-folder.ts';

export const WRITER_OPTIONS = Symbol('options of the writing connection');
export const ON_STORAGE_LOST = Symbol('what to do when the data file can no longer be opened');

/** A plan with everything in it is under a tenth of a request's limit of 1 MB. */
const CHECK_BYTES = 262_144;

/** The part of the driver's connection that the queue steers by itself. */
interface Connection {
  readonly inTransaction: boolean;
  exec(sql: string): unknown;
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

  constructor(
    @Inject(WRITER_OPTIONS) options: DataSourceOptions,
    @Inject(ON_STORAGE_LOST) private readonly onLost: (error: StorageError) => void,
  ) {
    this.source = new DataSource(options);
  }

  async onModuleInit(): Promise<void> {
    await this.source.initialize();
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
    this.begun++;
    const next = this.last.then(() => this.transaction(write));
    this.last = next.catch(() => undefined);
    return next;
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
      await this.rollBack();
      throw error;
    }
    try {
      this.connection.exec('COMMIT');
      this.failure = null;
    } catch (error) {
      this.failure = error as Error;
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
      await this.source.initialize();
      if (this.connection.inTransaction) throw new Error('The connection opens inside a transaction');
    } catch (error) {
      const lost = storageLost(error);
      this.onLost(lost);
      throw lost;
    }
  }

  private get connection(): Connection {
    return (this.source.driver as unknown as { databaseConnection: Connection }).databaseConnection;
  }
}
