import { type Type } from '@nestjs/common';
import { type EntityManager, type MigrationInterface } from 'typeorm';
import { type DocumentEntity } from './document.entity.ts';

/** Whether a new workspace starts with the demo or with the bare starting shelf. */
export type FirstContent = 'demo' | 'empty';

/** A service that gives an empty workspace its first rows. */
export interface Content {
  /** Inserts inside a running write. */
  fill(m: EntityManager, first: FirstContent): Promise<void>;
}

/**
 * A part of the workspace with tables of its own. The list in `domains.ts` is all that the data source, the demo
 * reset and the application know of it.
 */
export interface Domain {
  readonly module: Type;
  readonly entities: readonly Type<DocumentEntity>[];
  /** In any order; TypeORM runs them by the number in their names. */
  readonly migrations: readonly Type<MigrationInterface>[];
  readonly content: readonly Type<Content>[];
}
