import { BAND_COUNT } from '../colour/bands.ts';
import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65, labD65FromReflectance } from '../colour/lab.ts';
import { type FittedBase } from '../pigment/canvas.ts';
import { type Optics } from '../pigment/optics.ts';
import { type CurveMode } from '../pigment/spread.ts';
import { BUMPS } from './basis.ts';
import { descend, type Fitted, type Start } from './descent.ts';
import { labOfReading, labSlopes, labVariance } from './seen.ts';
import { Forward, type Prepared, prepare, ROW } from './forward.ts';
import { BASE, type FitKnown, knownAt, type Layout, layoutOf, OWN, spanOf, startOf } from './layout.ts';
import { modesOf } from './modes.ts';
import { doubtRows, priorRows } from './prior.ts';
import { type FitMaterial, type FitProblem, type FitReading } from './problem.ts';
import { baseAt, opticsAt } from './result.ts';

/** A material after the fit. */
export interface FittedMaterial {
  readonly id: string;
  readonly optics: Optics;
  /** Standard deviation of the strength that is left, as a fraction. */
  readonly spread: number;
  /** In what ways its curve may still be off; none for one that no reading holds. */
  readonly modes: readonly CurveMode[];
  /** Readings that hold it. */
  readonly readings: number;
  /** Median ΔE00 by which those were missed when each was left out; null without any. */
  readonly typicalMiss: number | null;
}

/** A reading beside what the fit makes of it. */
export interface FittedReading {
  readonly id: string;
  readonly seen: LabD65;
  /** What the curves of before foretold, what the fitted ones do. */
  readonly before: LabD65;
  readonly after: LabD65;
  /** ΔE00 of each, and of the fit without this reading. */
  readonly missBefore: number;
  readonly missAfter: number;
  readonly missLeftOut: number;
  /** How far the fit believed it, 0–1. */
  readonly weight: number;
  /** Whether it lies so far off that somebody should look: another dose, another lot, half a gel? */
  readonly isOdd: boolean;
}

export interface FitResult {
  readonly base: FittedBase;
  readonly materials: readonly FittedMaterial[];
  readonly readings: readonly FittedReading[];
  /** Median ΔE00 of the readings, each left out. */
  readonly typicalMiss: number | null;
  readonly steps: number;
  /** Where the unknowns ended. */
  readonly known: FitKnown;
}

/** A reading that is believed less than this is asked about. */
const ODD_BELOW = 0.35;
/** So many readings can tell how well they were read; they are never believed to be better than this share. */
const MANY = 8;
const LEAST_NOISE = 0.4;
/** The modes count on the noise that was said, a little less: so that nine of ten mixtures unseen lie within their range. */
const MODES_WIDTH = 0.78;
/** The least share of a miss that is not the reading's own doing. */
const LEAST_SHARE = 0.1;

/**
 * Joint maximum a posteriori fit of colourants and base to readings: Gauss–Newton on the logarithms of absorption
 * (cubic splines) and scattering of each colourant, absorption and scattering of the base in both gel states, and the
 * terms that only readings can tell, each with a prior round what was known. Whole readings that miss lose their
 * weight (Student's t). A material that no reading holds comes back as it was, and a fit without readings changes nothing.
 * @throws RangeError where a reading names a material that is not there
 */
export function fitReadings(problem: FitProblem): FitResult {
  requireKnown(problem);
  const layout = layoutOf(problem);
  return resultOf(problem, layout, null);
}

/**
 * The same for what some new readings touch: their colourants move, from where an earlier fit ended, over all readings
 * that hold them; every other one, the base and the gloss stay where they are. A bare bar moves the base alone, over all
 * bare bars.
 * @param problem with the new readings among the others
 * @param known where that fit ended
 * @returns of the colourants that moved, and of the readings that were looked at
 * @throws RangeError where a reading names a material that is not there
 */
export function refitTouched(problem: FitProblem, known: FitKnown, added: ReadonlySet<string>): FitResult {
  requireKnown(problem);
  const news = problem.readings.filter((r) => added.has(r.id));
  const touched = new Set(news.flatMap((r) => r.parts.filter((p) => p.dose > 0).map((p) => p.id)));
  const isBare = (r: FitReading): boolean => r.parts.length === 0;
  const hasBare = news.some(isBare);
  const readings = problem.readings.filter(
    (r) => r.parts.some((p) => touched.has(p.id)) || (hasBare && isBare(r)),
  );
  const met = new Set(readings.flatMap((r) => r.parts.map((p) => p.id)));
  const near = new Set(problem.materials.flatMap((m) => (met.has(m.id) ? [m.id, m.lotOf] : [])));
  const part = { ...problem, materials: problem.materials.filter((m) => near.has(m.id)), readings };
  const layout = layoutOf(part);
  const free = new Uint8Array(layout.size);
  for (const m of layout.materials) if (touched.has(m.id)) free.fill(1, ...spanOf(layout, m));
  if (hasBare) free.fill(1, layout.base, layout.base + BASE.end);
  for (const [instrument, at] of layout.gloss) if (!known.gloss[instrument]) free.fill(1, at, at + 2);
  const start = { p: startOf(layout, known), isFree: (unknown: number) => free[unknown] === 1 };
  const result = resultOf(part, layout, start);
  return { ...result, materials: result.materials.filter((m) => touched.has(m.id)) };
}

function requireKnown({ materials, readings }: FitProblem): void {
  const ids = new Set(materials.map((m) => m.id));
  for (const r of readings)
    for (const p of r.parts)
      if (!ids.has(p.id)) throw new RangeError(`Reading ${r.id} holds unknown material ${p.id}`);
}

function resultOf(problem: FitProblem, layout: Layout, start: Start | null): FitResult {
  const prepared = problem.readings.map((r) => prepare(layout, r));
  const fitted = descend(
    layout,
    prepared,
    priorRows(layout, problem.holdsBase),
    start,
    doubtRows(layout, problem.holdsBase),
  );
  const readings = readingsOf(layout, prepared, fitted);
  const misses = readings.map((r) => r.missLeftOut);
  // Many readings that lie nearer than was said of them were read better than was said.
  const least = readings.length >= MANY ? LEAST_NOISE : 1;
  const forward = new Forward(layout);
  const noise = Math.max(least, median(Array.from(fitted.misses)) ?? 1);
  return {
    base: {
      ...baseAt(layout, fitted.p, mostUsed(problem)),
      ...(problem.holdsBase && { isGuessed: true }),
    },
    materials: problem.materials.map((m): FittedMaterial => {
      const own = readings.filter((_, i) =>
        problem.readings[i]!.parts.some((p) => p.id === m.id && p.dose > 0),
      );
      const isTold = own.length > 0;
      return {
        id: m.id,
        optics: isTold ? opticsAt(layout, m, fitted.p) : m.optics,
        spread: isTold ? Math.min(m.spread, noise * spreadLeft(layout, m, fitted)) : m.spread,
        modes: isTold ? modesOf(layout, forward, m, fitted, MODES_WIDTH * Math.max(1, noise)) : [],
        readings: own.length,
        typicalMiss: median(own.map((r) => r.missLeftOut)),
      };
    }),
    readings,
    typicalMiss: median(misses),
    steps: fitted.steps,
    known: knownAt(layout, fitted.p),
  };
}

/** The instrument that most readings were read with. */
function mostUsed({ readings }: FitProblem): string | undefined {
  const counts = new Map<string, number>();
  for (const { instrument } of readings) counts.set(instrument, (counts.get(instrument) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0];
}

function median(values: readonly number[]): number | null {
  const sorted = values.toSorted((a, b) => a - b);
  return sorted.length === 0 ? null : sorted[Math.floor(sorted.length / 2)]!;
}

/** A colourant that scatters this much more than it absorbs anywhere is a white: its strength is how it scatters. */
const WHITE = 10;

/** Standard deviation of the mean log-absorption over the bands that a colourant takes most in; of a white, log-scattering. */
function spreadLeft(layout: Layout, m: FitMaterial, { whiten }: Fitted): number {
  const at = layout.of.get(m.id)!;
  const x = new Float64Array(layout.size);
  const peak = Math.max(...m.optics.k);
  if (Math.max(...m.optics.s) > WHITE * peak) {
    x[at + OWN.scatter] = 1;
    return lengthOf(whiten(x));
  }
  let total = 0;
  for (let j = 0; j < BUMPS; j++) {
    const b = Math.min(BAND_COUNT - 1, Math.max(0, Math.round(((j - 1) / (BUMPS - 3)) * (BAND_COUNT - 1))));
    const weight = m.optics.k[b]! / peak;
    x[at + j] = weight;
    total += weight;
  }
  for (let j = 0; j < BUMPS; j++) x[at + j] = x[at + j]! / total;
  return lengthOf(whiten(x));
}

const lengthOf = (x: Float64Array): number => Math.sqrt(x.reduce((sum, v) => sum + v * v, 0));

function readingsOf(
  layout: Layout,
  prepared: readonly Prepared[],
  { p, whiten, weights }: Fitted,
): FittedReading[] {
  const forward = new Forward(layout);
  const none = new Float64Array(layout.size);
  return prepared.map((r, i): FittedReading => {
    const seen = labOfReading(r.reading);
    forward.evaluate(none, r, false);
    const before = labD65FromReflectance(forward.R);
    forward.evaluate(p, r, true);
    const after = labD65FromReflectance(forward.R);
    const off = after.map((v, c) => v - seen[c]!);
    const left = leftOut(forward, layout, r, weights[i]!, whiten, off);
    return {
      id: r.reading.id,
      seen,
      before,
      after,
      missBefore: deltaE00(before, seen),
      missAfter: deltaE00(after, seen),
      missLeftOut: deltaE00(seen.map((v, c) => v + left[c]!) as unknown as LabD65, seen),
      weight: weights[i]!,
      isOdd: weights[i]! < ODD_BELOW,
    };
  });
}

/**
 * By how much Lab would be missed without the reading: what the fit leaves of a miss, divided by the share of it that
 * the reading did not pull to itself. In Lab, where a reading is three numbers.
 */
function leftOut(
  forward: Forward,
  layout: Layout,
  { reading }: Prepared,
  weight: number,
  whiten: Fitted['whiten'],
  off: readonly number[],
): number[] {
  const rows = labSlopes(forward.R);
  const known = rows.map((perBand) => {
    const x = new Float64Array(layout.size);
    for (let b = 0; b < BAND_COUNT; b++)
      for (let k = b * ROW; k < b * ROW + forward.counts[b]!; k++)
        x[forward.columns[k]!] = x[forward.columns[k]!]! + perBand[b]! * forward.slopes[k]!;
    return whiten(x).reduce((sum, v) => sum + v * v, 0);
  });
  return off.map((v, c) => {
    const noise = labVariance(reading, rows[c]!, c) / Math.max(weight, 1e-3);
    return v / Math.max(LEAST_SHARE, 1 - known[c]! / noise);
  });
}
