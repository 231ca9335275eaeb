import { solveDefinite } from './linear.ts';

/** A sum of squared residuals over some unknowns. Buffers belong to the problem and are rewritten. */
export interface LeastSquares {
  /** The residuals (m) at the last point evaluated. */
  readonly residuals: Float64Array;
  /** Their derivatives by the unknowns: m rows of `stride` numbers, of which a row's first n are used. */
  readonly jacobian: Float64Array;
  /** Most unknowns, and the length of a row. */
  readonly stride: number;
  /** Writes the residuals at `x`. Returns the sum of squares. */
  evaluate(x: ArrayLike<number>): number;
  /** Writes the derivatives at `x`, where the residuals were written last and still are afterwards. */
  differentiate(x: ArrayLike<number>): void;
}

/** How a minimum is looked for. */
export interface DescentRules {
  /** Bounds: one for every unknown, or one for all of them. */
  readonly lower: number | ArrayLike<number>;
  readonly upper: number;
  /** Most steps, unless the call says otherwise. */
  readonly steps: number;
  /** A step that gains less than this share of what is left is the last one. */
  readonly enough: number;
  /** A step that would gain less than this share if the residuals were linear is not tried. */
  readonly promising: number;
  /** A sum of squares that needs no further step. */
  readonly perfect: number;
  /** The damping's factor after a step that failed, and the smallest value that it grows from. */
  readonly growth: number;
  readonly growsFrom: number;
  /** A step whose damping would pass this is given up. */
  readonly mostDamping: number;
  /** Added to the diagonal as it is, and in proportion to the damping (Levenberg's term beside Marquardt's). */
  readonly ridge: number;
  readonly levenberg: number;
}

const FIRST_DAMPING = 0.01;
const LEAST_DAMPING = 1e-6;
const SHRINK = 0.2;

/** Where a descent ended. */
export interface Minimum {
  readonly cost: number;
  /** Steps that were taken. */
  readonly steps: number;
}

/**
 * Levenberg–Marquardt with bounds: Levenberg (1944), Marquardt (1963). An unknown at its bound that wants to go
 * further stays out of the step. Allocates nothing a step, and must not be shared between threads.
 * @returns a function that moves `x` (n ≤ `stride` unknowns) to the nearest minimum, in place.
 */
export function createDescent(
  problem: LeastSquares,
  rules: DescentRules,
): (x: number[], steps?: number) => Minimum {
  const { residuals: r, jacobian: J, stride } = problem;
  const { upper, enough, promising, perfect, growth, growsFrom, mostDamping, ridge, levenberg } = rules;
  const { lower } = rules;
  // Read at every step: whoever owns the array may move its bounds between descents.
  const lowerOf = typeof lower === 'number' ? () => lower : (i: number) => lower[i]!;
  const normal = new Float64Array(stride * stride);
  const damped = new Float64Array(stride * stride);
  const gradient = new Float64Array(stride);
  const right = new Float64Array(stride);
  const step = new Float64Array(stride);
  const fixed = new Uint8Array(stride);
  const trial = new Float64Array(stride);

  /** Normal matrix and gradient of the last point evaluated, and which unknowns are held by their bounds. */
  function linearise(x: readonly number[]): void {
    const n = x.length;
    const rows = r.length;
    for (let i = 0; i < n; i++) {
      let g = 0;
      for (let q = 0; q < rows; q++) g += J[q * stride + i]! * r[q]!;
      gradient[i] = g;
      fixed[i] = (x[i]! <= lowerOf(i) && g > 0) || (x[i]! >= upper && g < 0) ? 1 : 0;
      for (let j = 0; j <= i; j++) {
        let sum = 0;
        for (let q = 0; q < rows; q++) sum += J[q * stride + i]! * J[q * stride + j]!;
        normal[i * stride + j] = sum;
        normal[j * stride + i] = sum;
      }
    }
  }

  /** What a damping adds to the diagonal. */
  const brake = (i: number, damping: number): number =>
    damping * (normal[i * stride + i]! + levenberg) + ridge;

  /** Writes where a step leads. @returns by how much the sum of squares would fall if the residuals were linear */
  function propose(x: readonly number[], damping: number): number {
    const n = x.length;
    let gain = 0;
    for (let i = 0; i < n; i++) {
      for (let j = 0; j < n; j++) {
        damped[i * stride + j] = fixed[i] || fixed[j] ? 0 : normal[i * stride + j]!;
      }
      damped[i * stride + i] = fixed[i] ? 1 : normal[i * stride + i]! + brake(i, damping);
      right[i] = fixed[i] ? 0 : gradient[i]!;
    }
    solveDefinite(damped, right, n, stride, step);
    for (let i = 0; i < n; i++) {
      trial[i] = fixed[i] ? x[i]! : Math.min(upper, Math.max(lowerOf(i), x[i]! - step[i]!));
      if (!fixed[i]) gain += step[i]! * (gradient[i]! + brake(i, damping) * step[i]!);
    }
    return gain;
  }

  return (x, steps = rules.steps) => {
    const n = x.length;
    let damping = FIRST_DAMPING;
    let cost = problem.evaluate(x);
    let taken = 0;
    while (taken < steps && cost > perfect) {
      problem.differentiate(x);
      linearise(x);
      let gain = 0;
      while (damping < mostDamping) {
        if (propose(x, damping) < promising * cost) break;
        const next = problem.evaluate(trial);
        if (next < cost) {
          gain = cost - next;
          cost = next;
          break;
        }
        damping = Math.max(damping, growsFrom) * growth;
      }
      if (gain === 0) break;
      taken++;
      for (let i = 0; i < n; i++) x[i] = trial[i]!;
      if (gain < enough * cost) break;
      damping = Math.max(LEAST_DAMPING, damping * SHRINK);
    }
    return { cost, steps: taken };
  };
}
