import { Injectable, type OnApplicationBootstrap } from '@nestjs/common';
import {
  type BatchDocument,
  type BatchPage,
  type BatchSummary,
  type BatchWrite,
  isMade,
  PAGE_LIMITS,
  type Poured,
} from '@kleur/contract';
import { predictedOf } from '@kleur/core/evidence';
import { type Plan, PLAN_LIMITS, integrityProblems, soundRows, upgradePlan } from '@kleur/core/plan';
import { type EntityManager, type FindOptionsWhere, In, IsNull, Raw } from 'typeorm';
import { demoBatches, demoWrite } from '../demo/data/demo-batches.ts';
import { notFound, ProblemError } from '../problems/problem.ts';
import { named } from '../problems/named.ts';
import { serverDay } from '../storage/server-zone.ts';
import { Documents, type DocumentStore } from '../storage/document-store.ts';
import { WriteQueue } from '../storage/write-queue.ts';
import { isUnreadable } from '../storage/json-column.ts';
import { type Content, type FirstContent } from '../storage/domain.ts';
import { BatchEntity, type PouredColumn } from './batch.entity.ts';
import { faceOf } from './face.ts';
import { type BatchUses, usesOf } from './uses.ts';

export { type BatchUses };

export interface BatchQuery {
  readonly page?: number;
  readonly pageSize?: number;
  readonly q?: string;
  readonly state?: BatchEntity['state'];
}

const summary = (e: BatchEntity): BatchSummary => ({
  id: e.id,
  name: e.name,
  state: e.state,
  madeOn: e.madeOn,
  totalOils: e.totalOils,
  // Worked out at the next save anew, so that a damaged one costs the colours in the list only.
  face: isUnreadable(e.face) ? [] : e.face,
  onHold: e.onHold === true,
  version: e.version,
  updatedAt: e.updatedAt,
});

function document(e: BatchEntity): BatchDocument {
  const { plan, leftOut } = soundRows(upgradePlan(e.plan));
  // Fails on what is no plan, which would fail in the browser otherwise. What only disagrees opens, and is told there.
  integrityProblems(plan);
  return {
    id: e.id,
    name: e.name,
    state: e.state,
    madeOn: e.madeOn,
    plan,
    version: e.version,
    parentId: e.parentId,
    onHold: e.onHold === true,
    createdAt: e.createdAt,
    updatedAt: e.updatedAt,
    ...(leftOut > 0 ? { leftOut } : {}),
  };
}

/** The batch of the demo that is opened as an example. */
const EXAMPLE = 'Kingfisher';

/** Tells from what was said of a batch whether it is on hold, inside a running write. */
export type HoldJudge = (m: EntityManager, batch: HeldBatch) => Promise<boolean>;
export interface HeldBatch {
  readonly id: string;
  readonly state: BatchEntity['state'];
  /** As it was poured; the present one while it was not. */
  readonly plan: Plan;
}

/** Everything but the plan, which is most of a row. */
const HEAD = {
  id: true,
  name: true,
  state: true,
  madeOn: true,
  totalOils: true,
  face: true,
  onHold: true,
  version: true,
  updatedAt: true,
} as const;

/** Names that hold the text as it is written, in any case. */
const holds = (text: string): FindOptionsWhere<BatchEntity>['name'] => {
  const escaped = text.replace(/[\\%_]/g, '\\$&');
  return Raw((column) => `${column} LIKE :pattern ESCAPE '\\'`, { pattern: `%${escaped}%` });
};

@Injectable()
export class BatchesService implements Content, OnApplicationBootstrap {
  private readonly store: DocumentStore<BatchEntity>;
  /** The domain that knows log and record sets it; without one nothing is on hold. */
  private judge: HoldJudge = () => Promise.resolve(false);

  constructor(
    documents: Documents,
    private readonly writes: WriteQueue,
  ) {
    this.store = documents.of(BatchEntity, 'The batch');
  }

  /** Rows of older versions do not say yet what their plans use. */
  async onApplicationBootstrap(): Promise<void> {
    const rows = await this.store.find({
      select: { id: true, plan: true },
      where: { uses: Raw((c) => `${c} = '{}'`) },
    });
    for (const { id, plan } of rows) {
      try {
        const uses = usesOf(soundRows(upgradePlan(plan)).plan);
        // Not an edit: neither version nor dates change.
        await this.writes.run((m) =>
          m.query('UPDATE "batch" SET "uses" = ? WHERE "id" = ?', [JSON.stringify(uses), id]),
        );
      } catch {
        // One that cannot be read is found by its name only.
      }
    }
  }

  /** What all batches use, for what is searched and laid out in time. Deleted ones are not among them. */
  async allUses(): Promise<(BatchSummary & { readonly uses: BatchUses | null })[]> {
    const rows = await this.store.find({
      select: { ...HEAD, uses: true },
      order: { updatedAt: 'DESC', id: 'ASC' },
    });
    return rows.map((row) => ({
      ...summary(row),
      uses: isUnreadable(row.uses) || !row.uses.materials ? null : (row.uses as BatchUses),
    }));
  }

  async list({ page = 1, pageSize = PAGE_LIMITS.defaultSize, q, state }: BatchQuery): Promise<BatchPage> {
    const where = { ...(state ? { state } : {}), ...(q?.trim() ? { name: holds(q.trim()) } : {}) };
    const [rows, total] = await Promise.all([
      this.store.find({
        select: HEAD,
        where,
        order: { updatedAt: 'DESC', id: 'ASC' },
        skip: (page - 1) * pageSize,
        take: pageSize,
      }),
      // Counted apart: a count over the selected columns leaves out rows in which one of them is null.
      this.store.count(where),
    ]);
    return { items: rows.map(summary), total, page, pageSize };
  }

  async get(id: string): Promise<BatchDocument> {
    return this.document(await this.store.get(id));
  }

  async head(id: string): Promise<BatchSummary> {
    const [row] = await this.store.find({ select: HEAD, where: { id }, take: 1 });
    if (!row) throw notFound('The batch');
    return summary(row);
  }

  /** @param parentId the batch that it is a further version of */
  async create(input: BatchWrite, parentId: string | null = null): Promise<BatchDocument> {
    const sound = checked(input);
    return this.writes.run(async (m) => {
      const poured = pouredOf(sound, null);
      const row = await this.store.insert(m, { ...columns(sound), onHold: false, parentId, poured });
      row.onHold = await this.renewHold(m, row.id);
      return document(row);
    });
  }

  async example(): Promise<BatchDocument> {
    const [demo] = demoBatches().filter((b) => b.name === EXAMPLE);
    if (!demo) throw new Error(`The demo has no ${EXAMPLE}`);
    return this.create(demoWrite(demo, serverDay()));
  }

  async copy(id: string): Promise<BatchDocument> {
    const { plan, name } = this.document(await this.store.get(id));
    const copied = `${name.slice(0, PLAN_LIMITS.name - ' (copy)'.length)} (copy)`;
    return this.create({ name: copied, state: 'idea', madeOn: null, plan });
  }

  async update(id: string, version: number, input: BatchWrite): Promise<BatchDocument> {
    const sound = checked(input);
    return this.writes.run(async (m) => {
      const row = await this.store.change(m, id, version, (before) => ({
        ...columns(sound),
        poured: pouredOf(sound, before),
      }));
      row.onHold = await this.renewHold(m, id);
      return document(row);
    });
  }

  judgeHoldsBy(judge: HoldJudge): void {
    this.judge = judge;
  }

  /** Works out anew whether a batch is on hold, inside a running write. Not an edit: neither version nor dates change. */
  async renewHold(m: EntityManager, id: string): Promise<boolean> {
    const row = await m.findOne(BatchEntity, { where: { id }, withDeleted: true });
    if (!row) return false;
    let onHold = row.onHold ?? false;
    try {
      const kept = isUnreadable(row.poured) ? {} : row.poured;
      const { plan } = soundRows(upgradePlan(kept.plan ?? row.plan));
      onHold = await this.judge(m, { id, state: row.state, plan });
    } catch {
      // What cannot be read stays as it was.
    }
    if (onHold !== row.onHold)
      await m.query('UPDATE "batch" SET "on_hold" = ? WHERE "id" = ?', [onHold ? 1 : 0, id]);
    return onHold;
  }

  /** Batches of older versions, of which nobody has worked out whether they are on hold. */
  async withoutHold(): Promise<string[]> {
    const rows = await this.store.find({ select: { id: true }, where: { onHold: IsNull() } });
    return rows.map((r) => r.id);
  }

  /** Plan and prediction as they were at the pour. @throws ProblemError `not-found`, `unreadable-row`. */
  async poured(id: string): Promise<Poured> {
    const row = await this.store.get(id);
    const kept = isUnreadable(row.poured) ? {} : row.poured;
    const { plan } = this.document(row);
    if (!kept.plan || !kept.predicted || !kept.at) return { plan, predicted: predictedOf(plan), at: null };
    return { plan: soundRows(upgradePlan(kept.plan)).plan, predicted: kept.predicted, at: kept.at };
  }

  /** All versions that a batch belongs to, the first one first. @throws ProblemError `not-found`. */
  async lineOf(id: string): Promise<(BatchSummary & { readonly parentId: string | null })[]> {
    const select = { ...HEAD, parentId: true, createdAt: true } as const;
    const find = (where: FindOptionsWhere<BatchEntity>): Promise<BatchEntity[]> =>
      this.store.find({ select, where, order: { createdAt: 'ASC' } });
    let [first] = await find({ id });
    if (!first) throw notFound('The batch');
    // Up to the first that is still there, then all that came of it, level by level.
    const seen = new Set([first.id]);
    while (first.parentId !== null && !seen.has(first.parentId)) {
      const [parent] = await find({ id: first.parentId });
      if (!parent) break;
      seen.add(parent.id);
      first = parent;
    }
    const line = [first];
    const had = new Set([first.id]);
    for (let level = [first.id]; level.length > 0 && line.length < MOST_VERSIONS;) {
      const children = (await find({ parentId: In(level) })).filter((c) => !had.has(c.id));
      children.forEach((c) => had.add(c.id));
      line.push(...children);
      level = children.map((c) => c.id);
    }
    return line.map((e) => ({ ...summary(e), parentId: e.parentId }));
  }

  async setDeleted(id: string, deleted: boolean): Promise<BatchSummary> {
    return summary(await this.store.setDeleted(id, deleted));
  }

  /** New days of several batches, all of them or none. @throws ProblemError `not-found`, `stale-version`. */
  async setDays(
    days: readonly { readonly id: string; readonly version: number; readonly madeOn: string }[],
  ): Promise<void> {
    await this.writes.run(async (m) => {
      for (const { id, version, madeOn } of days) await this.store.change(m, id, version, () => ({ madeOn }));
    });
  }

  private document(row: BatchEntity): BatchDocument {
    // The colours are for the list alone: damaged ones are no reason not to open the batch.
    row.face = [];
    return this.store.read(row, document);
  }

  /** All batches, inside a running write. */
  async allOf(m: EntityManager): Promise<BatchDocument[]> {
    return (await m.find(BatchEntity)).map(document);
  }

  /** A batch by its name, inside a running write; null without one. */
  async named(m: EntityManager, name: string): Promise<BatchDocument | null> {
    const row = await m.findOneBy(BatchEntity, { name });
    return row && document(row);
  }

  async fill(m: EntityManager, first: FirstContent): Promise<void> {
    if (first !== 'demo') return;
    const now = new Date();
    const ids = new Map<string, string>();
    for (const [i, { name, from, row, poured }] of demoRows(serverDay()).entries()) {
      const parentId = (from === undefined ? undefined : ids.get(from)) ?? null;
      const { id } = await this.store.insert(
        m,
        { ...row, onHold: false, parentId, poured: poured.at ? { ...poured, at: now.toISOString() } : {} },
        { date: new Date(now.getTime() + i) },
      );
      ids.set(name, id);
    }
  }
}

interface DemoRow {
  readonly name: string;
  /** The batch that it is made again from. */
  readonly from: string | undefined;
  readonly row: ReturnType<typeof columns>;
  readonly poured: Partial<PouredColumn>;
}
let lastRows: { readonly today: string; readonly rows: readonly DemoRow[] } | null = null;

/** What the demo is filled with, worked out once a day: each reset writes the same rows. */
function demoRows(today: string): readonly DemoRow[] {
  if (lastRows?.today !== today) {
    const rows = demoBatches().map((batch): DemoRow => {
      const write = demoWrite(batch, today);
      return { name: batch.name, from: batch.from, row: columns(write), poured: pouredOf(write, null) };
    });
    lastRows = { today, rows };
  }
  return lastRows.rows;
}

const columns = (input: BatchWrite) => ({
  name: input.name,
  state: input.state,
  madeOn: input.madeOn,
  plan: input.plan,
  totalOils: input.plan.base.totalOils,
  face: faceOf(input.plan),
  uses: usesOf(input.plan),
});

/** More versions of one batch are not shown. */
const MOST_VERSIONS = 200;

/**
 * What is put down when a batch is poured, and stays. A batch that goes back to being planned was not poured after all:
 * its next pour is put down anew.
 */
function pouredOf(input: BatchWrite, row: BatchEntity | null): Partial<PouredColumn> {
  if (!isMade(input.state)) return {};
  if (row && isMade(row.state) && !isUnreadable(row.poured) && row.poured.at) return row.poured;
  return { at: new Date().toISOString(), plan: input.plan, predicted: predictedOf(input.plan) };
}

/** @throws ProblemError for a blank name and for a plan that does not hold together. */
function checked(input: BatchWrite): BatchWrite {
  const problems = integrityProblems(input.plan);
  if (problems.length > 0) {
    const unknown = problems.every((p) => p.code === 'unknown-material');
    throw new ProblemError(
      unknown ? 'unknown-material' : 'inconsistent-plan',
      problems[0]!.message,
      problems.map((p) => ({ path: `plan.${p.path}`, message: p.message })),
    );
  }
  return named(input, 'A batch');
}
