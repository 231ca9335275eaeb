import { BAND_COUNT } from '../colour/bands.ts';
import { Skyline } from '../numerics/skyline.ts';
import { Forward, type Prepared } from './forward.ts';
import { type Layout } from './layout.ts';
import { NormalEquations } from './normal.ts';
import { leastValues, type PriorRow } from './prior.ts';
import { bandSd, countOf, labResidual } from './seen.ts';

/** Freedom of the errors of whole readings: a wild one loses its weight (Student's t). */
const FREEDOM = 4;
/**
 * Far from the end every reading misses. At first nearly any miss is believed to be the curves' own, and a quarter of
 * it after each step.
 */
const FIRST_TRUST = 4 ** 8;
const RULES = {
  steps: 20,
  enough: 2e-4,
  firstDamping: 1e-3,
  leastDamping: 1e-5,
  mostDamping: 1e6,
  growth: 6,
  shrink: 0.15,
};

/** Where the unknowns ended. */
export interface Fitted {
  readonly p: Float64Array;
  /**
   * Changes of the unknowns, one for each, in standard deviations that are independent of one another: the square of the
   * length of what comes back is the variance of their sum. Prior and readings count together; what was held adds nothing.
   */
  readonly whiten: (x: Float64Array) => Float64Array;
  /** The same with the prior as it is doubted. */
  readonly whitenDoubt: (x: Float64Array) => Float64Array;
  /** Weight that each reading kept, 0–1. */
  readonly weights: Float64Array;
  /** Root mean square of each reading's residuals, in standard deviations. */
  readonly misses: Float64Array;
  readonly steps: number;
}

/** Unknowns to begin with, and those of them that may move. */
export interface Start {
  readonly p: Float64Array;
  readonly isFree: (unknown: number) => boolean;
}

/**
 * Gauss–Newton with damping over all readings together, from what was known before.
 * @param start where an earlier fit ended: whole readings are doubted as they were at its end
 * @param doubted the prior of the doubt that is left, in the same rows
 */
export function descend(
  layout: Layout,
  readings: readonly Prepared[],
  prior: readonly PriorRow[],
  start: Start | null = null,
  doubted: readonly PriorRow[] = prior,
): Fitted {
  const forward = new Forward(layout);
  const free = Int32Array.from({ length: layout.size }, (_, i) => i).filter((i) => start?.isFree(i) ?? true);
  const equations = new NormalEquations(layout, readings, prior, free);
  const { matrix, gradient } = equations;
  const damped = new Skyline(equations.first);
  const least = [...leastValues(layout)].flatMap(([i, value]) => {
    const at = free.indexOf(i);
    return at < 0 ? [] : [{ i, at, value }];
  });
  const weights = new Float64Array(readings.length).fill(1);
  const misses = new Float64Array(readings.length);
  let p: Float64Array = start?.p ?? new Float64Array(layout.size);
  let trust = start ? 1 : FIRST_TRUST;
  let damping = RULES.firstDamping;
  let steps = 0;
  let cost = reweigh();
  while (steps < RULES.steps) {
    equations.collect(p, forward, weights);
    const next = better();
    if (next === null && trust === 1) break;
    const gain = next === null ? 0 : cost - next.cost;
    if (next) p = next.p;
    steps++;
    damping = Math.max(RULES.leastDamping, damping * RULES.shrink);
    const isSettled = gain < RULES.enough * cost && trust === 1;
    trust = Math.max(1, trust / 4);
    cost = reweigh();
    if (isSettled) break;
  }
  equations.collect(p, forward, weights);
  const whiten = whitener();
  if (doubted === prior) return { p, whiten, whitenDoubt: whiten, weights, misses, steps };
  equations.swapPrior(doubted);
  return { p, whiten, whitenDoubt: whitener(), weights, misses, steps };

  function whitener(): Fitted['whiten'] {
    const factor = new Skyline(equations.first);
    factor.copyFrom(matrix);
    if (!factor.factor()) throw new Error('The normal matrix of a fit is not positive definite');
    return (x) => {
      const out = new Float64Array(free.length);
      let from = free.length;
      for (let at = free.length - 1; at >= 0; at--) if ((out[at] = x[free[at]!]!) !== 0) from = at;
      factor.forward(out, from);
      return out;
    };
  }

  /** A step that lowers the sum of squares; null where there is none. */
  function better(): { readonly p: Float64Array; readonly cost: number } | null {
    for (; damping < RULES.mostDamping; damping *= RULES.growth) {
      const tried = step();
      const found = tried && costAt(tried);
      if (tried && found !== null && found < cost) return { p: tried, cost: found };
    }
    return null;
  }

  /** One step from p; what would fall below its least value stays there. */
  function step(): Float64Array | null {
    damped.copyFrom(matrix);
    const scale = (i: number, by: number): void => {
      const at = damped.at(i, i);
      damped.values[at] = damped.values[at]! * by;
    };
    for (let i = 0; i < free.length; i++) scale(i, 1 + damping);
    for (const { i, at, value } of least) if (p[i]! <= value && gradient[at]! > 0) scale(at, 1e9);
    if (!damped.factor()) return null;
    const x = gradient.slice();
    damped.solve(x);
    const out = p.slice();
    free.forEach((i, at) => (out[i] = out[i]! - x[at]!));
    for (const { i, value } of least) out[i] = Math.max(value, out[i]!);
    return out;
  }

  /** Mean square of a reading's residuals at what `forward` holds. */
  function squares({ reading: { seen } }: Prepared): number {
    if (!('spectrum' in seen)) return labResidual(forward.R, seen).reduce((sum, z) => sum + z * z, 0) / 3;
    let sum = 0;
    for (let b = 0; b < BAND_COUNT; b++)
      sum += ((forward.R[b]! - seen.spectrum[b]!) / bandSd(seen.spectrum[b]!)) ** 2;
    return sum / BAND_COUNT;
  }

  /** New weights of the readings at p. @returns the sum of squares with them */
  function reweigh(): number {
    readings.forEach((r, i) => {
      forward.evaluate(p, r, false);
      const z2 = squares(r);
      misses[i] = Math.sqrt(z2);
      weights[i] = Math.min(1, (FREEDOM + 1) / (FREEDOM + z2 / trust));
    });
    return costAt(p);
  }

  function costAt(at: Float64Array): number {
    let sum = 0;
    readings.forEach((r, i) => {
      forward.evaluate(at, r, false);
      sum += weights[i]! * squares(r) * countOf(r.reading);
    });
    for (const row of prior) {
      let v = 0;
      for (let k = 0; k < row.columns.length; k++) v += at[row.columns[k]!]! * row.weights[k]!;
      sum += v * v;
    }
    return sum;
  }
}
