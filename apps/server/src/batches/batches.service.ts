import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { InjectRepository } from '@nestjs/typeorm';
import {
  type BatchDocument,
  type BatchPage,
  type BatchSummary,
  type BatchWrite,
  PAGE_LIMITS,
} from '@kleur/contract';
import { PLAN_LIMITS, planFaults, upgradePlan } from '@kleur/core';
import { type EntityManager, IsNull, Like, Repository } from 'typeorm';
import { notFound, ProblemError, staleVersion } from '../problems/problem.ts';
import { BatchEntity } from '../storage/batch.entity.ts';
import { WriteQueue } from '../storage/write-queue.ts';
import { faceOf } from './face.ts';

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
  face: e.face,
  version: e.version,
  updatedAt: e.updatedAt,
});

const document = (e: BatchEntity): BatchDocument => ({
  id: e.id,
  name: e.name,
  state: e.state,
  madeOn: e.madeOn,
  plan: upgradePlan(e.plan),
  version: e.version,
  createdAt: e.createdAt,
  updatedAt: e.updatedAt,
});

@Injectable()
export class BatchesService {
  constructor(
    @InjectRepository(BatchEntity) private readonly batches: Repository<BatchEntity>,
    private readonly writes: WriteQueue,
  ) {}

  async list({ page = 1, pageSize = PAGE_LIMITS.defaultSize, q, state }: BatchQuery): Promise<BatchPage> {
    const [rows, total] = await this.batches.findAndCount({
      // Everything but the plan, which is most of a row.
      select: {
        id: true,
        name: true,
        state: true,
        madeOn: true,
        totalOils: true,
        face: true,
        version: true,
        updatedAt: true,
      },
      where: {
        deletedAt: IsNull(),
        ...(state ? { state } : {}),
        ...(q?.trim() ? { name: Like(`%${q.trim()}%`) } : {}),
      },
      order: { updatedAt: 'DESC', id: 'ASC' },
      skip: (page - 1) * pageSize,
      take: pageSize,
    });
    return { items: rows.map(summary), total, page, pageSize };
  }

  async get(id: string): Promise<BatchDocument> {
    return document(await this.row(id));
  }

  create(input: BatchWrite): Promise<BatchDocument> {
    checkBatch(input);
    return this.writes.run((m) => this.insert(m, input));
  }

  copy(id: string): Promise<BatchDocument> {
    return this.writes.run(async (m) => {
      const { plan, name } = document(await this.row(id, m));
      const copied = `${name.slice(0, PLAN_LIMITS.name - ' (copy)'.length)} (copy)`;
      return this.insert(m, { name: copied, state: 'idea', madeOn: null, plan });
    });
  }

  update(id: string, version: number, input: BatchWrite): Promise<BatchDocument> {
    checkBatch(input);
    return this.writes.run(async (m) => {
      const row = await this.row(id, m);
      if (row.version !== version) throw staleVersion(`“${row.name}”`);
      Object.assign(row, columns(input), { version: version + 1, updatedAt: new Date().toISOString() });
      return document(await m.save(row));
    });
  }

  setDeleted(id: string, deleted: boolean): Promise<BatchSummary> {
    return this.writes.run(async (m) => {
      const row = await m.findOneBy(BatchEntity, { id });
      if (!row) throw notFound('The batch');
      row.deletedAt = deleted ? new Date().toISOString() : null;
      return summary(await m.save(row));
    });
  }

  /** Inserts inside a running write. `at` sets its dates, for the demo. */
  async insert(m: EntityManager, input: BatchWrite, at = new Date()): Promise<BatchDocument> {
    const now = at.toISOString();
    const row = m.create(BatchEntity, {
      ...columns(input),
      id: randomUUID(),
      version: 1,
      createdAt: now,
      updatedAt: now,
      deletedAt: null,
    });
    return document(await m.save(row));
  }

  private async row(id: string, m?: EntityManager): Promise<BatchEntity> {
    const where = { id, deletedAt: IsNull() };
    const row = m ? await m.findOneBy(BatchEntity, where) : await this.batches.findOneBy(where);
    if (!row) throw notFound('The batch');
    return row;
  }
}

const columns = (input: BatchWrite) => ({
  name: input.name.trim(),
  state: input.state,
  madeOn: input.madeOn,
  plan: input.plan,
  totalOils: input.plan.base.totalOils,
  face: faceOf(input.plan),
});

function checkBatch({ name, plan }: BatchWrite): void {
  if (name.trim() === '') {
    throw new ProblemError('invalid-input', 'A batch needs a name.', [
      { path: 'name', message: 'name may not be empty' },
    ]);
  }
  const faults = planFaults(plan);
  if (faults.length > 0) {
    const unknown = faults.every((f) => f.message.startsWith('The plan holds no material'));
    throw new ProblemError(
      unknown ? 'unknown-material' : 'inconsistent-plan',
      faults[0]!.message,
      faults.map((f) => ({ path: `plan.${f.path}`, message: f.message })),
    );
  }
}
