import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { BAND_COUNT, type Spectrum, spectrumFrom } from '../colour/bands.ts';
import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65 } from '../colour/lab.ts';

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
const MAX_ITERATIONS = 60;
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

  const curve = (p: readonly number[]): Spectrum => {
    for (let b = 0; b < BAND_COUNT; b++) {
      let log = logShape[b]! + p[0]!;
      for (let j = 0; j < BUMPS; j++) log += p[1 + j]! * bumps[j]![b]!;
      k[b] = Math.exp(log);
    }
    return k;
  };
  const scatterOf = (p: readonly number[]): number =>
    freeScatter ? problem.scatter * Math.exp(p[1 + BUMPS]!) : problem.scatter;

  const residuals = (p: readonly number[]): number[] => {
    const lab = predict(curve(p), scatterOf(p));
    const out = [0, 1, 2].map((i) => (lab[i]! - target[i]!) / LAB_SIGMA);
    for (let j = 0; j < BUMPS; j++) out.push(p[1 + j]! / problem.shapeFreedom);
    if (freeScatter) out.push(p[1 + BUMPS]! / problem.scatterFreedom);
    return out;
  };
  const cost = (r: readonly number[]): number => r.reduce((sum, v) => sum + v * v, 0);

  // Strength spans decades between a clay and a carbon black: scan it before polishing.
  let p = Array.from({ length: size }, () => 0);
  let best = Infinity;
  for (let logStrength = -9; logStrength <= 5; logStrength += 0.5) {
    const trial = [logStrength, ...p.slice(1)];
    const c = cost(residuals(trial));
    if (c < best) {
      best = c;
      p = trial;
    }
  }

  let damping = 1e-2;
  let iterations = 0;
  for (; iterations < MAX_ITERATIONS; iterations++) {
    const r = residuals(p);
    const J = new Matrix(r.length, size);
    for (let j = 0; j < size; j++) {
      const step = 1e-4;
      const moved = residuals(p.map((v, i) => (i === j ? v + step : v)));
      for (let i = 0; i < r.length; i++) J.set(i, j, (moved[i]! - r[i]!) / step);
    }
    const normal = J.transpose().mmul(J);
    const gradient = J.transpose().mmul(Matrix.columnVector(r));
    let improved = false;
    while (damping < 1e8) {
      const damped = normal.clone();
      for (let j = 0; j < size; j++) damped.set(j, j, normal.get(j, j) * (1 + damping) + 1e-9);
      const step = new CholeskyDecomposition(damped).solve(gradient).to1DArray();
      const trial = p.map((v, j) => v - step[j]!);
      const c = cost(residuals(trial));
      if (c < best) {
        improved = best - c > 1e-3 * best;
        best = c;
        p = trial;
        damping = Math.max(1e-6, damping / 5);
        break;
      }
      damping *= 4;
    }
    if (!improved) break;
  }

  const rounded = Array.from(curve(p), significant);
  const scatter = significant(scatterOf(p));
  return {
    k: rounded,
    scatter,
    residual: deltaE00(predict(Float64Array.from(rounded), scatter), target),
    iterations,
  };
}

const significant = (v: number): number => Number(v.toPrecision(4));
