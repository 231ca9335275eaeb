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
  /** Cholesky factor of what is known about them: prior and readings together. */
  readonly factor: Skyline;
  /** Weight that each reading kept, 0–1. */
  readonly weights: Float64Array;
  /** Root mean square of each reading's residuals, in standard deviations. */
  readonly misses: Float64Array;
  readonly steps: number;
}

/** Gauss–Newton with damping over all readings together, from what was known before. */
export function descend(layout: Layout, readings: readonly Prepared[], prior: readonly PriorRow[]): Fitted {
  const forward = new Forward(layout);
  const equations = new NormalEquations(layout, readings, prior);
  const { matrix, gradient } = equations;
  const damped = new Skyline(equations.first);
  const least = [...leastValues(layout)];
  const weights = new Float64Array(readings.length).fill(1);
  const misses = new Float64Array(readings.length);
  let p: Float64Array = new Float64Array(layout.size);
  let trust = FIRST_TRUST;
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
  damped.copyFrom(matrix);
  if (!damped.factor()) throw new Error('The normal matrix of a fit is not positive definite');
  return { p, factor: damped, weights, misses, steps };

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
    for (let i = 0; i < layout.size; i++) scale(i, 1 + damping);
    for (const [i, value] of least) if (p[i]! <= value && gradient[i]! > 0) scale(i, 1e9);
    if (!damped.factor()) return null;
    const x = gradient.slice();
    damped.solve(x);
    const out = p.map((v, i) => v - x[i]!);
    for (const [i, value] of least) out[i] = Math.max(value, out[i]!);
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
