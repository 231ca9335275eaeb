import { Injectable } from '@nestjs/common';
import { type BookEntry, FIT_LIMITS } from '@kleur/contract';
import { actualsOf } from '@kleur/core/day';
import {
  type BookReading,
  bookReadings,
  gelHabit,
  type PotReading,
  type TestBar,
  testBarReading,
} from '@kleur/core/evidence';
import { printCgats, printRows, type Sample } from '@kleur/core/formats';
import { type GelHabit } from '@kleur/core/plan';
import { BatchesService } from '../batches/batches.service.ts';
import { CatalogueService } from '../catalogue/catalogue.service.ts';
import { LogService } from '../log/log.service.ts';
import { ReadingsService } from '../record/readings.service.ts';
import { RecordService } from '../record/record.service.ts';
import { SettingsService } from '../settings/settings.service.ts';
import { TestBarsService } from './test-bars.service.ts';

interface OfBatch extends PotReading {
  readonly batchId: string;
  readonly batchName: string;
}
export type OfBook = OfBatch | BookReading<TestBar>;

const isOfBatch = (r: OfBook): r is OfBatch => 'batchId' in r;

/** What stands beside a colour in a file. Doses in g/kg oils by the ids of the shelf. */
const restOf = ({ doses, hours, gel, face, how, instrument, lot }: BookEntry) => ({
  DOSES: doses.map((d) => `${d.materialId}=${Number(d.dose.toPrecision(4))}`).join(' '),
  HOURS: String(hours),
  GEL: String(gel),
  FACE: face ?? '',
  HOW: how,
  INSTRUMENT: instrument ?? '',
  LOT: lot ?? '',
});

const nameOf = ({ batchName, potName }: BookEntry): string =>
  [batchName, potName].filter((n) => n !== '').join(', ');

/** The readings of all batches, and of bars that belong to none, with what is in them. */
@Injectable()
export class BookReadingsService {
  constructor(
    private readonly batches: BatchesService,
    private readonly catalogue: CatalogueService,
    private readonly readings: ReadingsService,
    private readonly records: RecordService,
    private readonly log: LogService,
    private readonly settings: SettingsService,
    private readonly bars: TestBarsService,
  ) {}

  /** The latest first. */
  async entries(): Promise<BookEntry[]> {
    return (await this.all()).map((r): BookEntry => {
      const { id, on, hours, how, doubt, lab, spectrum, instrument, hasGloss, lot, simulated } = r.reading;
      return {
        id,
        batchId: isOfBatch(r) ? r.batchId : null,
        batchName: isOfBatch(r) ? r.batchName : '',
        potName: isOfBatch(r) ? r.potName : r.reading.name,
        on,
        hours,
        face: isOfBatch(r) ? r.reading.face : null,
        gel: r.stage.gel,
        how,
        doubt,
        lab,
        doses: r.doses,
        ...(spectrum && { spectrum }),
        ...(instrument !== undefined && { instrument }),
        ...(hasGloss !== undefined && { hasGloss }),
        ...(lot !== undefined && { lot }),
        ...(simulated && { simulated }),
      };
    });
  }

  /**
   * Readings as CGATS text: Lab for D65, or the spectra of those that have one, and beside it what was in the pot and how
   * old and gelled the face was.
   */
  async cgats(of: 'lab' | 'spectra'): Promise<string> {
    const entries = await this.entries();
    return printCgats(
      entries.flatMap((e): Omit<Sample, 'line'>[] => {
        if (of === 'spectra' && !e.spectrum) return [];
        const spectrum = of === 'spectra' && e.spectrum ? Float64Array.from(e.spectrum) : null;
        return [{ name: nameOf(e), spectrum, lab: e.lab, rest: restOf(e) }];
      }),
    );
  }

  /** The same as rows of a table. */
  async csv(): Promise<string> {
    const entries = await this.entries();
    const heads = ['batch', 'pot', 'on', 'L', 'a', 'b', 'doubt', 'doses', 'hours', 'gel', 'face', 'how'];
    const rows = entries.map((e) => {
      const { DOSES, HOURS, GEL, FACE, HOW, INSTRUMENT, LOT } = restOf(e);
      const lab = e.lab.map((v) => v.toFixed(2));
      const doubt = String(e.doubt);
      return [e.batchName, e.potName, e.on, ...lab, doubt, DOSES, HOURS, GEL, FACE, HOW, INSTRUMENT, LOT];
    });
    return printRows([[...heads, 'instrument', 'lot'], ...rows]);
  }

  /** Readings with the canvas and the stage of their bars, the latest first, as many as one fit takes. */
  async all(): Promise<OfBook[]> {
    const [byBatch, { measuring }, records, bars, materials] = await Promise.all([
      this.readings.all(),
      this.settings.get(),
      this.records.ofBatches(),
      this.bars.list(),
      this.catalogue.list(),
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
        // Doses that a simulated scale has told are nobody's doses.
        const weighedSo = entries.some((e) => e.simulated && e.kind !== 'warmth');
        return bookReadings(made, records.get(batchId)?.gel ?? null, readings).map((r) => ({
          ...r,
          ...(weighedSo && { reading: { ...r.reading, simulated: true } }),
          batchId,
          batchName: head.name,
        }));
      }),
    );
    const shelf = new Map(materials.map((m) => [m.id, m]));
    return [...batches.flat(), ...bars.map((b) => testBarReading(b, shelf))]
      .sort((a, b) => b.reading.on.localeCompare(a.reading.on) || a.reading.id.localeCompare(b.reading.id))
      .slice(0, FIT_LIMITS.readings);
  }

  /** Those that something may be learnt from. */
  async told(): Promise<OfBook[]> {
    return (await this.all()).filter(({ reading }) => !reading.simulated);
  }

  /** When the maker's batches gelled, as their cuts told it. */
  async gelHabit(): Promise<GelHabit | null> {
    const records = await this.records.ofBatches();
    const cut = await Promise.all(
      [...records].map(async ([batchId, { gel: seen }]) => {
        const poured = seen && (await this.batches.poured(batchId).catch(() => null));
        return poured ? [{ plan: poured.plan, seen }] : [];
      }),
    );
    return gelHabit(cut.flat());
  }
}
