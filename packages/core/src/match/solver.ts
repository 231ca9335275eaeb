import { BAND_COUNT } from '../colour/bands.ts';
import { type LabD65 } from '../colour/lab.ts';
import { type Canvas, canvasAbsorption } from '../pigment/canvas.ts';
import { createMixer, emissionBand, type Mixer } from '../pigment/mixer.ts';
import { absorptionAt, effectiveDose } from '../pigment/optics.ts';
import { baseScatter, type Stage } from '../pigment/stage.ts';
import { type Candidate } from './candidates.ts';
import { derivatives, lightTaken, mixSubset, ratioX, ratioY, ratioZ, type SearchTables } from './kernel.ts';
import { localMetric } from './metric.ts';

/** Most colourants in one recipe. */
export const MOST_PARTS = 4;

/** What is in the pot already and cannot be taken out. */
export interface Given {
  readonly optics: Candidate['optics'];
  readonly dose: number;
}

/** One subset's best doses by the local metric. */
export interface Solution {
  /** Indices into the candidates. */
  readonly ids: readonly number[];
  /** √(effective dose / largest effective dose), 0–1 for each of them. */
  readonly v: readonly number[];
  /** Squared local distance from the target. */
  readonly cost: number;
}

const EPSILON = 216 / 24389;
const SLOPE = 24389 / 27 / 116;

/** Smallest v: keeps the derivative alive at a dose that is as good as none. */
const V_MIN = 0.004;
const MAX_STEPS = 12;
/** A step that gains less than this share of the cost is the last one. */
const ENOUGH = 0.003;
/** Squared distances below this are a perfect match: ΔE00 0.05. */
const PERFECT = 0.0025;

/**
 * Finds the doses of a given subset of candidates that come nearest to a target. Levenberg–Marquardt on the
 * square root of the effective dose, in which the eye's response is about even, with analytic derivatives of
 * the mixing model; fluorescents get numeric ones. All buffers are its own.
 */
export interface Solver {
  readonly count: number;
  /** Largest effective dose of each candidate. */
  readonly eMax: Float64Array;
  /** `steps`: most steps; few are enough to rank, more to settle. */
  solve(ids: readonly number[], start: readonly number[], steps?: number): Solution;
  /** Local cost of a subset at v, for scanning. */
  cost(ids: readonly number[], v: readonly number[]): number;
}

export function createSolver(
  canvas: Canvas,
  candidates: readonly Candidate[],
  stage: Stage,
  target: LabD65,
  given: readonly Given[] = [],
): Solver {
  const count = candidates.length;
  const kBase = canvasAbsorption(canvas, stage, new Float64Array(BAND_COUNT));
  const sBase = new Float64Array(BAND_COUNT).fill(baseScatter(stage));
  const own = new Float64Array(BAND_COUNT);
  for (const g of given) {
    const e = effectiveDose(g.dose, g.optics.saturation);
    absorptionAt(g.optics, stage, own);
    for (let b = 0; b < BAND_COUNT; b++) {
      kBase[b] = kBase[b]! + e * own[b]!;
      sBase[b] = sBase[b]! + e * g.optics.s[b]!;
    }
  }
  const k = new Float64Array(count * BAND_COUNT);
  const s = new Float64Array(count * BAND_COUNT);
  const eMax = new Float64Array(count);
  candidates.forEach((c, i) => {
    k.set(absorptionAt(c.optics, stage, own), i * BAND_COUNT);
    s.set(c.optics.s, i * BAND_COUNT);
    eMax[i] = effectiveDose(c.ceiling, c.optics.saturation);
  });
  const tables: SearchTables = { kBase, sBase, k, s };
  const M = localMetric(target);

  const r = new Float64Array(3);
  const J = new Float64Array(3 * MOST_PARTS);
  const JtJ = new Float64Array(MOST_PARTS * MOST_PARTS);
  const gradient = new Float64Array(MOST_PARTS);
  const stepBuffer = new Float64Array(MOST_PARTS);
  const e = new Float64Array(MOST_PARTS);
  const xyz = new Float64Array(3);
  const dXyz = new Float64Array(3 * MOST_PARTS);

  // What a fluorescent gives back, as the tristimulus ratios of its whole band.
  const emitters = candidates.map(({ optics: { emission } }) => {
    if (!emission) return null;
    const { shape, last, efficiency } = emissionBand(emission);
    const seen = (w: Float64Array): number => efficiency * shape.reduce((sum, v, b) => sum + v * w[b]!, 0);
    return { last, x: seen(ratioX), y: seen(ratioY), z: seen(ratioZ) };
  });
  // Fluorescents and specks that are in the pot already go through the full mixer.
  const givenSpecial = given.some((g) => g.optics.emission !== null || g.optics.specks !== null);
  const mixers = new Map<string, Mixer>();
  const doses = new Float64Array(MOST_PARTS + given.length);
  const lab = new Float64Array(3);
  const inverse = (i: number, effective: number): number => {
    const c = candidates[i]!.optics.saturation;
    return c === null ? effective : effective / (1 - effective / c);
  };

  function slowResidual(ids: readonly number[], v: ArrayLike<number>): void {
    const key = ids.join();
    let mixer = mixers.get(key);
    if (!mixer) {
      mixer = createMixer(
        canvas,
        [...ids.map((i) => candidates[i]!.optics), ...given.map((g) => g.optics)],
        stage,
      );
      mixers.set(key, mixer);
    }
    ids.forEach((i, n) => (doses[n] = inverse(i, eMax[i]! * v[n]! * v[n]!)));
    given.forEach((g, n) => (doses[ids.length + n] = g.dose));
    mixer.lab(doses, lab);
    toResidual(lab[0]!, lab[1]!, lab[2]!, r);
  }

  function toResidual(L: number, a: number, b: number, out: Float64Array): void {
    const l = L - target[0];
    const da = a - target[1];
    const db = b - target[2];
    out[0] = M[0]! * l;
    out[1] = M[4]! * da + M[5]! * db;
    out[2] = M[7]! * da + M[8]! * db;
  }

  function numericDerivatives(ids: readonly number[], v: ArrayLike<number>): number {
    const moved = Array.from(v);
    const cost = evaluate(ids, v, false);
    const at = [r[0]!, r[1]!, r[2]!];
    for (let j = 0; j < ids.length; j++) {
      const h = v[j]! > 0.5 ? -1e-4 : 1e-4;
      moved[j] = v[j]! + h;
      evaluate(ids, moved, false);
      moved[j] = v[j]!;
      for (let q = 0; q < 3; q++) J[q * MOST_PARTS + j] = (r[q]! - at[q]!) / h;
    }
    r.set(at);
    return cost;
  }

  /** Residual at v and, when asked, its derivatives by v. Returns the squared length. */
  function evaluate(ids: readonly number[], v: ArrayLike<number>, derive: boolean): number {
    const n = ids.length;
    const lit = ids.some((i) => emitters[i]);
    if (derive && (lit || givenSpecial)) return numericDerivatives(ids, v);
    if (givenSpecial) {
      slowResidual(ids, v);
      return r[0]! * r[0]! + r[1]! * r[1]! + r[2]! * r[2]!;
    }
    for (let j = 0; j < n; j++) e[j] = eMax[ids[j]!]! * v[j]! * v[j]!;
    mixSubset(tables, ids, e, xyz);
    let x = xyz[0]!;
    let y = xyz[1]!;
    let z = xyz[2]!;
    if (lit) {
      for (let j = 0; j < n; j++) {
        const emitter = emitters[ids[j]!];
        if (!emitter) continue;
        const taken = lightTaken(tables, ids[j]!, e[j]!, emitter.last);
        x += taken * emitter.x;
        y += taken * emitter.y;
        z += taken * emitter.z;
      }
    }
    const cx = Math.cbrt(x);
    const cy = Math.cbrt(y);
    const cz = Math.cbrt(z);
    const fx = x > EPSILON ? cx : SLOPE * x + 16 / 116;
    const fy = y > EPSILON ? cy : SLOPE * y + 16 / 116;
    const fz = z > EPSILON ? cz : SLOPE * z + 16 / 116;
    toResidual(116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz), r);
    if (derive) {
      derivatives(tables, ids, dXyz);
      const gx = x > EPSILON ? 1 / (3 * cx * cx) : SLOPE;
      const gy = y > EPSILON ? 1 / (3 * cy * cy) : SLOPE;
      const gz = z > EPSILON ? 1 / (3 * cz * cz) : SLOPE;
      for (let j = 0; j < n; j++) {
        const chain = 2 * eMax[ids[j]!]! * v[j]!;
        const dfx = gx * dXyz[j * 3]! * chain;
        const dfy = gy * dXyz[j * 3 + 1]! * chain;
        const dfz = gz * dXyz[j * 3 + 2]! * chain;
        const da = 500 * (dfx - dfy);
        const db = 200 * (dfy - dfz);
        J[j] = M[0]! * 116 * dfy;
        J[MOST_PARTS + j] = M[4]! * da + M[5]! * db;
        J[2 * MOST_PARTS + j] = M[7]! * da + M[8]! * db;
      }
    }
    return r[0]! * r[0]! + r[1]! * r[1]! + r[2]! * r[2]!;
  }

  function solve(ids: readonly number[], start: readonly number[], steps: number = MAX_STEPS): Solution {
    const n = ids.length;
    const v = start.slice();
    const trial = v.slice();
    let damping = 0.01;
    let cost = evaluate(ids, v, true);
    for (let step = 0; step < steps && cost > PERFECT; step++) {
      for (let i = 0; i < n; i++) {
        gradient[i] = J[i]! * r[0]! + J[MOST_PARTS + i]! * r[1]! + J[2 * MOST_PARTS + i]! * r[2]!;
        for (let j = 0; j <= i; j++) {
          const sum =
            J[i]! * J[j]! +
            J[MOST_PARTS + i]! * J[MOST_PARTS + j]! +
            J[2 * MOST_PARTS + i]! * J[2 * MOST_PARTS + j]!;
          JtJ[i * MOST_PARTS + j] = sum;
          JtJ[j * MOST_PARTS + i] = sum;
        }
      }
      // A dose at its bound that wants to go further stays out of this step.
      const fixed = v.map((x, i) => (x <= V_MIN && gradient[i]! > 0) || (x >= 1 && gradient[i]! < 0));
      let improved = false;
      let gain = 0;
      for (let attempt = 0; attempt < 5; attempt++) {
        solveDamped(JtJ, gradient, fixed, n, damping, stepBuffer);
        for (let i = 0; i < n; i++) {
          trial[i] = fixed[i] ? v[i]! : Math.min(1, Math.max(V_MIN, v[i]! - stepBuffer[i]!));
        }
        // Nearly every step is taken, so the derivatives for the next one come along.
        const next = evaluate(ids, trial, true);
        if (next < cost) {
          gain = cost - next;
          cost = next;
          improved = true;
          break;
        }
        damping = Math.max(damping, 1e-4) * 8;
      }
      if (!improved) break;
      for (let i = 0; i < n; i++) v[i] = trial[i]!;
      damping *= 0.2;
      if (gain < ENOUGH * cost) break;
    }
    return { ids, v, cost };
  }

  return { count, eMax, solve, cost: (ids, v) => evaluate(ids, v, false) };
}

/** Solves (A + λ(diag A + tiny)) x = g for up to four unknowns, leaving out the fixed ones. */
function solveDamped(
  A: Float64Array,
  g: Float64Array,
  fixed: readonly boolean[],
  n: number,
  damping: number,
  x: Float64Array,
): void {
  const m = scratch;
  for (let i = 0; i < n; i++) {
    for (let j = 0; j < n; j++) {
      const off = fixed[i]! || fixed[j]!;
      m[i * 5 + j] = off ? 0 : A[i * MOST_PARTS + j]!;
    }
    const diagonal = A[i * MOST_PARTS + i]!;
    m[i * 5 + i] = fixed[i] ? 1 : diagonal * (1 + damping) + 1e-6 + damping;
    m[i * 5 + 4] = fixed[i] ? 0 : g[i]!;
  }
  // The damped matrix is positive definite: elimination needs no pivoting.
  for (let c = 0; c < n; c++) {
    for (let row = c + 1; row < n; row++) {
      const f = m[row * 5 + c]! / m[c * 5 + c]!;
      for (let j = c; j < n; j++) m[row * 5 + j] = m[row * 5 + j]! - f * m[c * 5 + j]!;
      m[row * 5 + 4] = m[row * 5 + 4]! - f * m[c * 5 + 4]!;
    }
  }
  for (let i = n - 1; i >= 0; i--) {
    let sum = m[i * 5 + 4]!;
    for (let j = i + 1; j < n; j++) sum -= m[i * 5 + j]! * x[j]!;
    x[i] = sum / m[i * 5 + i]!;
  }
}

const scratch = new Float64Array(4 * 5);
