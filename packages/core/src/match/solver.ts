import { BAND_COUNT } from '../colour/bands.ts';
import { labF, labFSlope, type LabD65 } from '../colour/lab.ts';
import { viewingD65 } from '../colour/observer.ts';
import { createDescent, type DescentRules } from '../numerics/leastSquares.ts';
import { type Canvas, canvasAbsorption, canvasScatter, surfaceOf } from '../pigment/canvas.ts';
import { type Body, type BodySlope } from '../pigment/glow.ts';
import { absorptionAt, effectiveDose, scatterSaturationOf } from '../pigment/optics.ts';
import { addSpecials, isSpecial, type SpecialPart, specialPart } from '../pigment/special.ts';
import { type Stage } from '../pigment/stage.ts';
import { type Candidate, type GivenDose } from './candidates.ts';
import {
  bodySlopes,
  derivatives,
  lastMix,
  mixSubset,
  ratioSlopes,
  ratiosOf,
  type SearchTables,
} from './kernel.ts';
import { localMetric } from '../colour/metric.ts';

/** Most colourants in one recipe. */
export const MOST_PARTS = 4;

/** What may be added of a candidate, g/kg oils. */
export interface Range {
  least(candidate: Candidate): number;
  most(candidate: Candidate): number;
}

/** One subset's best doses by the local metric. */
export interface Solution {
  /** Indices into the candidates. */
  readonly ids: readonly number[];
  /** √(effect of the added dose / its largest effect), 0–1 for each of them. */
  readonly v: readonly number[];
  /** Squared local distance from the target. */
  readonly cost: number;
}

/** Keeps the derivative alive at a dose that is as good as none. */
const LEAST_V = 0.004;
const RULES: Omit<DescentRules, 'lower'> = {
  upper: 1,
  steps: 12,
  enough: 0.003,
  promising: 0.001,
  // A difference of ΔE00 0.05, squared: nobody sees it.
  perfect: 0.0025,
  growth: 8,
  growsFrom: 1e-4,
  mostDamping: 100,
  ridge: 1e-6,
  levenberg: 1,
};

/**
 * Finds the doses of a given subset of candidates that come nearest to a target. Levenberg–Marquardt on the
 * square root of the effective dose, in which the eye's response is about even, with analytic derivatives of
 * the whole model. All buffers are its own.
 */
export interface Solver {
  readonly count: number;
  /** Doses in g/kg that stand for v, above none. */
  dosesOf(solution: Pick<Solution, 'ids' | 'v'>): number[];
  /** `steps`: most steps; few are enough to rank, more to settle. */
  solve(ids: readonly number[], start: readonly number[], steps?: number): Solution;
  /** Local cost of a subset at v, for scanning. */
  cost(ids: readonly number[], v: readonly number[]): number;
}

/** Room for the slopes of a mixture by its first doses: none of them, one, and so on up to all. */
function slopesOfBody(): readonly (readonly BodySlope[])[] {
  const spectrum = (): Float64Array => new Float64Array(BAND_COUNT);
  const all = Array.from({ length: MOST_PARTS }, () => ({ K: spectrum(), S: spectrum(), R: spectrum() }));
  return Array.from({ length: MOST_PARTS + 1 }, (_, n) => all.slice(0, n));
}

/**
 * Builds the solver of one target on one canvas.
 * @param candidates what may be used.
 * @param given what is in the pot already and stays; what is added of the same material saturates with it.
 * @param range least and most that may be added of each candidate, g/kg; the least is kept by whatever joins.
 */
export function createSolver(
  canvas: Canvas,
  candidates: readonly Candidate[],
  stage: Stage,
  target: LabD65,
  given: readonly Pick<GivenDose, 'id' | 'optics' | 'dose'>[] = [],
  range: Range = { least: () => 0, most: (c) => c.ceiling },
): Solver {
  const count = candidates.length;
  const kBase = canvasAbsorption(canvas, stage, new Float64Array(BAND_COUNT));
  const sBase = canvasScatter(canvas, stage, new Float64Array(BAND_COUNT));
  const { inner, load, gloss } = surfaceOf(canvas, stage);
  const own = new Float64Array(BAND_COUNT);
  const thereOf = (id: string): number => given.reduce((sum, g) => sum + (g.id === id ? g.dose : 0), 0);
  const seen = new Set<string>();
  for (const g of given) {
    const there = thereOf(g.id);
    const e = effectiveDose(there, g.optics.saturation);
    const f = effectiveDose(there, scatterSaturationOf(g.optics));
    if (seen.has(g.id)) continue;
    seen.add(g.id);
    absorptionAt(g.optics, stage, own);
    for (let b = 0; b < BAND_COUNT; b++) {
      kBase[b] = kBase[b]! + e * own[b]!;
      sBase[b] = sBase[b]! + f * g.optics.s[b]!;
    }
  }
  const k = new Float64Array(count * BAND_COUNT);
  const s = new Float64Array(count * BAND_COUNT);
  // Of what may be added, on top of what is there.
  const eMax = new Float64Array(count);
  const eThere = new Float64Array(count);
  const vLeast = new Float64Array(count);
  candidates.forEach((c, i) => {
    k.set(absorptionAt(c.optics, stage, own), i * BAND_COUNT);
    s.set(c.optics.s, i * BAND_COUNT);
    const there = thereOf(c.id);
    const { saturation } = c.optics;
    eThere[i] = effectiveDose(there, saturation);
    const added = (dose: number): number => effectiveDose(there + dose, saturation) - eThere[i]!;
    eMax[i] = added(range.most(c));
    vLeast[i] = Math.min(1, Math.max(LEAST_V, Math.sqrt(added(range.least(c)) / eMax[i])));
  });
  const { ratios } = viewingD65;
  const tables: SearchTables = { kBase, sBase, k, s, inner, ratios };
  const M = localMetric(target);

  const r = new Float64Array(3);
  const J = new Float64Array(3 * MOST_PARTS);
  const e = new Float64Array(MOST_PARTS);
  const f = new Float64Array(MOST_PARTS);
  /** Doses in the pot, g/kg, and by how much they grow with the effective ones: only what bars told asks for them. */
  const doses = new Float64Array(MOST_PARTS);
  const doseSlopes = new Float64Array(MOST_PARTS);
  const slopes = { own: new Float64Array(MOST_PARTS), all: new Float64Array(MOST_PARTS) };
  /** Whether absorption and scattering of what is mixed go the same way, as those of default curves do. */
  const isPlain = load === 0 && candidates.every((c) => !c.optics.terms);
  const givenLoad = given.reduce((sum, g) => sum + g.dose, 0);
  const xyz = new Float64Array(3);
  const fXyz = new Float64Array(3);
  const dXyz = new Float64Array(3 * MOST_PARTS);

  const givenParts = given.flatMap(({ id, optics }, n) => {
    if (!isSpecial(optics) || given.findIndex((g) => g.id === id) !== n) return [];
    const dose = thereOf(id);
    const e = effectiveDose(dose, optics.saturation);
    const part = specialPart(optics, absorptionAt(optics, stage, new Float64Array(BAND_COUNT)));
    return [{ id, part: Object.assign(part, { e, dose }) }];
  });
  const ownParts = candidates.map(({ optics }, i) =>
    isSpecial(optics) ? specialPart(optics, k.subarray(i * BAND_COUNT, (i + 1) * BAND_COUNT)) : null,
  );
  const bodyBy = slopesOfBody();
  const specials: SpecialPart[] = [];

  /** Finds fluorescents, specks and plates among a subset and what is there already, at the doses that were mixed. */
  function gatherSpecials(ids: readonly number[]): void {
    specials.length = 0;
    for (let j = 0; j < ids.length; j++) {
      const part = ownParts[ids[j]!];
      if (!part) continue;
      part.slope = j;
      part.e = eThere[ids[j]!]! + e[j]!;
      part.dose = doses[j]!;
      part.doseSlope = doseSlopes[j]!;
      specials.push(part);
    }
    // What is there of a colourant that is added to was counted with it.
    for (const { id, part } of givenParts)
      if (!ids.some((i) => candidates[i]!.id === id)) specials.push(part);
  }

  /** The dose in the pot, there and added, that has an effect beyond what is there. */
  const wholeDose = (i: number, added: number): number => {
    const c = candidates[i]!.optics.saturation;
    const e = eThere[i]! + added;
    return c === null ? e : e / (1 - e / c);
  };

  function toResidual(L: number, a: number, b: number, out: Float64Array): void {
    const l = L - target[0];
    const da = a - target[1];
    const db = b - target[2];
    out[0] = M[0]! * l;
    out[1] = M[4]! * da + M[5]! * db;
    out[2] = M[7]! * da + M[8]! * db;
  }

  function plainDoses(n: number): number {
    for (let j = 0; j < n; j++) {
      f[j] = e[j]!;
      slopes.own[j] = 1;
      slopes.all[j] = 0;
    }
    return 1;
  }

  /** What scatters of the doses in `e`, and how it changes with them. @returns what the load leaves of all scattering */
  function fittedDoses(ids: readonly number[]): number {
    let powder = givenLoad;
    for (let j = 0; j < ids.length; j++) {
      const { optics } = candidates[ids[j]!]!;
      const there = eThere[ids[j]!]!;
      const dose = wholeDose(ids[j]!, e[j]!);
      const before = wholeDose(ids[j]!, 0);
      const limit = scatterSaturationOf(optics);
      f[j] = effectiveDose(dose, limit) - effectiveDose(before, limit);
      powder += dose - before;
      doses[j] = dose;
      // By the effective dose: the dose itself grows by (1 − e/c)⁻² of it.
      const left = optics.saturation === null ? 1 : 1 - (there + e[j]!) / optics.saturation;
      doseSlopes[j] = 1 / (left * left);
      slopes.own[j] = doseSlopes[j]! / (limit === null ? 1 : (1 + dose / limit) ** 2);
    }
    const packed = 1 / (1 + load * powder);
    for (let j = 0; j < ids.length; j++) {
      slopes.all[j] = -load * packed * doseSlopes[j]!;
      slopes.own[j] = slopes.own[j]! * packed;
    }
    return packed;
  }

  /** What the eye is shown of the last mix where something glows, mirrors or lies in specks. */
  const shown: Body = { ...lastMix, R: new Float64Array(BAND_COUNT), inner };
  const show = (slopes: readonly BodySlope[] = []): void => {
    shown.R.set(lastMix.R);
    addSpecials(specials, shown, slopes);
  };

  /** Writes the residual at v. Returns its squared length. */
  function evaluate(ids: readonly number[], v: ArrayLike<number>): number {
    for (let j = 0; j < ids.length; j++) e[j] = eMax[ids[j]!]! * v[j]! * v[j]!;
    const packed = isPlain ? plainDoses(ids.length) : fittedDoses(ids);
    mixSubset(tables, ids, e, f, packed);
    gatherSpecials(ids);
    if (specials.length > 0) show();
    ratiosOf(tables, specials.length > 0 ? shown.R : lastMix.R, xyz);
    // The same light in every band is the same share of white.
    for (let i = 0; i < 3; i++) fXyz[i] = labF(xyz[i]! + gloss);
    const [fx, fy, fz] = [fXyz[0]!, fXyz[1]!, fXyz[2]!];
    toResidual(116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz), r);
    return r[0]! * r[0]! + r[1]! * r[1]! + r[2]! * r[2]!;
  }

  /** Writes the derivatives of the residual by v, at which it was evaluated last. */
  function differentiate(ids: readonly number[], v: ArrayLike<number>): void {
    const n = ids.length;
    if (specials.length === 0) derivatives(tables, ids, slopes, dXyz);
    else {
      const by = bodyBy[n]!;
      bodySlopes(tables, ids, slopes, by);
      show(by);
      ratioSlopes(tables, by, dXyz);
    }
    const gx = labFSlope(fXyz[0]!);
    const gy = labFSlope(fXyz[1]!);
    const gz = labFSlope(fXyz[2]!);
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

  let subset: readonly number[] = [];
  const lower = new Float64Array(MOST_PARTS);
  const descend = createDescent(
    {
      residuals: r,
      jacobian: J,
      stride: MOST_PARTS,
      evaluate: (v) => evaluate(subset, v),
      differentiate: (v) => {
        differentiate(subset, v);
      },
    },
    { ...RULES, lower },
  );

  function solve(ids: readonly number[], start: readonly number[], steps?: number): Solution {
    subset = ids;
    const v = start.map((x, n) => Math.max(x, (lower[n] = vLeast[ids[n]!]!)));
    const { cost } = descend(v, steps);
    return { ids, v, cost };
  }

  const dosesOf = ({ ids, v }: Pick<Solution, 'ids' | 'v'>): number[] =>
    ids.map((i, n) => {
      const added = wholeDose(i, eMax[i]! * v[n]! * v[n]!) - wholeDose(i, 0);
      return v[n]! <= LEAST_V ? 0 : Math.min(range.most(candidates[i]!), added);
    });

  return { count, dosesOf, solve, cost: evaluate };
}
