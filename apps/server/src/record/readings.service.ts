import { Injectable } from '@nestjs/common';
import { type ReadingWrite } from '@kleur/contract';
import { actualsOf } from '@kleur/core/day';
import {
  hoursBetween,
  type Reading,
  READING_PROBLEM_TEXT,
  type ReadingProblem,
  readingProblem,
} from '@kleur/core/evidence';
import { type Plan } from '@kleur/core/plan';
import { type EntityManager, In } from 'typeorm';
import { BatchesService } from '../batches/batches.service.ts';
import { LogService } from '../log/log.service.ts';
import { notFound, ProblemError } from '../problems/problem.ts';
import { SettingsService } from '../settings/settings.service.ts';
import { Documents, type DocumentStore } from '../storage/document-store.ts';
import { WriteQueue } from '../storage/write-queue.ts';
import { ReadingEntity } from './reading.entity.ts';

const readingOf = ({ id, potId, hours, reading }: ReadingEntity): Reading => ({
  ...reading,
  id,
  potId,
  hours,
});

/** The field of a reading that a problem is of. */
const FIELD: Readonly<Record<ReadingProblem, string>> = {
  'before-the-pour': 'on',
  'no-such-pot': 'potId',
  'no-such-face': 'face',
  'same-again': 'lab',
  'too-many': 'id',
  'not-poured': 'on',
};

/** What was seen of the pots of each batch. */
@Injectable()
export class ReadingsService {
  private readonly store: DocumentStore<ReadingEntity>;

  constructor(
    documents: Documents,
    private readonly writes: WriteQueue,
    private readonly batches: BatchesService,
    private readonly log: LogService,
    private readonly settings: SettingsService,
  ) {
    this.store = documents.of(ReadingEntity, 'The reading');
  }

  /** The earliest first. @throws ProblemError `not-found`. */
  async list(batchId: string): Promise<Reading[]> {
    await this.batches.head(batchId);
    const rows = await this.store.find({ where: { batchId }, order: { hours: 'ASC', createdAt: 'ASC' } });
    return this.store.readAll(rows, readingOf);
  }

  /** Days on which bars of each batch were read. */
  async days(): Promise<Map<string, string[]>> {
    return new Map([...(await this.all())].map(([id, list]) => [id, [...new Set(list.map((r) => r.on))]]));
  }

  /** Of all batches that were read, by the batch. */
  async all(): Promise<Map<string, Reading[]>> {
    return this.byBatch(await this.store.find({ order: { hours: 'ASC' } }));
  }

  /** Of several batches at once, by the batch. */
  async ofBatches(ids: readonly string[]): Promise<Map<string, Reading[]>> {
    return this.byBatch(await this.store.find({ where: { batchId: In([...ids]) }, order: { hours: 'ASC' } }));
  }

  private byBatch(rows: readonly ReadingEntity[]): Map<string, Reading[]> {
    const found = new Map<string, Reading[]>();
    for (const row of rows) {
      const [reading] = this.store.readAll([row], readingOf);
      if (reading) found.set(row.batchId, [...(found.get(row.batchId) ?? []), reading]);
    }
    return found;
  }

  /**
   * Adds readings, each once: one that the server has already is the same one sent again. All of them or none.
   * @throws ProblemError `not-found`; `invalid-input` for one dated before the pour, of a pot or a face that is not
   *   there, or that was read already.
   */
  async add(batchId: string, sent: readonly ReadingWrite[]): Promise<Reading[]> {
    const [{ madeOn }, { plan }] = await Promise.all([
      this.batches.head(batchId),
      this.batches.poured(batchId),
    ]);
    const { entries } = await this.log.list(batchId, 0);
    const { measuring } = await this.settings.get();
    // Pots that came up at the bench can be read too.
    const made: Plan = entries.length > 0 ? actualsOf(plan, measuring, entries).plan : plan;
    return this.writes.run(async (m) => {
      const had = await m.findBy(ReadingEntity, { batchId });
      const known = this.store.readAll(had, readingOf);
      const added: Reading[] = [];
      for (const [i, write] of sent.entries()) {
        const before = known.find((r) => r.id === write.id);
        if (before) {
          added.push(before);
          continue;
        }
        const problem = readingProblem({ plan: made, madeOn, readings: [...known, ...added] }, write);
        if (problem)
          throw new ProblemError('invalid-input', READING_PROBLEM_TEXT[problem], [
            { path: `${i}.${FIELD[problem]}`, message: READING_PROBLEM_TEXT[problem] },
          ]);
        if (await m.existsBy(ReadingEntity, { id: write.id }))
          throw new ProblemError('invalid-input', 'A reading with this id belongs to another batch.');
        const reading: Reading = { ...write, hours: hoursBetween(madeOn ?? write.on, write.on) };
        await this.insert(m, batchId, reading);
        added.push(reading);
      }
      return added;
    });
  }

  /** Inside a running write. */
  async insert(m: EntityManager, batchId: string, reading: Reading): Promise<void> {
    const { id, potId, hours, ...rest } = reading;
    await this.store.insert(m, { batchId, potId, hours, reading: rest }, { id });
  }

  /** @throws ProblemError `not-found`. */
  async setDeleted(batchId: string, id: string, deleted: boolean): Promise<Reading> {
    const row = await this.store.setDeleted(id, deleted);
    if (row.batchId !== batchId) throw notFound('The reading');
    return this.store.read(row, readingOf);
  }
}
