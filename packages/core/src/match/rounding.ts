import { leastMeasurable, measurableNear, type Measuring } from '../units/measure.ts';
import { type Grams, grams } from '../units/quantity.ts';
import { type Candidate } from './candidates.ts';
import { type Judge } from './judge.ts';

/** What the doses of a recipe are rounded to: the maker's tools, for a pot of so many grams of oils. */
export interface Resolution {
  readonly potOils: Grams;
  readonly measuring: Measuring;
}

/** The doses of a pot, in g/kg, that the maker's tools can measure. */
export interface MeasurableDoses {
  /** The least one above nothing. */
  least(candidate: Candidate): number;
  /** The nearest to a wanted dose and its neighbours on either side, above nothing, ascending. */
  near(candidate: Candidate, wanted: number): readonly number[];
}

/** Measurable doses of candidates in a pot; near ones are looked up again and again, so they are kept. */
export function measurableDoses({ potOils, measuring }: Resolution): MeasurableDoses {
  const perGram = 1000 / potOils;
  const known = new Map<Candidate, Map<number, readonly number[]>>();
  return {
    least: (c) => leastMeasurable(c.bulkDensity, measuring) * perGram,
    near: (c, wanted) => {
      let byDose = known.get(c);
      if (!byDose) known.set(c, (byDose = new Map<number, readonly number[]>()));
      let doses = byDose.get(wanted);
      if (!doses) {
        doses = measurableNear(grams(wanted / perGram), c.bulkDensity, measuring)
          .filter((m) => m > 0)
          .map((m) => m * perGram);
        byDose.set(wanted, doses);
      }
      return doses;
    },
  };
}

/** Most moves of one climb; each step of a scale is one. */
const MOST_MOVES = 40;
/** A move that gains less than this ΔE00 is the last one. */
const ENOUGH = 0.01;
/** A start whose best rounding is this much above what is known already is not climbed from. */
const FAR = 1;

/**
 * The best measurable doses that single steps and pairs of steps lead to, from the best of those around a start. Every
 * colourant of the subset stays in: what does without one is another subset. Null when nothing measurable fits the
 * limits.
 * @param known ΔE00 of the best recipe so far.
 */
export function climbGrid(
  ids: readonly number[],
  start: readonly number[],
  candidates: readonly Candidate[],
  { distance }: Pick<Judge, 'distance'>,
  doses: MeasurableDoses,
  known: number,
): { readonly doses: readonly number[]; readonly deltaE: number } | null {
  const near = (n: number, wanted: number): readonly number[] =>
    doses.near(candidates[ids[n]!]!, Math.max(wanted, doses.least(candidates[ids[n]!]!)));
  let best: readonly number[] = [];
  let least = Infinity;
  const consider = (trial: readonly number[]): void => {
    const d = distance(ids, trial);
    if (d >= least) return;
    least = d;
    best = trial;
  };
  for (const trial of combinations(ids.map((_, n) => near(n, start[n]!)))) consider(trial);
  if (least === Infinity) return null;
  for (let move = 0; move < MOST_MOVES && least < known + FAR; move++) {
    const at = best;
    const before = least;
    const steps = at.map((dose, n) => near(n, dose).filter((d) => d !== dose));
    for (let n = 0; n < at.length; n++) {
      for (const one of steps[n]!) {
        consider(at.with(n, one));
        for (let m = n + 1; m < at.length; m++)
          for (const two of steps[m]!) consider(at.with(n, one).with(m, two));
      }
    }
    if (before - least < ENOUGH) break;
  }
  return { doses: best, deltaE: least };
}

/** Every combination of one choice from each list. */
function* combinations<T>(lists: readonly (readonly T[])[]): Generator<T[]> {
  if (lists.length === 0) {
    yield [];
    return;
  }
  const [first, ...rest] = lists;
  for (const tail of combinations(rest)) for (const head of first!) yield [head, ...tail];
}
