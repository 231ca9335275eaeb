import { Injectable } from '@nestjs/common';
import {
  type LedgerPage,
  type LedgerQuery,
  PAGE_LIMITS,
  type PastOf,
  type PastResult,
} from '@kleur/contract';
import { printRows } from '@kleur/core/formats';
import { faultById, type LearnedLoss, learnLoss, verdictOn } from '@kleur/core/record';
import { BatchesService } from '../batches/batches.service.ts';
import { ReadingsService } from '../record/readings.service.ts';
import { lastSeen, RecordService } from '../record/record.service.ts';
import { WriteQueue } from '../storage/write-queue.ts';
import { curedPots, type IndexedBatch, search, shown } from './ledger-index.ts';

/** So many past results are shown where something is chosen. */
const LAST = 3;

/** Finds batches by what is in them, how they look and what became of them. */
@Injectable()
export class LedgerService {
  private known: { readonly state: string; readonly index: readonly IndexedBatch[] } | null = null;

  constructor(
    private readonly batches: BatchesService,
    private readonly records: RecordService,
    private readonly readings: ReadingsService,
    private readonly writes: WriteQueue,
  ) {}

  async page({ page, ...query }: LedgerQuery): Promise<LedgerPage> {
    const found = search(await this.index(), query);
    const pageSize = PAGE_LIMITS.defaultSize;
    return {
      items: found.slice((page - 1) * pageSize, page * pageSize).map(shown),
      total: found.length,
      page,
      pageSize,
    };
  }

  /** All batches that fit, as rows of a table. */
  async csv(query: Omit<LedgerQuery, 'page'>): Promise<string> {
    const index = await this.index();
    const byId = new Map(index.map((b) => [b.summary.id, b]));
    const records = await this.records.ofBatches();
    const heads = [
      'name',
      'state',
      'made on',
      'oils g',
      'pots',
      'techniques',
      'moulds',
      'faults',
      'verdict',
      'bars',
      'cut g',
      'cured g',
    ];
    const rows = search(index, query).map(({ summary: { id, name, state, madeOn, totalOils, face } }) => {
      const record = records.get(id);
      const uses = byId.get(id)?.uses;
      const verdict = record ? verdictOn(record, 'batch', '') : null;
      const figure = (v: number | null | undefined): string =>
        v === null || v === undefined ? '' : String(v);
      return [
        name,
        state,
        madeOn ?? '',
        String(totalOils),
        face.map((f) => `${f.name} ${f.hex}`).join('; '),
        uses?.techniques.join('; ') ?? '',
        uses?.moulds.map((m) => `${m.count} x ${m.name}`).join('; ') ?? '',
        [...new Set(record?.faults.map((f) => faultById(f.fault).name))].join('; '),
        verdict ? `${verdict.says}${verdict.text ? `: ${verdict.text}` : ''}` : '',
        figure(record?.cut.bars),
        figure(record?.cut.atCut),
        figure(record?.cut.cured),
      ];
    });
    return printRows([heads, ...rows]);
  }

  /** The last batches that were made with something, and how they came out. */
  async past(of: PastOf, ref: string, besides?: string): Promise<PastResult[]> {
    const uses = ({ uses: u }: IndexedBatch): boolean =>
      u !== null &&
      (of === 'technique'
        ? u.techniques.includes(ref)
        : of === 'mould'
          ? u.moulds.some((m) => m.name === ref)
          : u.materials.includes(ref));
    const made = (await this.index())
      .filter(
        (b) =>
          b.summary.id !== besides && ['poured', 'curing', 'finished'].includes(b.summary.state) && uses(b),
      )
      .sort((a, b) => (b.summary.madeOn ?? '').localeCompare(a.summary.madeOn ?? ''))
      .slice(0, LAST);
    const ids = made.map((b) => b.summary.id);
    const [records, readings] = await Promise.all([
      this.records.ofBatches(ids),
      this.readings.ofBatches(ids),
    ]);
    return made.map(({ summary: { id, name, madeOn, face } }) => {
      const record = records.get(id);
      return {
        batchId: id,
        name,
        madeOn,
        face,
        seen: lastSeen(readings.get(id) ?? []),
        verdict: record ? (verdictOn(record, of, ref) ?? verdictOn(record, 'batch', '')) : null,
        faults: [...new Set(record?.faults.map((f) => f.fault))],
      };
    });
  }

  /** How this maker’s bars lose water on recipes like that of a batch. @throws ProblemError `not-found` */
  async losses(batchId: string): Promise<LearnedLoss | null> {
    const { plan } = await this.batches.get(batchId);
    const records = await this.records.ofBatches();
    const weighed = [...records].filter(([, { cut }]) => cut.atCut !== null && cut.cured !== null);
    const batches = await Promise.all(
      weighed.map(async ([id, { cut }]) => {
        const batch = await this.batches.get(id).catch(() => null);
        return batch ? [{ plan: batch.plan, cut }] : [];
      }),
    );
    return learnLoss(batches.flat(), plan);
  }

  /** Worked out anew when anything that it is made of was saved. */
  private async index(): Promise<readonly IndexedBatch[]> {
    const state = await this.writes.stateOf(['batch', 'batch_record', 'reading']);
    if (this.known?.state === state) return this.known.index;
    const [all, records, readings] = await Promise.all([
      this.batches.allUses(),
      this.records.ofBatches(),
      this.readings.all(),
    ]);
    const index = all.map(({ uses, ...summary }): IndexedBatch => ({
      summary,
      uses,
      faults: new Set(records.get(summary.id)?.faults.map((f) => f.fault)),
      pots: curedPots(uses, readings.get(summary.id) ?? []),
    }));
    this.known = { state, index };
    return index;
  }
}
