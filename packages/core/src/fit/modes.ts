import { BAND_COUNT, wavelengths } from '../colour/bands.ts';
import { labD65FromReflectance } from '../colour/lab.ts';
import { referenceCanvas } from '../pigment/canvas.ts';
import { type CurveMode } from '../pigment/spread.ts';
import { cured } from '../pigment/stage.ts';
import { bend, BUMPS } from './basis.ts';
import { type Fitted } from './descent.ts';
import { type Forward, prepare, ROW } from './forward.ts';
import { type Layout, OWN } from './layout.ts';
import { type FitMaterial } from './problem.ts';
import { residualSlopes } from './seen.ts';

/** Most ways in which a fitted curve may still be off, the ones that show most; what is left below this ΔE00 is none. */
const MODES = 6;
const UNSEEN = 0.15;
/** Doses at which that is looked at, as parts of the typical one. */
const DOSES = [0.3, 1, 2.5];
const ROUNDS = 40;

/** What a colourant is mixed into: how much it scatters, beside the base, and absorbs. */
interface Company {
  readonly scatters: number;
  readonly absorbs: (nm: number) => number;
}
const ALONE: Company = { scatters: 1, absorbs: () => 0 };
/** White, grey, yellow, red and blue. */
const AMONG: readonly Company[] = [
  { scatters: 6, absorbs: () => 0 },
  { scatters: 3, absorbs: () => 0.5 },
  { scatters: 2, absorbs: (nm) => (nm < 510 ? 1 : 0.02) },
  { scatters: 2, absorbs: (nm) => (nm < 590 ? 1 : 0.02) },
  { scatters: 1.5, absorbs: (nm) => (nm > 540 && nm < 680 ? 1 : 0.02) },
];
/** A variance below this is none. */
const LEAST = 1e-12;

/**
 * What is still not known of a colourant, as few independent modes: of the covariance that prior and readings leave of its
 * log-absorption and log-scattering, the directions in which its tints vary most.
 * @param noise by how much the readings miss more, or less, than was said of them
 */
export function modesOf(
  layout: Layout,
  forward: Forward,
  m: FitMaterial,
  { p, whitenDoubt }: Fitted,
  noise: number,
): CurveMode[] {
  const at = layout.of.get(m.id)!;
  // Those that a mode tells come first; the others are in what the tints may do.
  const told = [...Array.from({ length: BUMPS }, (_, j) => at + j), at + OWN.scatter];
  const own = [...told, at + OWN.scatterSlope, at + OWN.clumps, at + OWN.clumpsScatter, at + OWN.gel];
  const columns = own.map((i) => {
    const x = new Float64Array(layout.size);
    x[i] = 1;
    return whitenDoubt(x);
  });
  // One row a direction of colour of each tint: what of it each unknown moves.
  const effects = [
    ...DOSES.flatMap((part) => effectsOf(layout, forward, m, part * m.typical, p, own)),
    ...AMONG.flatMap((among) => effectsOf(layout, forward, m, m.typical, p, own, among)),
  ];
  // Covariance of the unknowns, and what each effect has in common with each of them.
  const covariance = columns.map((x) => Float64Array.from(columns, (y) => dot(x, y)));
  const common = effects.map((row) => Float64Array.from(covariance, (c) => dot(c, row)));
  // Covariance of the effects, of which one direction after the other is taken away.
  const left = effects.map((row) => Float64Array.from(common, (c) => dot(c, row)));
  const modes: CurveMode[] = [];
  const leastTrace = UNSEEN ** 2 * (DOSES.length + AMONG.length);
  while (modes.length < MODES && traceOf(left) > leastTrace) {
    const axis = strongest(left);
    if (!axis) break;
    const along = left.map((row) => dot(row, axis));
    const variance = dot(Float64Array.from(along), axis);
    left.forEach((row, i) => {
      for (let k = 0; k < row.length; k++) row[k] = row[k]! - (along[i]! * along[k]!) / variance;
    });
    const by = noise / Math.sqrt(variance);
    const moved = told.map((_, j) => by * common.reduce((sum, c, i) => sum + c[j]! * axis[i]!, 0));
    modes.push({
      k: Array.from({ length: BAND_COUNT }, (_, b) => Number(bend(moved, 0, b).toPrecision(3))),
      s: Number(moved[BUMPS]!.toPrecision(3)),
    });
  }
  return modes;
}

function effectsOf(
  layout: Layout,
  forward: Forward,
  m: FitMaterial,
  dose: number,
  p: Float64Array,
  own: readonly number[],
  among: Company = ALONE,
): Float64Array[] {
  const instrument = layout.gloss.keys().next().value!;
  const alone = prepare(layout, {
    id: '',
    parts: [{ id: m.id, dose }],
    canvas: referenceCanvas,
    stage: cured(1),
    instrument,
    seen: { lab: [50, 0, 0], doubt: 1 },
  });
  forward.evaluate(
    p,
    {
      ...alone,
      scatter: among.scatters * alone.scatter,
      rest: alone.rest.map((v, b) => v + among.absorbs(wavelengths[b]!)),
    },
    true,
  );
  const lab = labD65FromReflectance(forward.R);
  return residualSlopes(forward.R, { lab, doubt: 1 }).map((perBand) => {
    const all = new Float64Array(layout.size);
    for (let b = 0; b < BAND_COUNT; b++)
      for (let k = b * ROW; k < b * ROW + forward.counts[b]!; k++)
        all[forward.columns[k]!] = all[forward.columns[k]!]! + perBand[b]! * forward.slopes[k]!;
    return Float64Array.from(own, (i) => all[i]!);
  });
}

function dot(a: Float64Array, b: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += a[i]! * b[i]!;
  return sum;
}

/** The sum of the variances in a covariance. */
const traceOf = (covariance: readonly Float64Array[]): number =>
  covariance.reduce((sum, row, i) => sum + row[i]!, 0);

/** The direction of length 1 in which a covariance is largest, by the power method; null where it is none. */
function strongest(covariance: readonly Float64Array[]): Float64Array | null {
  const first = covariance.toSorted((a, b) => dot(b, b) - dot(a, a))[0];
  if (!first || dot(first, first) < LEAST ** 2) return null;
  let axis = first;
  for (let n = 0; n < ROUNDS; n++) {
    const next = Float64Array.from(covariance, (row) => dot(row, axis));
    const length = Math.sqrt(dot(next, next));
    axis = next.map((v) => v / length);
  }
  return axis;
}
