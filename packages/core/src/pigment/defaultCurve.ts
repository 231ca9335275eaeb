import { BAND_COUNT, type Spectrum, spectrumFrom } from '../colour/bands.ts';
import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65 } from '../colour/lab.ts';
import { createDescent, type DescentRules } from '../numerics/leastSquares.ts';

/**
 * From "this much of it looks like that" to an absorption and scattering curve: the least change to the
 * shape that the chemistry suggests which meets the stated colour. Maximum a posteriori over log-strength,
 * a smooth log-shape of eight bumps and (optionally) log-scattering, by Levenberg–Marquardt.
 */
export interface CurveProblem {
  /** Relative absorption that the chemistry suggests (36 bands, ≥ 0). */
  readonly shape: Spectrum;
  /** Scattering per unit dose that the kind of material suggests. */
  readonly scatter: number;
  /** Standard deviation allowed to log-scattering; 0 keeps it. */
  readonly scatterFreedom: number;
  /** Standard deviation allowed to each bump of the log-shape. */
  readonly shapeFreedom: number;
  readonly target: LabD65;
  /** Colour of the stated dose for absorption k and scattering s per unit dose (36 bands each). */
  readonly predict: (k: Spectrum, s: number) => LabD65;
}

export interface CurveFit {
  readonly k: number[];
  readonly scatter: number;
  /** ΔE00 left between the stated colour and the fitted prediction. */
  readonly residual: number;
  readonly iterations: number;
}

/** Lab units that count as one standard deviation of the stated colour. */
const LAB_SIGMA = 0.4;
/** Difference at which the derivatives are taken, in natural logarithms. */
const STEP = 1e-4;
const RULES: DescentRules = {
  lower: -Infinity,
  upper: Infinity,
  steps: 60,
  enough: 1e-3,
  perfect: 0,
  growth: 4,
  growsFrom: 0,
  mostDamping: 1e8,
  ridge: 1e-9,
  levenberg: 0,
  // A derivative costs as much as ten predictions.
  eager: false,
};
const BUMPS = 8;
/** Absorption never quite reaches zero: keeps the logarithm finite. */
const FLOOR = 0.004;

const bumps = Array.from({ length: BUMPS }, (_, j) => {
  const centre = 400 + (j * 310) / (BUMPS - 1);
  return spectrumFrom((nm) => Math.exp(-0.5 * ((nm - centre) / 36) ** 2));
});

/** Fits one curve. Returns four significant digits, so that what is stored is what was fitted. */
export function fitCurve(problem: CurveProblem): CurveFit {
  const { shape, target, predict } = problem;
  const peak = Math.max(...shape);
  const logShape = shape.map((v) => Math.log(v / peak + FLOOR));
  const freeScatter = problem.scatterFreedom > 0;
  const size = 1 + BUMPS + (freeScatter ? 1 : 0);
  const k = new Float64Array(BAND_COUNT);

  const curve = (p: ArrayLike<number>): Spectrum => {
    for (let b = 0; b < BAND_COUNT; b++) {
      let log = logShape[b]! + p[0]!;
      for (let j = 0; j < BUMPS; j++) log += p[1 + j]! * bumps[j]![b]!;
      k[b] = Math.exp(log);
    }
    return k;
  };
  const scatterOf = (p: ArrayLike<number>): number =>
    freeScatter ? problem.scatter * Math.exp(p[1 + BUMPS]!) : problem.scatter;

  const r = new Float64Array(3 + size - 1);
  const jacobian = new Float64Array(r.length * size);
  const residualsAt = (p: ArrayLike<number>): number => {
    const lab = predict(curve(p), scatterOf(p));
    for (let i = 0; i < 3; i++) r[i] = (lab[i]! - target[i]!) / LAB_SIGMA;
    for (let j = 0; j < BUMPS; j++) r[3 + j] = p[1 + j]! / problem.shapeFreedom;
    if (freeScatter) r[3 + BUMPS] = p[1 + BUMPS]! / problem.scatterFreedom;
    return r.reduce((sum, v) => sum + v * v, 0);
  };
  const evaluate = (p: ArrayLike<number>, derive: boolean): number => {
    if (!derive) return residualsAt(p);
    const moved = Array.from(p);
    const cost = residualsAt(p);
    const at = r.slice();
    for (let j = 0; j < size; j++) {
      moved[j] = p[j]! + STEP;
      residualsAt(moved);
      moved[j] = p[j]!;
      for (let i = 0; i < r.length; i++) jacobian[i * size + j] = (r[i]! - at[i]!) / STEP;
    }
    r.set(at);
    return cost;
  };

  // Strength spans decades between a clay and a carbon black: scan it before polishing.
  const p = Array.from({ length: size }, () => 0);
  let strength = 0;
  let best = Infinity;
  for (let logStrength = -9; logStrength <= 5; logStrength += 0.5) {
    p[0] = logStrength;
    const cost = residualsAt(p);
    if (cost < best) {
      best = cost;
      strength = logStrength;
    }
  }
  p[0] = strength;
  const { steps } = createDescent({ residuals: r, jacobian, stride: size, evaluate }, RULES)(p);

  const rounded = Array.from(curve(p), significant);
  const scatter = significant(scatterOf(p));
  return {
    k: rounded,
    scatter,
    residual: deltaE00(predict(Float64Array.from(rounded), scatter), target),
    iterations: steps,
  };
}

const significant = (v: number): number => Number(v.toPrecision(4));
