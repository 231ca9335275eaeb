import { type LabD65 } from '../colour/lab.ts';
import { HOURS_PER_DAY, type Stage } from '../pigment/stage.ts';
import { type Plan } from '../plan/plan.ts';
import { dayNumber } from '../units/day.ts';
import { skinStage } from '../balance/skin.ts';

export const FACES = ['cut', 'inside', 'top', 'side', 'scrape'] as const;
/**
 * What was looked at: a cut face, the middle of it, the top or the side of the block, or what was scraped out of the
 * pot’s jug into a cavity, which is the pot by itself.
 */
export type Face = (typeof FACES)[number];
/** Faces that are the skin of the bar. */
export const isOutside = (face: Face): boolean => face === 'top' || face === 'side';

export const READ_AT = ['pour', 'cut', 'cure'] as const;
/** At which of the three moments that a plan predicts; `cure` is any time after the cut. */
export type ReadAt = (typeof READ_AT)[number];

export const READ_HOW = ['lab', 'hex', 'photo', 'reader'] as const;
/** How the colour was found. */
export type ReadHow = (typeof READ_HOW)[number];

/** How a colour was taken, where more is known of it than its Lab. */
export interface ReadWith {
  /** Reflectance as it was read (36 bands, 380–730 nm), from which the Lab follows. */
  readonly spectrum?: readonly number[];
  /** What it was read with; readings of one instrument err alike. */
  readonly instrument?: string;
  /** Whether the instrument sees the gloss too. Default: no, as the eye and most hand readers. */
  readonly hasGloss?: boolean;
  /** Of the colourant, as its label says. */
  readonly lot?: string;
  /** Whether a simulated instrument read it: shown as such, and nothing is learnt from it. */
  readonly simulated?: boolean;
}

/** What somebody saw of one pot. */
export interface Reading extends ReadWith {
  /** Made by the device, so that a reading sent twice is one. */
  readonly id: string;
  readonly potId: string;
  readonly face: Face;
  /** Day, `YYYY-MM-DD`. */
  readonly on: string;
  /** Since the pour, h. */
  readonly hours: number;
  readonly lab: LabD65;
  readonly how: ReadHow;
  /** ± ΔE00 by which what was read may be off. */
  readonly doubt: number;
  /** Name of the photo’s file; empty for none. */
  readonly file: string;
  readonly note: string;
  /** Whether this piece gelled, where it is not as the batch: a cup in the oven, a cavity. */
  readonly gelled?: boolean;
}

/** ± ΔE00 of a colour that was typed from an instrument, chosen by eye on a screen, or read by a reader. */
export const HOW_DOUBT: Readonly<Record<ReadHow, number>> = { lab: 1, hex: 4, photo: 5, reader: 0.5 };

export const READING_LIMITS = {
  lightness: { min: 0, max: 100 },
  chroma: { min: -128, max: 127 },
  hours: { min: 0, max: 20 * 365 * 24 },
  doubt: { min: 0, max: 30 },
  note: 500,
  instrument: 60,
  lot: 40,
  /** Of one batch. */
  count: 500,
  /** At once. */
  sent: 50,
} as const;

/** Up to these many hours after the pour it is the pour, then the cut, then cure. */
const POUR_UNTIL = 8;
const CUT_UNTIL = 120;

/** The moment that a reading is of. */
export const readAt = ({ hours }: Pick<Reading, 'hours'>): ReadAt =>
  hours <= POUR_UNTIL ? 'pour' : hours <= CUT_UNTIL ? 'cut' : 'cure';

/** Hours from the day of the pour to that of a reading. */
export const hoursBetween = (madeOn: string, on: string): number =>
  Math.max(0, (dayNumber(on) - dayNumber(madeOn)) * HOURS_PER_DAY);

export type ReadingProblem =
  | 'before-the-pour'
  | 'no-such-pot'
  | 'no-such-face'
  | 'same-again'
  | 'too-many'
  | 'not-poured';

export const READING_PROBLEM_TEXT: Readonly<Record<ReadingProblem, string>> = {
  'before-the-pour': 'It is dated before the pour.',
  'no-such-pot': 'This batch has no such pot.',
  'no-such-face': 'This pot has no such face: it lies on the top only, or went into a spare mould.',
  'same-again': 'The same was read already: this pot, face, day and colour.',
  'too-many': 'This batch has as many readings as can be kept.',
  'not-poured': 'This batch has no day of pour yet. Set it first.',
};

/** What is to be known of the batch before a reading can be judged. */
export interface ReadBatch {
  readonly plan: Pick<Plan, 'pots' | 'work'>;
  /** `YYYY-MM-DD`; null while it was not poured. */
  readonly madeOn: string | null;
  readonly readings: readonly Reading[];
}

/** Faces that a pot has in the bar, and its scrape. Pots that came up at the bench count as in the mould. */
export function facesOf(plan: Pick<Plan, 'pots'>, potId: string): readonly Face[] {
  const pot = plan.pots.find((p) => p.id === potId);
  switch (pot?.place) {
    case 'top':
      return ['top', 'cut', 'scrape'];
    case 'spare':
      return ['scrape'];
    case 'mould':
      return FACES;
    case undefined:
      return [];
  }
}

/** What is wrong with a new reading; null for nothing. A day or so of clocks in other zones is none of it. */
export function readingProblem(
  { plan, madeOn, readings }: ReadBatch,
  reading: Omit<Reading, 'hours'>,
): ReadingProblem | null {
  if (madeOn === null) return 'not-poured';
  if (readings.length >= READING_LIMITS.count) return 'too-many';
  if (!plan.pots.some((p) => p.id === reading.potId)) return 'no-such-pot';
  if (!facesOf(plan, reading.potId).includes(reading.face)) return 'no-such-face';
  if (dayNumber(reading.on) < dayNumber(madeOn)) return 'before-the-pour';
  const same = readings.some(
    (r) =>
      r.id !== reading.id &&
      r.potId === reading.potId &&
      r.face === reading.face &&
      r.on === reading.on &&
      r.lab.every((v, i) => Math.abs(v - reading.lab[i]!) < 0.05),
  );
  return same ? 'same-again' : null;
}

export const GELS_SEEN = ['none', 'ring', 'full', 'unsure'] as const;
/** What the cut face showed. */
export interface GelSeen {
  readonly how: (typeof GELS_SEEN)[number];
  /** Of a ring: how wide the pale rim round the gelled middle is, mm. */
  readonly rim: number;
}

/**
 * Gel at a face, 0–1. A ring is gelled in the middle and not at its rim; a cut face of one is read in the middle.
 * @param planned the likelier by the plan, which counts while nobody has looked, or could tell
 */
export function gelAt(seen: GelSeen | null, face: Face, planned: number): number {
  // A scrape lies in a cavity too small to heat itself.
  if (face === 'scrape') return 0;
  switch (seen?.how) {
    case 'none':
      return 0;
    case 'full':
      return 1;
    case 'ring':
      return isOutside(face) ? 0 : 1;
    default:
      return planned;
  }
}

/** The stage that a face is at after some hours. */
export function stageOfFace(
  plan: Plan,
  seen: GelSeen | null,
  planned: number,
  { face, hours, gelled }: Pick<Reading, 'face' | 'hours' | 'gelled'>,
): Stage {
  const stage = { hours, gel: gelled === undefined ? gelAt(seen, face, planned) : Number(gelled) };
  return isOutside(face) ? skinStage(plan, stage) : stage;
}
