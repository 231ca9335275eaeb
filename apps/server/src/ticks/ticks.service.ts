import { Injectable } from '@nestjs/common';
import { type Tick, TICK_LIMITS, type TickEntry } from '@kleur/contract';
import { BatchesService } from '../batches/batches.service.ts';
import { ProblemError } from '../problems/problem.ts';
import { Documents, type DocumentStore } from '../storage/document-store.ts';
import { type Content } from '../storage/domain.ts';
import { TickEntity } from './tick.entity.ts';

const entry = ({ id, lineId, done, createdAt }: TickEntity): TickEntry => ({
  id,
  lineId,
  done,
  at: createdAt,
});

/** The ticks of a batch's sheet: a log that only grows, beside the plan and its undo. */
@Injectable()
export class TicksService implements Content {
  private readonly store: DocumentStore<TickEntity>;

  constructor(
    documents: Documents,
    private readonly batches: BatchesService,
  ) {
    this.store = documents.of(TickEntity, 'The tick');
  }

  /** What each line was last said to be, in the order in which lines were first ticked. @throws ProblemError `not-found`. */
  async list(batchId: string): Promise<TickEntry[]> {
    await this.batches.head(batchId);
    const rows = await this.store.find({ where: { batchId }, order: { createdAt: 'ASC' } });
    return [...new Map(rows.map((row) => [row.lineId, entry(row)])).values()];
  }

  /** @throws ProblemError `not-found`; `invalid-input` for a log that is full. */
  async add(batchId: string, { lineId, done }: Tick): Promise<TickEntry> {
    await this.batches.head(batchId);
    if ((await this.store.count({ batchId })) >= TICK_LIMITS.entries) {
      throw new ProblemError('invalid-input', 'This batch has as many ticks as can be kept.');
    }
    return entry(await this.store.create({ batchId, lineId, done }));
  }

  /** No sheet of a new workspace has been ticked. */
  fill(): Promise<void> {
    return Promise.resolve();
  }
}
