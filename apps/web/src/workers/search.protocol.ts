import { type LabD65 } from '@kleur/core/colour';
import { type LogEntry, type PotVerdict } from '@kleur/core/day';
import {
  type Adjusted,
  type Candidate,
  type Direction,
  type Keeping,
  type MatchProblem,
  type MatchResult,
} from '@kleur/core/match';
import { type PhotoColour, type ReachSlice } from '@kleur/core/palette';
import { type Canvas, type Stage } from '@kleur/core/pigment';
import { type Plan } from '@kleur/core/plan';
import { type Measuring } from '@kleur/core/units';

/** A decoded picture: small enough to show, with its colours by area. */
export interface PhotoResult {
  readonly bitmap: ImageBitmap;
  readonly width: number;
  readonly height: number;
  readonly colours: readonly PhotoColour[];
}

/** What went wrong with a picture, for the maker. Thrown things lose their class on the way. */
export interface PhotoFailure {
  readonly failure: string;
}

/** A pot that shall look as wanted with its own colourants, as far as they go. */
export interface KeptPot {
  readonly problem: MatchProblem;
  /** Ids of its colourants. */
  readonly own: readonly string[];
  /** ΔE00 to the target with which its own colourants are good enough. */
  readonly enough: number;
}

/** Searches and pictures: everything that takes longer than a frame. */
export interface SearchWorker {
  /** One problem for several targets, in their order. */
  matchAll(problem: MatchProblem, targets: readonly LabD65[]): MatchResult[];
  /** Different problems, one pot each, keeping as much as can be of what each pot holds. */
  keepAll(pots: readonly KeptPot[]): Keeping[];
  adjust(problem: MatchProblem, own: readonly string[], direction: Direction, size: number): Adjusted;
  reach(canvas: Canvas, candidates: readonly Candidate[], stages: readonly Stage[]): ReachSlice[][];
  verdict(
    plan: Plan,
    measuring: Measuring,
    log: readonly LogEntry[],
    potId: string,
    stage: Stage,
  ): PotVerdict | null;
  photo(file: Blob, count: number): Promise<PhotoResult | PhotoFailure>;
}
