import { type GelSeen } from '../evidence/reading.ts';
import { type FaultId, faultById } from './faults.ts';

/**
 * What is known of a batch after the pour, beside its readings: what was looked at, cut, weighed, thought of it. One
 * plain document a batch, apart from the plan, so that nothing in it changes what was planned.
 */
export interface BatchRecord {
  readonly schema: typeof RECORD_SCHEMA;
  readonly gel: GelSeen | null;
  readonly faults: readonly FaultSeen[];
  /** Null while nobody has said. */
  readonly scent: ScentOutcome | null;
  readonly lyeTest: LyeTest | null;
  readonly cut: CutRecord;
  readonly verdicts: readonly Verdict[];
  readonly notes: readonly RecordNote[];
  /** Files of sketches that stand beside the idea. */
  readonly sketches: readonly string[];
}

export const RECORD_SCHEMA = 1;

export interface FaultSeen {
  readonly id: string;
  readonly fault: FaultId;
  /** Pots that show it; empty for the whole bar. */
  readonly potIds: readonly string[];
  readonly text: string;
}

export const SCENT_OUTCOMES = ['as-in-the-bottle', 'changed', 'weak', 'returned'] as const;
/** How the scent came out; `returned`: it was gone and came back in cure. */
export type ScentOutcome = (typeof SCENT_OUTCOMES)[number];

/** The test by pH after two days, wet, at several spots. */
export interface LyeTest {
  readonly ph: number;
  /** `YYYY-MM-DD`. */
  readonly on: string;
  /** Where on the soap it was highest; empty for not told. */
  readonly place?: string;
}
/** Up to this pH the soap is sound, above the second it fails; between them it is tested again after four weeks. */
export const PH_SOUND = 10.5;
export const PH_FAILS = 11;

export const CUT_DIRECTIONS = ['across', 'flat', 'along'] as const;
/** Through the block at right angles to its length, into slabs that lie flat, or along its length, upright. */
export type CutDirection = (typeof CUT_DIRECTIONS)[number];
export const REGION_USES = ['bars', 'samples', 'end'] as const;
export type RegionUse = (typeof REGION_USES)[number];

/** A stretch of the block that is cut in its own way. Lengths in mm. */
export interface CutRegion {
  readonly id: string;
  readonly use: RegionUse;
  /** Along the block. */
  readonly length: number;
  readonly direction: CutDirection;
  /** Of one piece, in the direction of its cuts. */
  readonly thickness: number;
  /** Pieces side by side across the block. */
  readonly columns: number;
}

/** How the block was cut and what became of it. Masses in g, all bars together; null while not weighed. */
export interface CutRecord {
  /** Decided at the block; null while it is cut as planned. */
  readonly regions: readonly CutRegion[] | null;
  readonly bars: number | null;
  readonly atCut: number | null;
  readonly cured: number | null;
  /** After trimming, bevelling, steaming. */
  readonly finished: number | null;
  readonly fates: Fates;
}

/** How many bars go where. */
export interface Fates {
  readonly sale: number;
  readonly given: number;
  readonly swatches: number;
}

export const JUDGED = ['batch', 'scent', 'colourant', 'technique', 'mould'] as const;
export type Judged = (typeof JUDGED)[number];
export const VERDICTS = ['again', 'only', 'never'] as const;

/** What the maker thinks of something that was used. */
export interface Verdict {
  readonly of: Judged;
  /** Id of the material or of the technique, name of the mould; empty for the batch. */
  readonly ref: string;
  readonly says: (typeof VERDICTS)[number];
  /** For what only, or why. */
  readonly text: string;
}

/** A remark on the batch, a pot or a bar. */
export interface RecordNote {
  readonly id: string;
  /** ms since 1970. */
  readonly at: number;
  /** Empty for the whole batch. */
  readonly potId: string;
  /** Number of the bar; 0 for none. */
  readonly bar: number;
  readonly text: string;
  /** Name of a photo or of a voice note; empty for none. */
  readonly file: string;
}

export const RECORD_LIMITS = {
  faults: 40,
  pots: 24,
  verdicts: 80,
  notes: 300,
  sketches: 20,
  regions: 20,
  text: 1000,
  rim: { min: 0, max: 200 },
  ph: { min: 0, max: 14 },
  mass: { min: 0, max: 100_000 },
  bars: { min: 0, max: 10_000 },
  columns: { min: 1, max: 50 },
  millimetres: { min: 0, max: 5000 },
} as const;

const uncut: CutRecord = {
  regions: null,
  bars: null,
  atCut: null,
  cured: null,
  finished: null,
  fates: { sale: 0, given: 0, swatches: 0 },
};

/** The record of a batch of which nothing was said yet. */
export const emptyRecord: BatchRecord = {
  schema: RECORD_SCHEMA,
  gel: null,
  faults: [],
  scent: null,
  lyeTest: null,
  cut: uncut,
  verdicts: [],
  notes: [],
  sketches: [],
};

/** A verdict in place of what was said of the same thing before; null takes it back. */
export function setVerdict(
  record: BatchRecord,
  of: Judged,
  ref: string,
  verdict: Pick<Verdict, 'says' | 'text'> | null,
): BatchRecord {
  const others = record.verdicts.filter((v) => v.of !== of || v.ref !== ref);
  return { ...record, verdicts: verdict ? [...others, { of, ref, ...verdict }] : others };
}

export const verdictOn = (
  { verdicts }: Pick<BatchRecord, 'verdicts'>,
  of: Judged,
  ref: string,
): Verdict | null => verdicts.find((v) => v.of === of && v.ref === ref) ?? null;

/**
 * Whether the soap must pass the test by pH before anything is sold or used, and how that stands. `held`: no test clears
 * it.
 */
export type LyeState = 'none-needed' | 'wanted' | 'passed' | 'doubtful' | 'failed' | 'held';

/**
 * @param elsewhere whether something beside the record asks for it: a pot below 0 % superfat, a trouble in the log
 * @param canBeLifted whether a test can clear the soap
 */
export function lyeState({ faults, lyeTest }: BatchRecord, elsewhere: boolean, canBeLifted = true): LyeState {
  const asks = elsewhere || faults.some((f) => faultById(f.fault).mayBeLyeHeavy);
  if (asks && !canBeLifted) return 'held';
  if (lyeTest) return lyeTest.ph <= PH_SOUND ? 'passed' : lyeTest.ph <= PH_FAILS ? 'doubtful' : 'failed';
  return asks ? 'wanted' : 'none-needed';
}

/** Whether the soap is on hold: never ready, not for use or sale. */
export const isOnHold = (state: LyeState): boolean => state !== 'none-needed' && state !== 'passed';
