import { BAND_COUNT, type Spectrum, spectrumFrom } from '../colour/bands.ts';
import { type LabD65 } from '../colour/lab.ts';
import { createDescent, type DescentRules } from '../numerics/leastSquares.ts';

/**
 * From "this much of it looks like that" to an absorption curve: the least change to what the chemistry suggests
 * which meets the stated colour. Maximum a posteriori over the strength, the heights of the single features, which
 * stay where they are, and a smooth log-shape of eight bumps, by Levenberg–Marquardt.
 */
export interface CurveProblem {
  /** Relative absorption of each feature that the chemistry suggests (36 bands each, ≥ 0). */
  readonly features: readonly Spectrum[];
  /** Standard deviation allowed to the log-height of each feature. */
  readonly heightFreedom: number;
  /** Standard deviation allowed to each bump of the log-shape. */
  readonly shapeFreedom: number;
  /** The strongest absorption per unit dose is never below this, > 0: nothing is quite without absorption. */
  readonly leastPeak: number;
  /** Nor above this: a colour that no absorption reaches, as of something that glows, is not sought by ever more of it. */
  readonly mostPeak: number;
  readonly target: LabD65;
  /** Lab units that count as one standard deviation of it. */
  readonly targetSigma: number;
  /** Colour of the stated dose for absorption k per unit dose (36 bands). */
  readonly predict: (k: Spectrum) => LabD65;
}

/** Difference at which the derivatives are taken, in natural logarithms. */
const STEP = 1e-4;
const RULES: DescentRules = {
  lower: -Infinity,
  upper: Infinity,
  steps: 60,
  enough: 1e-3,
  promising: 0,
  perfect: 0,
  growth: 4,
  growsFrom: 0,
  mostDamping: 1e8,
  ridge: 1e-9,
  levenberg: 0,
};
const BUMPS = 8;
/** Absorption never quite reaches zero: keeps the logarithm finite. */
const FLOOR = 0.004;
/** How sharply the least and the highest peak hold, in natural logarithms. */
const LIMIT_SIGMA = 0.3;

const bumps = Array.from({ length: BUMPS }, (_, j) => {
  const centre = 400 + (j * 310) / (BUMPS - 1);
  return spectrumFrom((nm) => Math.exp(-0.5 * ((nm - centre) / 36) ** 2));
});

/** Absorption per unit dose that meets the stated colour, in four significant digits: what is stored is what was fitted. */
export function fitCurve(problem: CurveProblem): number[] {
  const { features, target, predict } = problem;
  const peak = Math.max(...features.reduce((sum, f) => sum.map((v, b) => v + f[b]!)));
  const heights = features.length;
  const size = 1 + heights + BUMPS;
  const k = new Float64Array(BAND_COUNT);

  const curve = (p: ArrayLike<number>): Spectrum => {
    k.fill(FLOOR);
    features.forEach((feature, f) => {
      const height = Math.exp(p[1 + f]!) / peak;
      for (let b = 0; b < BAND_COUNT; b++) k[b] = k[b]! + height * feature[b]!;
    });
    for (let b = 0; b < BAND_COUNT; b++) {
      let log = p[0]!;
      for (let j = 0; j < BUMPS; j++) log += p[1 + heights + j]! * bumps[j]![b]!;
      k[b] = k[b]! * Math.exp(log);
    }
    return k;
  };

  const r = new Float64Array(3 + size);
  const jacobian = new Float64Array(r.length * size);
  const evaluate = (p: ArrayLike<number>): number => {
    const lab = predict(curve(p));
    for (let i = 0; i < 3; i++) r[i] = (lab[i]! - target[i]!) / problem.targetSigma;
    for (let j = 1; j < size; j++)
      r[2 + j] = p[j]! / (j <= heights ? problem.heightFreedom : problem.shapeFreedom);
    const highest = Math.max(...k);
    const outside = Math.max(0, Math.log(problem.leastPeak / highest), Math.log(highest / problem.mostPeak));
    r[2 + size] = outside / LIMIT_SIGMA;
    return r.reduce((sum, v) => sum + v * v, 0);
  };
  const differentiate = (p: ArrayLike<number>): void => {
    const moved = Array.from(p);
    const at = r.slice();
    for (let j = 0; j < size; j++) {
      moved[j] = p[j]! + STEP;
      evaluate(moved);
      moved[j] = p[j]!;
      for (let i = 0; i < r.length; i++) jacobian[i * size + j] = (r[i]! - at[i]!) / STEP;
    }
    r.set(at);
  };

  // Strength spans decades between a clay and a carbon black: scan it before polishing.
  const p = Array.from({ length: size }, () => 0);
  let strength = 0;
  let best = Infinity;
  for (let logStrength = -9; logStrength <= 5; logStrength += 0.5) {
    p[0] = logStrength;
    const cost = evaluate(p);
    if (cost < best) {
      best = cost;
      strength = logStrength;
    }
  }
  p[0] = strength;
  createDescent({ residuals: r, jacobian, stride: size, evaluate, differentiate }, RULES)(p);
  return Array.from(curve(p), (v) => Number(v.toPrecision(4)));
}
