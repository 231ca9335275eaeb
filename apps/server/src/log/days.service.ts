import { Injectable } from '@nestjs/common';
import { type BatchDocument, type Look } from '@kleur/contract';
import { type EntryKind, type Learned, learnFrom, type LogEntry, standing } from '@kleur/core/day';
import { BatchesService } from '../batches/batches.service.ts';
import { LogService } from './log.service.ts';

/** So many days, the latest first, are looked through. */
const MOST_DAYS = 200;

/** What all making days together say. */
@Injectable()
export class DaysService {
  constructor(
    private readonly log: LogService,
    private readonly batches: BatchesService,
  ) {}

  /** What the logs say of this maker's pace, minutes and hours, for one batch. @throws ProblemError `not-found` */
  async learned(batchId: string): Promise<Learned> {
    const { plan } = await this.batches.get(batchId);
    const days = await this.days(['done', 'thickness']);
    return learnFrom(
      days.map(({ batch, log }) => ({ plan: batch.plan, log })),
      plan,
    );
  }

  /**
   * The last photo of each step in other batches: of the batch that shares most techniques with this one.
   * @throws ProblemError `not-found`
   */
  async looks(batchId: string): Promise<Look[]> {
    const { plan } = await this.batches.get(batchId);
    const mine = new Set(techniquesOf(plan));
    const found = new Map<string, Look & { readonly alike: number }>();
    for (const { batch, log } of await this.days(['pictured'])) {
      if (batch.id === batchId) continue;
      const alike = techniquesOf(batch.plan).filter((t) => mine.has(t)).length;
      for (const e of standing(log)) {
        if (e.kind !== 'pictured' || e.target === '') continue;
        const best = found.get(e.target);
        if (best && (best.alike > alike || (best.alike === alike && best.at >= e.at))) continue;
        found.set(e.target, {
          step: e.target,
          batchId: batch.id,
          batchName: batch.name,
          at: e.at,
          file: e.text,
          alike,
        });
      }
    }
    return [...found.values()].map(({ alike: _, ...look }) => look);
  }

  private async days(
    kinds: readonly EntryKind[],
  ): Promise<{ readonly batch: BatchDocument; readonly log: LogEntry[] }[]> {
    const logs = await this.log.latest(MOST_DAYS, kinds);
    const days = await Promise.all(
      [...logs].map(async ([id, log]) => {
        // A batch that was deleted or cannot be read says nothing.
        const batch = await this.batches.get(id).catch(() => null);
        return batch ? [{ batch, log }] : [];
      }),
    );
    return days.flat();
  }
}

const techniquesOf = ({ idea: { design } }: BatchDocument['plan']): string[] => [
  ...design.body,
  ...design.layers.map((l) => l.technique),
  ...(design.top === null ? [] : [design.top]),
];
