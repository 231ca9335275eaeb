import { Injectable } from '@nestjs/common';
import { type Learning, type MaterialWire } from '@kleur/contract';
import { type FittedMaterial } from '@kleur/core/fit';
import { type LearntBase } from '@kleur/core/plan';
import { type EntityManager } from 'typeorm';
import { notFound, ProblemError } from '../problems/problem.ts';
import { Documents, type DocumentStore } from '../storage/document-store.ts';
import { type Content } from '../storage/domain.ts';
import { WriteQueue } from '../storage/write-queue.ts';
import { CatalogueService } from './catalogue.service.ts';
import { LearningEntity, type Learnt } from './learning.entity.ts';

/** Everything that was taken over from bars: curves of the shelf, and the base. */
@Injectable()
export class LearningsService implements Content {
  private readonly store: DocumentStore<LearningEntity>;
  private known: { readonly writes: number; readonly base: LearntBase | null } | null = null;

  constructor(
    documents: Documents,
    private readonly writes: WriteQueue,
    private readonly catalogue: CatalogueService,
  ) {
    this.store = documents.of(LearningEntity, 'What was learnt');
  }

  /** The latest first. */
  async list(): Promise<Learning[]> {
    const rows = await this.store.find({ order: { number: 'DESC' } });
    return this.store.readAll(rows, ({ number, createdAt, learnt: { curves, base } }) => ({
      version: number,
      at: createdAt,
      baseReadings: base?.readings ?? null,
      curves: curves.map(({ id, readings, spread, typicalMiss }) => ({
        materialId: id,
        readings,
        spread,
        typicalMiss,
      })),
    }));
  }

  /** The base as bars told it last; null for the reference base. */
  async base(): Promise<LearntBase | null> {
    // Every prediction asks for it: the rows are read again only after something was written.
    const writes = await this.writes.settled();
    if (this.known?.writes !== writes) this.known = { writes, base: await this.readBase() };
    return this.known.base;
  }

  private async readBase(): Promise<LearntBase | null> {
    const rows = await this.store.find({ order: { number: 'DESC' } });
    const told = this.store.readAll(rows, ({ number, learnt }) => ({ number, base: learnt.base }));
    const last = told.find((l) => l.base !== null);
    return last?.base?.base
      ? {
          version: last.number,
          readings: last.base.readings,
          base: last.base.base,
          ...(last.base.gel && { gel: last.base.gel }),
        }
      : null;
  }

  /** Takes curves over into the shelf, and a base; all or nothing. @throws ProblemError `not-found`. */
  accept(curves: readonly FittedMaterial[], base: Learnt['base']): Promise<MaterialWire[]> {
    return this.writes.run((m) => this.learn(m, curves, base));
  }

  /** The same inside a running write. */
  async learn(
    m: EntityManager,
    curves: readonly FittedMaterial[],
    base: Learnt['base'],
  ): Promise<MaterialWire[]> {
    const number = await this.add(m, { curves, base });
    return this.catalogue.setCurves(m, curves, number);
  }

  /** Takes curves of an earlier time back. @throws ProblemError `not-found`; `invalid-input` for one not learnt then. */
  async back(version: number, materialIds: readonly string[]): Promise<MaterialWire[]> {
    const [row] = await this.store.find({ where: { number: version } });
    if (!row) throw notFound('What was learnt then');
    const { curves } = this.store.read(row, (r) => r.learnt);
    const chosen = materialIds.map((id, i) => {
      const curve = curves.find((c) => c.id === id);
      if (curve) return curve;
      throw new ProblemError('invalid-input', 'That was not learnt then.', [
        { path: `materialIds.${i}`, message: 'was not learnt then' },
      ]);
    });
    return this.writes.run((m) => this.catalogue.setCurves(m, chosen, version));
  }

  /** Gives fitted curves up, and the base where that is wanted. @throws ProblemError `not-found`. */
  forget(materialIds: readonly string[], base: boolean): Promise<MaterialWire[]> {
    return this.writes.run(async (m) => {
      if (base) await this.add(m, { curves: [], base: { readings: 0, base: null } });
      return this.catalogue.forgetCurves(m, materialIds);
    });
  }

  private async add(m: EntityManager, learnt: Learnt): Promise<number> {
    const number = ((await m.maximum(LearningEntity, 'number')) ?? 0) + 1;
    await this.store.insert(m, { number, learnt });
    return number;
  }

  /** Nobody has learnt anything in a new workspace; what the demo has learnt comes with its bars. */
  fill(): Promise<void> {
    return Promise.resolve();
  }
}
