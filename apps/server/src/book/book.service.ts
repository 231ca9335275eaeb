import { Injectable } from '@nestjs/common';
import { type BookEntry, type BookFit, FIT_LIMITS, type MaterialWire } from '@kleur/contract';
import { actualsOf } from '@kleur/core/day';
import { asFitReading, type BookReading, bookReadings, fitMaterial } from '@kleur/core/evidence';
import { printCgats, printRows } from '@kleur/core/formats';
import { type FitMaterial, type FitProblem, type FitResult } from '@kleur/core/fit';
import { BatchesService } from '../batches/batches.service.ts';
import { CatalogueService } from '../catalogue/catalogue.service.ts';
import { HeavyService } from '../heavy/heavy.service.ts';
import { LogService } from '../log/log.service.ts';
import { ProblemError } from '../problems/problem.ts';
import { ReadingsService } from '../record/readings.service.ts';
import { RecordService } from '../record/record.service.ts';
import { SettingsService } from '../settings/settings.service.ts';

interface OfBatch extends BookReading {
  readonly batchId: string;
  readonly batchName: string;
}

/** What stands beside a colour in a file. Doses in g/kg oils by the ids of the shelf. */
const restOf = ({ doses, hours, gel, face, how }: BookEntry) => ({
  DOSES: doses.map((d) => `${d.materialId}=${Number(d.dose.toPrecision(4))}`).join(' '),
  HOURS: String(hours),
  GEL: String(gel),
  FACE: face,
  HOW: how,
});

/** What the maker's own bars say of their colourants. */
@Injectable()
export class BookService {
  constructor(
    private readonly batches: BatchesService,
    private readonly catalogue: CatalogueService,
    private readonly readings: ReadingsService,
    private readonly records: RecordService,
    private readonly log: LogService,
    private readonly settings: SettingsService,
    private readonly heavy: HeavyService,
  ) {}

  /** Readings of all batches, the latest first. */
  async entries(): Promise<BookEntry[]> {
    return (await this.all()).map(({ batchId, batchName, potName, doses, stage, reading }) => ({
      id: reading.id,
      batchId,
      batchName,
      potName,
      on: reading.on,
      hours: reading.hours,
      face: reading.face,
      gel: stage.gel,
      how: reading.how,
      doubt: reading.doubt,
      lab: reading.lab,
      doses,
    }));
  }

  /** All readings as CGATS text: Lab for D65, and beside it what was in the pot and how old and gelled the face was. */
  async cgats(): Promise<string> {
    return printCgats(
      (await this.entries()).map((e) => ({
        name: `${e.batchName}, ${e.potName}`,
        spectrum: null,
        lab: e.lab,
        rest: restOf(e),
      })),
    );
  }

  /** The same as rows of a table. */
  async csv(): Promise<string> {
    const entries = await this.entries();
    const heads = ['batch', 'pot', 'on', 'L', 'a', 'b', 'doubt', 'doses', 'hours', 'gel', 'face', 'how'];
    const rows = entries.map((e) => {
      const { DOSES, HOURS, GEL, FACE, HOW } = restOf(e);
      return [
        e.batchName,
        e.potName,
        e.on,
        ...e.lab.map((v) => v.toFixed(2)),
        String(e.doubt),
        DOSES,
        HOURS,
        GEL,
        FACE,
        HOW,
      ];
    });
    return printRows([heads, ...rows]);
  }

  /** What all readings together say of the shelf's curves. The base stays as predictions know it. */
  async fit(): Promise<BookFit> {
    const { materials, readings, typicalMiss } = await this.fitted();
    return { materials: materials.filter((m) => m.readings > 0), readings, typicalMiss };
  }

  /**
   * Takes the fitted curves of some colourants over into the shelf. Plans keep the copies that they were made with.
   * @throws ProblemError `invalid-input` for one that no reading holds; `not-found`.
   */
  async accept(materialIds: readonly string[]): Promise<MaterialWire[]> {
    const { materials } = await this.fitted();
    const chosen = materialIds.map((id, i) => {
      const fitted = materials.find((m) => m.id === id && m.readings > 0);
      if (!fitted)
        throw new ProblemError('invalid-input', 'No bar that was read holds one of these colourants.', [
          { path: `materialIds.${i}`, message: 'no reading holds it' },
        ]);
      return fitted;
    });
    return this.catalogue.setCurves(chosen);
  }

  /** Gives fitted curves up: they follow from the entries alone again. @throws ProblemError `not-found`. */
  forget(materialIds: readonly string[]): Promise<MaterialWire[]> {
    return this.catalogue.forgetCurves(materialIds);
  }

  private async fitted(): Promise<FitResult> {
    return this.heavy.admit(async () => this.heavy.fit(await this.problem()));
  }

  private async problem(): Promise<FitProblem> {
    const [shelf, all] = await Promise.all([this.catalogue.list(), this.all()]);
    const known = new Map<string, FitMaterial>();
    for (const m of shelf) {
      const material = fitMaterial(m);
      if (material) known.set(m.id, material);
    }
    // What is not on the shelf any more cannot be told apart from the rest of its pot.
    const readings = all.map(asFitReading).filter((r) => r.parts.every((p) => known.has(p.id)));
    const used = new Set(readings.flatMap((r) => r.parts.map((p) => p.id)));
    return { materials: [...known.values()].filter((m) => used.has(m.id)), readings, holdsBase: true };
  }

  private async all(): Promise<OfBatch[]> {
    const [byBatch, { measuring }, records] = await Promise.all([
      this.readings.all(),
      this.settings.get(),
      this.records.ofBatches(),
    ]);
    const batches = await Promise.all(
      [...byBatch].map(async ([batchId, readings]): Promise<OfBatch[]> => {
        // A batch that was deleted, or cannot be read, has no bars to learn from.
        const [head, poured] = await Promise.all([
          this.batches.head(batchId).catch(() => null),
          this.batches.poured(batchId).catch(() => null),
        ]);
        if (!head || !poured) return [];
        const { entries } = await this.log.list(batchId, 0);
        const made = entries.length > 0 ? actualsOf(poured.plan, measuring, entries) : { plan: poured.plan };
        return bookReadings(made, records.get(batchId)?.gel ?? null, readings).map((r) => ({
          ...r,
          batchId,
          batchName: head.name,
        }));
      }),
    );
    return batches
      .flat()
      .sort((a, b) => b.reading.on.localeCompare(a.reading.on) || a.reading.id.localeCompare(b.reading.id))
      .slice(0, FIT_LIMITS.readings);
  }
}
