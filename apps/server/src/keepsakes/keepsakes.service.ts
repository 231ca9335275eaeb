import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { InjectRepository } from '@nestjs/typeorm';
import { type BaseRecipe, type Kept } from '@kleur/contract';
import { type Mould, upgradeMaterial } from '@kleur/core';
import { type EntityManager, IsNull, Repository } from 'typeorm';
import { notFound, ProblemError, staleVersion } from '../problems/problem.ts';
import { KeptEntity } from '../storage/kept.entity.ts';
import { WriteQueue } from '../storage/write-queue.ts';

export interface Keepsakes {
  readonly mould: Mould;
  readonly recipe: BaseRecipe;
}
type Kind = keyof Keepsakes;

const LABEL: Readonly<Record<Kind, string>> = { mould: 'The mould', recipe: 'The base' };

/** Recipes hold copies of oils, which an older version may have stored. */
const present = <K extends Kind>(data: Keepsakes[K]): Keepsakes[K] =>
  'oils' in data
    ? { ...data, oils: data.oils.map((o) => ({ ...o, material: upgradeMaterial(o.material) })) }
    : data;

const wire = <K extends Kind>(row: KeptEntity): Kept<Keepsakes[K]> => ({
  ...present(row.data as Keepsakes[K]),
  id: row.id,
  version: row.version,
  updatedAt: row.updatedAt,
});

/** Moulds and bases that are kept to be used again. What a batch uses is its own copy. */
@Injectable()
export class KeepsakesService {
  constructor(
    @InjectRepository(KeptEntity) private readonly kept: Repository<KeptEntity>,
    private readonly writes: WriteQueue,
  ) {}

  async list<K extends Kind>(kind: K): Promise<Kept<Keepsakes[K]>[]> {
    const rows = await this.kept.find({
      where: { kind, deletedAt: IsNull() },
      order: { name: 'ASC', id: 'ASC' },
    });
    return rows.map((r) => wire<K>(r));
  }

  create<K extends Kind>(kind: K, data: Keepsakes[K]): Promise<Kept<Keepsakes[K]>> {
    const kept = named(data);
    return this.writes.run((m) => this.insert(m, kind, kept));
  }

  update<K extends Kind>(
    kind: K,
    id: string,
    version: number,
    data: Keepsakes[K],
  ): Promise<Kept<Keepsakes[K]>> {
    const kept = named(data);
    return this.writes.run(async (m) => {
      const row = await this.row(m, kind, id);
      if (row.deletedAt !== null) throw notFound(LABEL[kind]);
      if (row.version !== version) throw staleVersion(`“${row.name}”`);
      Object.assign(row, {
        name: kept.name,
        data: kept,
        version: version + 1,
        updatedAt: new Date().toISOString(),
      });
      return wire<K>(await m.save(row));
    });
  }

  setDeleted<K extends Kind>(kind: K, id: string, deleted: boolean): Promise<Kept<Keepsakes[K]>> {
    return this.writes.run(async (m) => {
      const row = await this.row(m, kind, id);
      row.deletedAt = deleted ? new Date().toISOString() : null;
      return wire<K>(await m.save(row));
    });
  }

  /** Inserts inside a running write. */
  async insert<K extends Kind>(m: EntityManager, kind: K, data: Keepsakes[K]): Promise<Kept<Keepsakes[K]>> {
    const row = m.create(KeptEntity, {
      id: randomUUID(),
      kind,
      name: data.name,
      data,
      version: 1,
      updatedAt: new Date().toISOString(),
      deletedAt: null,
    });
    return wire<K>(await m.save(row));
  }

  private async row(m: EntityManager, kind: Kind, id: string): Promise<KeptEntity> {
    const row = await m.findOneBy(KeptEntity, { id, kind });
    if (!row) throw notFound(LABEL[kind]);
    return row;
  }
}

/** With its name as it is stored. @throws ProblemError for a blank one. */
function named<T extends { readonly name: string }>(data: T): T {
  const name = data.name.trim();
  if (name === '') {
    throw new ProblemError('invalid-input', 'It needs a name.', [
      { path: 'name', message: 'name may not be empty' },
    ]);
  }
  return { ...data, name };
}
