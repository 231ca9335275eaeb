import { BAND_COUNT } from '../colour/bands.ts';
import { type LabD65, whiteD65 } from '../colour/lab.ts';
import { weightsD65 } from '../colour/observer.ts';
import { type Canvas, canvasAbsorption } from '../pigment/canvas.ts';
import { createMixer, type Mixer } from '../pigment/mixer.ts';
import { absorptionAt, effectiveDose } from '../pigment/optics.ts';
import { baseScatter, type Stage } from '../pigment/stage.ts';
import { SURFACE_K2, SURFACE_PASS } from '../pigment/surface.ts';
import { type Candidate } from './candidates.ts';
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

const weights = [weightsD65.x, weightsD65.y, weightsD65.z].map((w, i) => w.map((v) => v / whiteD65[i]!));
const [wx, wy, wz] = weights as [Float64Array, Float64Array, Float64Array];
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
  solve(ids: readonly number[], start: readonly number[]): Solution;
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
  const M = localMetric(target);

  const r = new Float64Array(3);
  const J = new Float64Array(3 * MOST_PARTS);
  const JtJ = new Float64Array(MOST_PARTS * MOST_PARTS);
  const gradient = new Float64Array(MOST_PARTS);
  const stepBuffer = new Float64Array(MOST_PARTS);
  const e = new Float64Array(MOST_PARTS);
  const from = new Int32Array(MOST_PARTS);
  const dXyz = new Float64Array(3 * MOST_PARTS);

  // Fluorescents and what is given with them go through the full mixer.
  const emissive = candidates.map((c) => c.optics.emission !== null);
  const givenEmissive = given.some((g) => g.optics.emission !== null || g.optics.specks !== null);
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
      mixer = createMixer(canvas, [...ids.map((i) => candidates[i]!.optics), ...given.map((g) => g.optics)], stage);
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

  /** Residual at v and, when asked, its derivatives by v. Returns the squared length. */
  function evaluate(ids: readonly number[], v: ArrayLike<number>, derive: boolean): number {
    const n = ids.length;
    if (givenEmissive || ids.some((i) => emissive[i])) {
      if (derive) {
        const moved = Array.from(v);
        slowResidual(ids, v);
        const at = [r[0]!, r[1]!, r[2]!];
        for (let j = 0; j < n; j++) {
          const h = v[j]! > 0.5 ? -1e-4 : 1e-4;
          moved[j] = v[j]! + h;
          slowResidual(ids, moved);
          moved[j] = v[j]!;
          for (let q = 0; q < 3; q++) J[q * MOST_PARTS + j] = (r[q]! - at[q]!) / h;
        }
        r.set(at);
      } else slowResidual(ids, v);
      return r[0]! * r[0]! + r[1]! * r[1]! + r[2]! * r[2]!;
    }
    for (let j = 0; j < n; j++) {
      const i = ids[j]!;
      e[j] = eMax[i]! * v[j]! * v[j]!;
      from[j] = i * BAND_COUNT;
    }
    if (derive) dXyz.fill(0);
    let x = 0;
    let y = 0;
    let z = 0;
    for (let b = 0; b < BAND_COUNT; b++) {
      let K = kBase[b]!;
      let S = sBase[b]!;
      for (let j = 0; j < n; j++) {
        K += e[j]! * k[from[j]! + b]!;
        S += e[j]! * s[from[j]! + b]!;
      }
      const root = Math.sqrt(K * (K + 2 * S));
      const inv = 1 / (S * (1 - SURFACE_K2) + K + root);
      const R = SURFACE_PASS * S * inv;
      x += R * wx[b]!;
      y += R * wy[b]!;
      z += R * wz[b]!;
      if (!derive) continue;
      const dK = -R * inv * (1 + (K + S) / root);
      const dS = SURFACE_PASS * inv - R * inv * (1 - SURFACE_K2 + K / root);
      for (let j = 0; j < n; j++) {
        const d = dK * k[from[j]! + b]! + dS * s[from[j]! + b]!;
        dXyz[j * 3] = dXyz[j * 3]! + d * wx[b]!;
        dXyz[j * 3 + 1] = dXyz[j * 3 + 1]! + d * wy[b]!;
        dXyz[j * 3 + 2] = dXyz[j * 3 + 2]! + d * wz[b]!;
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

  function solve(ids: readonly number[], start: readonly number[]): Solution {
    const n = ids.length;
    const v = start.slice();
    const trial = v.slice();
    let damping = 0.01;
    let cost = evaluate(ids, v, true);
    for (let step = 0; step < MAX_STEPS && cost > PERFECT; step++) {
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
        const next = evaluate(ids, trial, false);
        if (next < cost) {
          gain = cost - next;
          improved = true;
          break;
        }
        damping = Math.max(damping, 1e-4) * 8;
      }
      if (!improved) break;
      for (let i = 0; i < n; i++) v[i] = trial[i]!;
      damping *= 0.2;
      const last = gain < ENOUGH * cost;
      cost = evaluate(ids, v, !last);
      if (last) break;
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
