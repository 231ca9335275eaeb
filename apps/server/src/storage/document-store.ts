import { randomUUID } from 'node:crypto';
import { Injectable, Logger } from '@nestjs/common';
import {
  DataSource,
  type DeepPartial,
  type EntityManager,
  type EntityTarget,
  type FindManyOptions,
  type FindOptionsWhere,
  type QueryDeepPartialEntity,
} from 'typeorm';
import { notFound, ProblemError, staleVersion } from '../problems/problem.ts';
import { type Columns, type DocumentEntity } from './document.entity.ts';
import { isUnreadable } from './json-column.ts';
import { WriteQueue } from './write-queue.ts';

interface At {
  /** Default: a new one. */
  readonly id?: string;
  /** Default: now. */
  readonly date?: Date;
}

/** The transaction is the write queue's, so TypeORM must not open one of its own. */
const INSIDE = { transaction: false };

/**
 * Reads and writes the documents of one table. Every write goes through the write queue, every update names the
 * version it grew from, and a deleted document stays in the table until it is restored.
 */
export class DocumentStore<E extends DocumentEntity> {
  private readonly log = new Logger('Documents');

  /** @param label what a person calls one of them, as "The batch", for messages. */
  constructor(
    private readonly entity: EntityTarget<E>,
    private readonly label: string,
    private readonly source: DataSource,
    private readonly writes: WriteQueue,
  ) {}

  /** Documents that are not deleted. */
  find(options: FindManyOptions<E> = {}): Promise<E[]> {
    return this.source.manager.find(this.entity, options);
  }

  count(where: FindOptionsWhere<E>): Promise<number> {
    return this.source.manager.countBy(this.entity, where);
  }

  /** @throws ProblemError `not-found`, for a deleted one too. */
  async get(id: string, m: EntityManager = this.source.manager): Promise<E> {
    const row = await m.findOneBy(this.entity, { id } as FindOptionsWhere<E>);
    if (!row) throw notFound(this.label);
    return row;
  }

  /**
   * What a row says.
   * @param tell makes it, and may fail on a document that is no such document.
   * @throws ProblemError `unreadable-row`.
   */
  read<T>(row: E, tell: (row: E) => T): T {
    try {
      if (!Object.values(row).some(isUnreadable)) return tell(row);
    } catch (error) {
      if (error instanceof ProblemError) throw error;
    }
    this.log.warn(`${this.label} ${row.id} cannot be read`);
    throw new ProblemError(
      'unreadable-row',
      `${this.label} is damaged in the data file and cannot be read. The others are not touched by it; a copy in Settings may have it whole.`,
    );
  }

  /** What the rows say that can be read. */
  readAll<T>(rows: readonly E[], tell: (row: E) => T): T[] {
    return rows.flatMap((row) => {
      try {
        return [this.read(row, tell)];
      } catch {
        return [];
      }
    });
  }

  create(columns: Columns<E>, at?: At): Promise<E> {
    return this.writes.run((m) => this.insert(m, columns, at));
  }

  /** Inserts inside a running write. */
  insert(
    m: EntityManager,
    columns: Columns<E>,
    { id = randomUUID(), date = new Date() }: At = {},
  ): Promise<E> {
    const dates = { createdAt: date.toISOString(), updatedAt: date.toISOString(), deletedAt: null };
    const row = m.create(this.entity, { ...columns, id, ...dates } as unknown as DeepPartial<E>);
    return m.save(row, INSIDE);
  }

  /**
   * Replaces columns of a document.
   * @param change the new columns, or how they follow from the row.
   * @throws ProblemError `not-found`, or `stale-version` when the document is not at `version`.
   */
  update(
    id: string,
    version: number,
    change: Partial<Columns<E>> | ((row: E) => Partial<Columns<E>>),
  ): Promise<E> {
    return this.writes.run((m) => this.change(m, id, version, change));
  }

  /** The same inside a running write. */
  async change(
    m: EntityManager,
    id: string,
    version: number,
    change: Partial<Columns<E>> | ((row: E) => Partial<Columns<E>>),
  ): Promise<E> {
    const row = await this.get(id, m);
    if (row.version !== version) {
      const { name } = row as { readonly name?: string };
      throw staleVersion(name === undefined ? this.label : `“${name}”`);
    }
    Object.assign(row, typeof change === 'function' ? change(row) : change, {
      updatedAt: new Date().toISOString(),
    });
    return m.save(row, INSIDE);
  }

  /** Deletes or restores. Neither changes the version: an undo of the deletion brings back what was open. */
  setDeleted(id: string, deleted: boolean): Promise<E> {
    return this.writes.run(async (m) => {
      const where = { id } as FindOptionsWhere<E>;
      const row = await m.findOne(this.entity, { where, withDeleted: true });
      if (!row) throw notFound(this.label);
      row.deletedAt = deleted ? new Date().toISOString() : null;
      const { deletedAt, version, updatedAt } = row;
      await m.update(this.entity, where, {
        deletedAt,
        version,
        updatedAt,
      } as unknown as QueryDeepPartialEntity<E>);
      return row;
    });
  }
}

/** Hands out the store of each table. */
@Injectable()
export class Documents {
  constructor(
    private readonly source: DataSource,
    private readonly writes: WriteQueue,
  ) {}

  of<E extends DocumentEntity>(entity: EntityTarget<E>, label: string): DocumentStore<E> {
    return new DocumentStore(entity, label, this.source, this.writes);
  }
}
