import { Injectable } from '@nestjs/common';
import { type TestBarWrite } from '@kleur/contract';
import { labD65FromReflectance } from '@kleur/core/colour';
import { TEST_BAR_LIMITS, type TestBar, testBarProblem } from '@kleur/core/evidence';
import { CatalogueService } from '../catalogue/catalogue.service.ts';
import { LearningsService } from '../catalogue/learnings.service.ts';
import { demoBook } from '../demo/data/demo-bars.ts';
import { ProblemError } from '../problems/problem.ts';
import { serverDay } from '../storage/server-zone.ts';
import { Documents, type DocumentStore } from '../storage/document-store.ts';
import { type Content, type FirstContent } from '../storage/domain.ts';
import { WriteQueue } from '../storage/write-queue.ts';
import { type EntityManager } from 'typeorm';
import { TestBarEntity } from './test-bar.entity.ts';

const testBarOf = ({ id, name, bar }: TestBarEntity): TestBar => ({ ...bar, id, name });

/** Bars that were read and belong to no batch. */
@Injectable()
export class TestBarsService implements Content {
  private readonly store: DocumentStore<TestBarEntity>;

  constructor(
    documents: Documents,
    private readonly writes: WriteQueue,
    private readonly catalogue: CatalogueService,
    private readonly learnings: LearningsService,
  ) {
    this.store = documents.of(TestBarEntity, 'The bar');
  }

  /** The latest first. */
  async list(): Promise<TestBar[]> {
    return this.store.readAll(await this.store.find({ order: { createdAt: 'DESC' } }), testBarOf);
  }

  /**
   * Adds bars, each once: one that the server has already is the same one sent again. All of them or none.
   * @throws ProblemError `invalid-input` with the path of what cannot be kept; `unknown-material`.
   */
  async add(sent: readonly TestBarWrite[]): Promise<TestBar[]> {
    const bars = await this.checked(sent, (i) => `bars.${i}.`);
    return this.writes.run(async (m) => {
      const kept = await m.count(TestBarEntity);
      if (kept + bars.length > TEST_BAR_LIMITS.kept)
        throw new ProblemError('invalid-input', `No more than ${TEST_BAR_LIMITS.kept} bars can be kept.`);
      for (const { id, name, ...bar } of bars)
        if (!(await m.exists(TestBarEntity, { where: { id }, withDeleted: true })))
          await this.store.insert(m, { name, bar }, { id });
      return bars;
    });
  }

  /** @throws ProblemError `not-found`. */
  async get(id: string): Promise<TestBar> {
    return this.store.read(await this.store.get(id), testBarOf);
  }

  /** Replaces what was told of a bar. @throws ProblemError `not-found`, and what `add` throws. */
  async correct(id: string, write: TestBarWrite): Promise<TestBar> {
    const [bar] = await this.checked([write], () => '');
    const { id: _id, name, ...rest } = bar!;
    const { version } = await this.store.get(id);
    return this.store.read(await this.store.update(id, version, { name, bar: rest }), testBarOf);
  }

  private async checked(sent: readonly TestBarWrite[], at: (index: number) => string): Promise<TestBar[]> {
    const bars = sent.map((write, i) => asBar(write, at(i).replace(/\.$/, '')));
    await this.catalogue.resolve(
      bars.flatMap(({ doses, oils }, i) => [
        ...doses.map((d, n) => ({ id: d.materialId, path: `${at(i)}doses.${n}.materialId` })),
        ...oils.map((o, n) => ({
          id: o.materialId,
          path: `${at(i)}oils.${n}.materialId`,
          wants: 'oil' as const,
        })),
      ]),
    );
    return bars;
  }

  /** @throws ProblemError `not-found`. */
  async setDeleted(id: string, deleted: boolean): Promise<TestBar> {
    return this.store.read(await this.store.setDeleted(id, deleted), testBarOf);
  }

  /** The demo’s studio has tested some of its colourants, and taken over what their bars say. */
  async fill(m: EntityManager, first: FirstContent): Promise<void> {
    if (first !== 'demo') return;
    const { bars, curves } = await demoBook(serverDay());
    for (const { id, name, ...bar } of bars) await this.store.insert(m, { name, bar }, { id });
    await this.learnings.learn(m, curves, null);
  }
}

/** @throws ProblemError `invalid-input` */
function asBar(write: TestBarWrite, path: string): TestBar {
  const { spectrum } = write;
  const lab = spectrum ? labD65FromReflectance(Float64Array.from(spectrum)) : write.lab;
  if (!lab)
    throw new ProblemError('invalid-input', 'A bar needs a spectrum or a Lab colour.', [
      { path: `${path}.lab`, message: 'give a spectrum or a Lab colour' },
    ]);
  const problem = testBarProblem(write);
  if (problem)
    throw new ProblemError('invalid-input', `“${write.name}” cannot be kept: a dose ${problem.message}.`, [
      { path: `${path}.${problem.path}`, message: problem.message },
    ]);
  return { ...write, lab };
}
