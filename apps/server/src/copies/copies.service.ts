import { randomUUID } from 'node:crypto';
import { copyFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { type Type } from '@nestjs/common';
import { type Copy, type CopyContent, COPY_LATEST } from '@kleur/contract';
import Database from 'libsql';
import { DataSource, type EntityManager, type ObjectLiteral } from 'typeorm';
import { notFound, ProblemError } from '../problems/problem.ts';
import { type Copies, copiesFolder, copiesOf, copyOf } from '../storage/copies.ts';
import { readsAsDatabase } from '../storage/data-folder.ts';
import { dataSourceOptions } from '../storage/data-source.ts';
import { type DocumentEntity } from '../storage/document.entity.ts';
import { type Domain } from '../storage/domain.ts';
import { isNewer } from '../storage/prepare-file.ts';
import { type WriteQueue } from '../storage/write-queue.ts';

/** Rows that are held at once while a copy is put back. */
const CHUNK = 200;

const unreadable = (): ProblemError =>
  new ProblemError('unreadable-row', 'This copy is damaged and cannot be read. It was left as it is.');

/** The copies of the data file: listed, looked into, put back. */
export class CopiesService {
  constructor(
    private readonly copies: Copies,
    private readonly writes: WriteQueue,
    private readonly domains: readonly Domain[],
  ) {}

  /** The newest first. */
  list(): Copy[] {
    const { file } = this.copies;
    return copiesOf(file).flatMap((name) => copyOf(file, name) ?? []);
  }

  /** @throws the driver's error when there is no room. */
  make(): Copy {
    return copyOf(this.copies.file, this.copies.make('by-hand'))!;
  }

  /** @throws ProblemError `not-found`. */
  delete(name: string): void {
    this.pathOf(name);
    this.copies.delete(name);
  }

  /** Looks into a copy and leaves it as it is. @throws ProblemError `not-found`, `unreadable-row`. */
  content(name: string): CopyContent {
    const path = this.pathOf(name);
    try {
      const db = new Database(path, { readonly: true });
      try {
        return contentOf(db);
      } finally {
        db.close();
      }
    } catch {
      throw unreadable();
    }
  }

  /**
   * Replaces everything with a copy, in one transaction, after a copy of what is there. Rows get newer versions than
   * they had anywhere, so that whoever has one open learns of it.
   * @throws ProblemError `not-found`, `unreadable-row`.
   */
  async restore(name: string): Promise<void> {
    const path = this.pathOf(name);
    if (!readsAsDatabase(path)) throw unreadable();
    if (isNewer(path, this.domains)) {
      throw new ProblemError(
        'invalid-input',
        'This copy was written by a newer Kleur. It was left as it is.',
      );
    }
    // Older ones are brought up to date first, which changes the file.
    const working = join(copiesFolder(this.copies.file), `restoring-${randomUUID()}.sqlite`);
    const source = new DataSource(dataSourceOptions(working, this.domains, { migrate: true }));
    try {
      copyFileSync(path, working);
      await source.initialize();
      this.copies.makeBefore('before-restore');
      await this.writes.run(async (m) => {
        for (const entity of this.domains.flatMap((d) => d.entities)) await replaceRows(source, m, entity);
      });
      this.copies.prune(name);
    } finally {
      if (source.isInitialized) await source.destroy();
      for (const end of ['', '-wal', '-shm']) rmSync(working + end, { force: true });
    }
  }

  private pathOf(name: string): string {
    if (copyOf(this.copies.file, name) === null) throw notFound('The copy');
    return join(copiesFolder(this.copies.file), name);
  }
}

/** Takes the rows of a table as they are stored: what cannot be read is carried along and told where it is opened. */
async function replaceRows(
  source: DataSource,
  m: EntityManager,
  entity: Type<DocumentEntity>,
): Promise<void> {
  const { tableName: table } = source.getMetadata(entity);
  const versions = new Map(
    (await m.query<{ id: string; version: number }[]>(`SELECT id, version FROM "${table}"`)).map((r) => [
      r.id,
      r.version,
    ]),
  );
  await m.query(`DELETE FROM "${table}"`);
  for (let from = 0; ; from += CHUNK) {
    const rows = await source.query<ObjectLiteral[]>(
      `SELECT * FROM "${table}" ORDER BY rowid LIMIT ${CHUNK} OFFSET ${from}`,
    );
    for (const row of rows) {
      const version = Math.max(row.version as number, versions.get(row.id as string) ?? 0) + 1;
      const columns = Object.keys(row);
      await m.query(
        `INSERT INTO "${table}" (${columns.map((c) => `"${c}"`).join()}) VALUES (${columns.map(() => '?').join()})`,
        columns.map((c) => (c === 'version' ? version : (row[c] as unknown))),
      );
    }
    if (rows.length < CHUNK) return;
  }
}

function contentOf(db: Database.Database): CopyContent {
  const known = (
    db.prepare("SELECT name FROM sqlite_master WHERE type = 'table'").all() as { name: string }[]
  ).map((t) => t.name);
  const rows = (table: string, where = ''): number =>
    known.includes(table)
      ? (
          db.prepare(`SELECT count(*) AS n FROM "${table}" WHERE deleted_at IS NULL ${where}`).get() as {
            n: number;
          }
        ).n
      : 0;
  // Early versions had one table for both.
  const saved = (kind: 'mould' | 'recipe'): number =>
    rows(`saved_${kind}`) + rows('kept', `AND kind = '${kind}'`);
  const latest = db
    .prepare(
      `SELECT name, updated_at AS updatedAt FROM batch WHERE deleted_at IS NULL ORDER BY updated_at DESC LIMIT ${COPY_LATEST}`,
    )
    .all() as CopyContent['latest'];
  return {
    batches: rows('batch'),
    materials: rows('material'),
    palettes: rows('palette'),
    moulds: saved('mould'),
    recipes: saved('recipe'),
    latest,
  };
}
