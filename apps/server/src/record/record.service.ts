import { Injectable } from '@nestjs/common';
import { type AgainWrite, type BatchDocument, type LineBatch, type RecordWire } from '@kleur/contract';
import { screenColourFromLabD65 } from '@kleur/core/colour';
import { type Reading } from '@kleur/core/evidence';
import { type BatchRecord, emptyRecord, verdictOn } from '@kleur/core/record';
import { type EntityManager, In } from 'typeorm';
import { BatchesService } from '../batches/batches.service.ts';
import { demoOutcome } from '../demo/data/demo-record.ts';
import { FilesService } from '../files/files.service.ts';
import { staleVersion } from '../problems/problem.ts';
import { Documents, type DocumentStore } from '../storage/document-store.ts';
import { type Content, type FirstContent } from '../storage/domain.ts';
import { WriteQueue } from '../storage/write-queue.ts';
import { ReadingsService } from './readings.service.ts';
import { RecordEntity } from './record.entity.ts';

/** What is missing of a record is as it is of a new one. */
const present = ({ record }: RecordEntity): BatchRecord => ({
  ...emptyRecord,
  ...record,
  cut: { ...emptyRecord.cut, ...record.cut },
});

const wire = (row: RecordEntity): RecordWire => ({ record: present(row), version: row.version });

/** What is known of each batch after the pour. */
@Injectable()
export class RecordService implements Content {
  private readonly store: DocumentStore<RecordEntity>;

  constructor(
    documents: Documents,
    private readonly writes: WriteQueue,
    private readonly batches: BatchesService,
    private readonly readings: ReadingsService,
    private readonly files: FilesService,
  ) {
    this.store = documents.of(RecordEntity, 'The record');
  }

  /** @throws ProblemError `not-found`; `unreadable-row`. */
  async get(batchId: string): Promise<RecordWire> {
    await this.batches.head(batchId);
    const [row] = await this.store.find({ where: { id: batchId } });
    return row ? this.store.read(row, wire) : { record: emptyRecord, version: 0 };
  }

  /** @throws ProblemError `not-found`, `stale-version`. */
  async put(batchId: string, { record, version }: RecordWire): Promise<RecordWire> {
    await this.batches.head(batchId);
    return this.writes.run(async (m) => {
      if (version === 0 && (await m.existsBy(RecordEntity, { id: batchId })))
        throw staleVersion('The record');
      const row =
        version > 0
          ? await this.store.change(m, batchId, version, { record })
          : await this.insert(m, batchId, record);
      await this.batches.renewHold(m, batchId);
      return wire(row);
    });
  }

  /** Inside a running write. */
  async recordOf(m: EntityManager, batchId: string): Promise<BatchRecord> {
    const row = await m.findOneBy(RecordEntity, { id: batchId });
    return row ? this.store.read(row, present) : emptyRecord;
  }

  /** The demo’s batches that were made have been read, cut and judged. */
  async fill(m: EntityManager, first: FirstContent): Promise<void> {
    if (first !== 'demo') return;
    for (const { id, name, plan, madeOn } of await this.batches.allOf(m)) {
      const outcome = demoOutcome(name, plan, madeOn);
      if (!outcome) continue;
      await this.insert(m, id, outcome.record);
      for (const reading of outcome.readings) await this.readings.insert(m, id, reading);
      for (const { name: file, bytes } of outcome.photos) await this.files.put(file, bytes);
    }
  }

  /** Inside a running write. */
  insert(m: EntityManager, batchId: string, record: BatchRecord): Promise<RecordEntity> {
    return this.store.insert(m, { record }, { id: batchId });
  }

  /** Records by the batch: of some, or of all that have one. */
  async ofBatches(ids?: readonly string[]): Promise<Map<string, BatchRecord>> {
    const rows = await this.store.find(ids ? { where: { id: In([...ids]) } } : {});
    return new Map(rows.flatMap((row) => this.store.readAll([row], (r) => [row.id, present(r)] as const)));
  }

  /** A further version of a batch. @throws ProblemError as a new batch does, `not-found`. */
  async again(batchId: string, { name, plan }: AgainWrite): Promise<BatchDocument> {
    await this.batches.head(batchId);
    return this.batches.create({ name, plan, state: 'planned', madeOn: null }, batchId);
  }

  /** All versions that a batch belongs to, the first of them first. @throws ProblemError `not-found`. */
  async line(batchId: string): Promise<LineBatch[]> {
    const versions = await this.batches.lineOf(batchId);
    const ids = versions.map((v) => v.id);
    const [readings, records] = await Promise.all([this.readings.ofBatches(ids), this.ofBatches(ids)]);
    return versions.map(({ parentId, id, name, state, madeOn, face, onHold }) => {
      const record = records.get(id) ?? emptyRecord;
      return {
        id,
        name,
        parentId,
        state,
        madeOn,
        face,
        onHold,
        seen: lastSeen(readings.get(id) ?? []),
        faults: [...new Set(record.faults.map((f) => f.fault))],
        verdict: verdictOn(record, 'batch', ''),
      };
    });
  }
}

/** The colour that was read last of each pot, on a cut face before any other. */
export function lastSeen(readings: readonly Reading[]): { potId: string; hex: string }[] {
  const last = new Map<string, Reading>();
  for (const r of readings) {
    const before = last.get(r.potId);
    const isBetter = !before || r.face === 'cut' || before.face !== 'cut';
    if (isBetter) last.set(r.potId, r);
  }
  return [...last].map(([potId, { lab }]) => ({ potId, hex: screenColourFromLabD65(lab).hex }));
}
