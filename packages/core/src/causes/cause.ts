import { type Plan, type Pot } from '../plan/plan.ts';
import { type FaultId } from '../record/faults.ts';
import { type FaultSeen } from '../record/record.ts';
import { type BatchFacts, potsOf } from './facts.ts';

/** Something in the record of the batch that speaks for a cause, or against it. */
export interface Evidence {
  readonly text: string;
  /** Logarithm of how much more likely it makes the cause; below 0 for less. */
  readonly weight: number;
}

/** One way to mend it next time: in words, and as an edit of the plan where it can be one. */
export interface NextTime {
  readonly text: string;
  readonly apply?: (plan: Plan) => Plan;
}

/** A cause that is known for some faults. */
export interface Cause {
  readonly id: string;
  readonly faults: readonly FaultId[];
  /** What happened, one sentence. */
  readonly title: string;
  /**
   * What the batch says of it. The first is what the cause stands on: without it the cause is hardly one.
   * @param pots those that the fault was seen in
   */
  readonly evidence: (f: BatchFacts, pots: readonly Pot[]) => readonly (Evidence | null)[];
  readonly next: (f: BatchFacts, pots: readonly Pot[]) => readonly NextTime[];
}

/** A cause as it fits one batch. */
export interface RankedCause {
  readonly id: string;
  readonly title: string;
  readonly score: number;
  readonly likely: 'likely' | 'possible' | 'unlikely';
  readonly speaksFor: readonly string[];
  readonly against: readonly string[];
  readonly next: readonly NextTime[];
}

/** How much the evidence that a cause stands on counts when it is there in full, and when it is not there. */
const SURE = 4;
const ABSENT = -3;
/** A cause from here on is called likely, or possible. */
const LIKELY = 2;
const POSSIBLE = 0;
/** Where nothing speaks for anything, what is not on record is the best guess. */
const UNKNOWN_SCORE = -1;

/** What a cause stands on. @param strength 0 for not there, 1 for there in full */
export function standsOn(strength: number, there: string, missing: string): Evidence {
  const s = Math.min(1, Math.max(0, strength));
  return s > 0.05 ? { text: there, weight: SURE * Math.max(0.4, s) } : { text: missing, weight: ABSENT };
}

/** What makes a cause more likely where it is there, and says nothing where it is not. */
export const helps = (strength: number, text: string): Evidence | null =>
  strength > 0.05 ? { text, weight: Math.min(1, strength) } : null;

/** What makes a cause less likely. */
export const speaksAgainst = (isSo: boolean, text: string): Evidence | null =>
  isSo ? { text, weight: -1.5 } : null;

/** How far a value has come from where nothing shows to where it is sure, 0–1. Either direction. */
export const ramp = (value: number, none: number, sure: number): number =>
  Math.min(1, Math.max(0, (value - none) / (sure - none)));

const unknown: RankedCause = {
  id: 'unknown',
  title: 'Nothing in the record of this batch explains it.',
  score: UNKNOWN_SCORE,
  likely: 'possible',
  speaksFor: [],
  against: ['What is not logged cannot be told: temperatures, thickness, times.'],
  next: [{ text: 'Log temperatures, thickness and what you notice, so that the next one can be told.' }],
};

/**
 * Likely causes of one fault, the likeliest first, each with what speaks for it and against it. What nothing in the
 * record explains says so.
 */
export function rankCauses(
  causes: readonly Cause[],
  facts: BatchFacts,
  seen: Pick<FaultSeen, 'fault' | 'potIds'>,
): RankedCause[] {
  const pots = potsOf(facts, seen.potIds);
  const ranked = causes
    .filter((c) => c.faults.includes(seen.fault))
    .map((cause): RankedCause => {
      const found = cause.evidence(facts, pots).filter((e) => e !== null);
      const score = found.reduce((sum, e) => sum + e.weight, 0);
      return {
        id: cause.id,
        title: cause.title,
        score,
        likely: score >= LIKELY ? 'likely' : score >= POSSIBLE ? 'possible' : 'unlikely',
        speaksFor: found.filter((e) => e.weight > 0).map((e) => e.text),
        against: found.filter((e) => e.weight < 0).map((e) => e.text),
        next: cause.next(facts, pots),
      };
    });
  return [...ranked, unknown].sort((a, b) => b.score - a.score);
}
