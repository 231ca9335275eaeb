import { Injectable } from '@nestjs/common';
import { type LogPage } from '@kleur/contract';
import { type EntryKind, isWayOf, LOG_LIMITS, type LogEntry } from '@kleur/core/day';
import { type EntityManager, In, MoreThan } from 'typeorm';
import { BatchesService } from '../batches/batches.service.ts';
import { BEING_MADE, demoLog } from '../demo/data/demo-log.ts';
import { ProblemError } from '../problems/problem.ts';
import { Documents, type DocumentStore } from '../storage/document-store.ts';
import { type Content, type FirstContent } from '../storage/domain.ts';
import { WriteQueue } from '../storage/write-queue.ts';
import { LogEntryEntity } from './log-entry.entity.ts';

const entry = ({ id, at, kind, potId, target, by, value, text, simulated }: LogEntryEntity): LogEntry => ({
  id,
  at,
  kind,
  potId,
  target,
  by,
  value,
  text,
  ...(simulated && { simulated }),
});

/** What was said at the bench of each batch: a log that only grows, beside the plan and its undo. */
@Injectable()
export class LogService implements Content {
  private readonly store: DocumentStore<LogEntryEntity>;

  constructor(
    documents: Documents,
    private readonly writes: WriteQueue,
    private readonly batches: BatchesService,
  ) {
    this.store = documents.of(LogEntryEntity, 'The entry');
  }

  /** What came to the server after a cursor. @throws ProblemError `not-found`. */
  async list(batchId: string, after: number): Promise<LogPage> {
    await this.batches.head(batchId);
    const rows = await this.store.find({
      where: { batchId, place: MoreThan(after) },
      order: { place: 'ASC' },
    });
    return { entries: rows.map(entry), cursor: rows.at(-1)?.place ?? after };
  }

  /**
   * Adds entries, each once: what the server has already is the same entry sent again, and stays as it is.
   * @throws ProblemError `not-found`; `invalid-input` for a way of saying that the kind does not have, an id that
   *   another batch has used, or a log that is full. Nothing is added then.
   */
  async add(batchId: string, entries: readonly LogEntry[]): Promise<void> {
    await this.batches.head(batchId);
    entries.forEach(({ kind, by }, i) => {
      if (!isWayOf(kind, by))
        throw new ProblemError('invalid-input', `An entry “${kind}” cannot be said by “${by}”.`, [
          { path: `entries.${i}.by`, message: 'is not a way to say this' },
        ]);
    });
    await this.writes.run(async (m) => {
      const ids = [...new Set(entries.map((e) => e.id))];
      const known = await m.find(LogEntryEntity, { where: { id: In(ids) }, withDeleted: true });
      if (known.some((k) => k.batchId !== batchId))
        throw new ProblemError('invalid-input', 'An entry with this id belongs to another batch.');
      const had = new Set(known.map((k) => k.id));
      let place = (await m.maximum(LogEntryEntity, 'place', { batchId })) ?? 0;
      for (const { id, ...columns } of entries) {
        if (had.has(id)) continue;
        had.add(id);
        if (++place > LOG_LIMITS.entries)
          throw new ProblemError('invalid-input', 'This batch has as many entries as can be kept.');
        await this.store.insert(
          m,
          { ...columns, simulated: columns.simulated ?? false, batchId, place },
          { id },
        );
      }
      await this.batches.renewHold(m, batchId);
    });
  }

  /** The whole log of a batch, inside a running write. */
  async entriesOf(m: EntityManager, batchId: string): Promise<LogEntry[]> {
    return (await m.find(LogEntryEntity, { where: { batchId }, order: { place: 'ASC' } })).map(entry);
  }

  /** When steps were done, ms since 1970, by the batch and the step; what was taken back is not among it. */
  async doneAt(steps: readonly string[]): Promise<Map<string, Map<string, number>>> {
    const rows = await this.store.find({
      where: [{ kind: 'done', target: In([...steps]) }, { kind: 'voided' }],
      order: { at: 'ASC' },
    });
    const voided = new Set(rows.filter((r) => r.kind === 'voided').map((r) => r.target));
    const found = new Map<string, Map<string, number>>();
    for (const { id, kind, batchId, target, at } of rows) {
      if (kind !== 'done' || voided.has(id)) continue;
      found.set(batchId, (found.get(batchId) ?? new Map<string, number>()).set(target, at));
    }
    return found;
  }

  /** What of these kinds was said of the batches that were spoken of last, by the batch. */
  async latest(batches: number, kinds: readonly EntryKind[]): Promise<Map<string, LogEntry[]>> {
    const where = { kind: In([...kinds, 'voided']) };
    const rows = await this.store.find({ where, order: { at: 'DESC' } });
    const logs = new Map<string, LogEntry[]>();
    for (const row of rows) {
      const log = logs.get(row.batchId);
      if (log) log.push(entry(row));
      else if (logs.size < batches) logs.set(row.batchId, [entry(row)]);
    }
    return logs;
  }

  /** One batch of the demo is in the middle of its making day. */
  async fill(m: EntityManager, first: FirstContent): Promise<void> {
    const batch = first === 'demo' ? await this.batches.named(m, BEING_MADE) : null;
    if (!batch) return;
    for (const [i, { id, ...columns }] of demoLog(batch.plan, new Date()).entries())
      await this.store.insert(m, { ...columns, simulated: false, batchId: batch.id, place: i + 1 }, { id });
  }
}
