import { createHash } from 'node:crypto';
import { defaultSettings } from '@kleur/contract';
import { type LabD65 } from '@kleur/core/colour';
import { foretold, hoursBetween, predictedOf, type Reading } from '@kleur/core/evidence';
import { barPicture } from '@kleur/core/face';
import { addDays } from '@kleur/core/units';
import { type Plan } from '@kleur/core/plan';
import { type BatchRecord, emptyRecord } from '@kleur/core/record';
import { PNG } from 'pngjs';

/** How far a bar came out from what was foretold, by the pot: in L*, a*, b*. */
type Shifts = Readonly<Record<string, readonly [number, number, number]>>;

interface DemoResult {
  readonly record: Partial<BatchRecord>;
  /** Days after the pour at which the bars were read, and how they had come out by then. */
  readonly read: readonly { readonly after: number; readonly shifts: Shifts }[];
}

/** What became of the demo’s batches that were made, by their names. */
const RESULTS: Readonly<Record<string, DemoResult>> = {
  'Canyon strata, first': {
    record: {
      gel: { how: 'none', rim: 0 },
      faults: [
        { id: 'faded', fault: 'faded', potIds: ['pot-3'], text: 'More grey than mauve.' },
        { id: 'specks', fault: 'specks', potIds: ['pot-2'], text: '' },
      ],
      cut: {
        ...emptyRecord.cut,
        bars: 12,
        atCut: 1450,
        cured: 1285,
        fates: { sale: 5, given: 3, swatches: 1 },
      },
      verdicts: [{ of: 'batch', ref: '', says: 'only', text: 'trying; the seam is too pale' }],
    },
    read: [
      {
        after: 40,
        shifts: {
          'pot-1': [1.5, -1, -2],
          'pot-2': [-2, 3, 1],
          'pot-3': [3, -3, 2],
          'pot-4': [0.5, 0, 1],
          'pot-5': [1, 0, 0.5],
          'pot-6': [-0.5, 0.5, 2],
        },
      },
    ],
  },
  'Canyon strata': {
    record: {
      gel: { how: 'ring', rim: 12 },
      faults: [
        { id: 'ring', fault: 'partial-gel', potIds: [], text: 'Shows most in the pale rim.' },
        { id: 'tan', fault: 'tan', potIds: ['pot-6'], text: '' },
      ],
      cut: {
        ...emptyRecord.cut,
        bars: 9,
        atCut: 1212,
        cured: 1083,
        finished: 1062,
        fates: { sale: 6, given: 2, swatches: 1 },
      },
      verdicts: [
        { of: 'batch', ref: '', says: 'again', text: '' },
        { of: 'technique', ref: 'layers', says: 'again', text: 'weighed at the split' },
        { of: 'colourant', ref: 'purple-clay', says: 'only', text: 'ungelled' },
      ],
      notes: [
        {
          id: 'n1',
          at: 0,
          potId: 'pot-3',
          bar: 0,
          text: 'Reads as grey beside the red; more clay next time.',
          file: '',
        },
        { id: 'n2', at: 0, potId: '', bar: 4, text: 'The best one: kept.', file: '' },
      ],
    },
    read: [
      {
        after: 2,
        shifts: {
          'pot-1': [-1, 1, 1],
          'pot-2': [-1, 1.5, 0.5],
          'pot-3': [1, -1, 1],
          'pot-4': [0, 0.5, 0.5],
          'pot-5': [0.5, 0, 0],
          'pot-6': [-1, 0.5, 2],
        },
      },
      {
        after: 42,
        shifts: {
          'pot-1': [-2, 1.5, 3],
          'pot-2': [-2.5, 2, 0],
          'pot-3': [0, -4, 2],
          'pot-4': [0.5, 0, -1],
          'pot-5': [0, 0.5, 1],
          'pot-6': [-3, 1, 6],
        },
      },
    ],
  },
  'Slate and saffron': {
    record: {
      gel: { how: 'full', rim: 0 },
      faults: [{ id: 'ash', fault: 'ash', potIds: [], text: 'A thin bloom along one edge.' }],
      scent: 'as-in-the-bottle',
      cut: { ...emptyRecord.cut, bars: 10, atCut: 1190 },
    },
    read: [
      {
        after: 1,
        shifts: {
          'pot-1': [1.5, 0, -1],
          'pot-2': [1, 0, 0.5],
          'pot-3': [-1.5, 1, -2],
          'pot-4': [-1, 0.5, 2],
        },
      },
    ],
  },
};

/** Name of a file as the store keeps it, with what is in it. */
export interface DemoPhoto {
  readonly name: string;
  readonly bytes: Buffer;
}

export interface DemoOutcome {
  readonly record: BatchRecord;
  readonly readings: readonly Reading[];
  readonly photos: readonly DemoPhoto[];
}

/** Readings, photos and the record of one of the demo’s batches; null for one that was not made. */
export function demoOutcome(name: string, plan: Plan, madeOn: string | null): DemoOutcome | null {
  const result = RESULTS[name];
  if (!result || madeOn === null) return null;
  const predicted = predictedOf(plan);
  const gel = result.record.gel ?? null;
  const photos: DemoPhoto[] = [];
  const readings = result.read.flatMap(({ after, shifts }, n) => {
    const on = addDays(madeOn, after);
    const hours = hoursBetween(madeOn, on);
    const bars = predicted.pots.map((pot) => {
      const was = foretold(predicted, pot, gel, 'cut', hours);
      const shift = shifts[pot.potId] ?? [0, 0, 0];
      return { pot, lab: was.map((v, i) => Math.round((v + shift[i]!) * 10) / 10) as unknown as LabD65 };
    });
    const photo = photoOf(
      bars.map(({ pot, lab }) => ({ lab, share: pot.share })),
      name.length + n,
    );
    photos.push(photo);
    return bars.map(({ pot, lab }): Reading => ({
      id: `demo-${madeOn}-${after}-${pot.potId}`,
      potId: pot.potId,
      face: 'cut',
      on,
      hours,
      lab,
      how: 'photo',
      doubt: 2,
      file: photo.name,
      note: '',
    }));
  });
  const at = Date.parse(`${madeOn}T18:00:00Z`);
  const notes = (result.record.notes ?? []).map((note) => ({ ...note, at }));
  return { record: { ...emptyRecord, ...result.record, notes }, readings, photos };
}

/** Each reset of the demo asks for the same pictures again. */
const known = new Map<string, DemoPhoto>();

function photoOf(stripes: Parameters<typeof barPicture>[0], seed: number): DemoPhoto {
  const key = JSON.stringify([stripes, seed]);
  const photo = known.get(key) ?? pictureOf(stripes, seed);
  known.set(key, photo);
  return photo;
}

/** A picture of the bars beside a card, made of their colours. */
function pictureOf(stripes: Parameters<typeof barPicture>[0], seed: number): DemoPhoto {
  const { white, grey, black } = defaultSettings.card;
  const { width, height, rgba } = barPicture(stripes, {
    width: 320,
    height: 240,
    card: [white, grey ?? white, black ?? white],
    cast: [1, 0.96, 0.88],
    exposure: 0.82,
    seed,
  });
  const png = new PNG({ width, height });
  png.data.set(rgba);
  const bytes = PNG.sync.write(png, { colorType: 2, filterType: 0 });
  return { name: `${createHash('sha256').update(bytes).digest('hex')}.png`, bytes };
}
