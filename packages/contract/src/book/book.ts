import { type LabD65 } from '@kleur/core/colour';
import { type Face, type ReadHow, type ReadWith, type TestBar } from '@kleur/core/evidence';
import { type FittedBase } from '@kleur/core/pigment';
import { type GelHabit, type LearntBase } from '@kleur/core/plan';
import { type FitCurve, type FitMiss } from '../colour/fit.ts';

/** A bar that was read, as the swatch book shows it. */
export interface BookEntry extends ReadWith {
  readonly id: string;
  /** Null for a bar that no batch knows of. */
  readonly batchId: string | null;
  readonly batchName: string;
  readonly potName: string;
  /** `YYYY-MM-DD`. */
  readonly on: string;
  readonly hours: number;
  /** Null for a bar that no batch knows of. */
  readonly face: Face | null;
  readonly gel: number;
  readonly how: ReadHow;
  readonly doubt: number;
  readonly lab: LabD65;
  readonly doses: readonly { readonly materialId: string; readonly dose: number }[];
}

/** Bars that no batch knows of, as they are sent: the Lab follows where there is a spectrum. */
export type TestBarWrite = Omit<TestBar, 'lab'> & { readonly lab?: LabD65 };

export interface TestBarSend {
  readonly bars: readonly TestBarWrite[];
}

export interface BookPage {
  readonly readings: readonly BookEntry[];
}

/**
 * What the bars say of the base. Labs of the bare base in full cure, ungelled and gelled. Without bare bars it is how it
 * ages, browns and gels that they tell: `readings` is 0, and the cured base the reference.
 */
export interface BookBaseFit {
  readonly base: FittedBase;
  readonly readings: number;
  readonly before: readonly [ungelled: LabD65, gelled: LabD65];
  readonly after: readonly [ungelled: LabD65, gelled: LabD65];
  /** Null where no batch that was let be has been cut. */
  readonly gel: GelHabit | null;
}

/** A fit to the readings of the book, not taken over yet. */
export interface BookFit {
  /** Names what was fitted, so that nothing else is taken over than what was seen. */
  readonly fitId: string;
  /** Null where nothing tells of it: it stays as it is known. */
  readonly base: BookBaseFit | null;
  readonly materials: readonly FitCurve[];
  readonly readings: readonly FitMiss[];
  readonly typicalMiss: number | null;
}

/** Readings of which is asked what they alone change. */
export interface BookEffectAsk {
  readonly readingIds: readonly string[];
}

/** A colourant that readings move. Labs of its typical dose alone, gelled and cured, in the near-white base. */
export interface BookMove {
  readonly materialId: string;
  readonly before: LabD65;
  readonly after: LabD65;
  /** ΔE00 between them. */
  readonly deltaE: number;
  readonly typicalMiss: number | null;
}

/** What readings would move, everything else let be: worked out at once after each of them. */
export interface BookEffect {
  readonly readings: readonly FitMiss[];
  readonly moves: readonly BookMove[];
}

/** Of which colourants the fitted curves are taken over; the base is too, where the fit tells of it. */
export interface BookAccept {
  readonly fitId: string;
  readonly materialIds: readonly string[];
}

export interface BookForget {
  readonly materialIds: readonly string[];
  /** The base as well. */
  readonly base?: boolean;
}

/** A curve as it was taken over. */
export interface LearningCurve {
  readonly materialId: string;
  readonly readings: number;
  readonly spread: number;
  readonly typicalMiss: number | null;
}

/** One time that something was taken over from bars. They are kept, and counted through. */
export interface Learning {
  readonly version: number;
  /** ISO 8601. */
  readonly at: string;
  /** Readings of the base that was taken over with it; null where the base stayed. */
  readonly baseReadings: number | null;
  readonly curves: readonly LearningCurve[];
}

/** Takes curves of an earlier time back. */
export interface BookBack {
  readonly version: number;
  readonly materialIds: readonly string[];
}

/** The base as it is known from bars; null for the reference base. */
export interface BookBase {
  readonly learnt: LearntBase | null;
}

/** What is to be learnt by a test, and how. */
export interface TrialAsk {
  readonly materialIds: readonly string[];
  /** Mixed with them; null for no bar with white. */
  readonly whiteId: string | null;
  readonly gelled: readonly boolean[];
  /** Whether a bar without colour may be among them. */
  readonly bare: boolean;
  /** ± ΔE00 of how the bars will be read. */
  readonly doubt: number;
  readonly count: number;
}
