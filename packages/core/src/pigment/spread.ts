import { BAND_COUNT, wavelengths } from '../colour/bands.ts';
import { labFSlope, labF, type LabD65 } from '../colour/lab.ts';
import { localMetric } from '../colour/metric.ts';
import { viewingD65 } from '../colour/observer.ts';
import { type Canvas } from './canvas.ts';
import { type Mixer, mixerOf, mixTables } from './mixer.ts';
import { type OpaqueBands, opaqueBands, opaqueSlopes } from './opaque.ts';
import { type Optics } from './optics.ts';
import { type Stage } from './stage.ts';

/**
 * One way in which a curve may be off, by one standard deviation: a change of its log-absorption (36 bands) and of its
 * log-scattering. Modes are independent of one another.
 */
export interface CurveMode {
  readonly k: readonly number[];
  readonly s: number;
}

/** How far a colour may be off. */
export interface Spread {
  /** Root mean square ΔE00. */
  readonly deltaE: number;
  /** Covariance of L*, a*, b*: LL, La, Lb, aa, ab, bb. */
  readonly covariance: readonly [number, number, number, number, number, number];
  /** The darker and the lighter end of the range in which nine of ten lie, along the way it varies most. */
  readonly range: readonly [LabD65, LabD65];
}

export interface SpreadOf {
  of(doses: ArrayLike<number>): Spread;
}

/** Middle of the spectrum and half its width, nm: a position on it is from −1 to 1. */
const MIDDLE = 555;
const HALF = 175;
const place = wavelengths.map((nm) => (nm - MIDDLE) / HALF);
/** How far the hue of a default curve may be off: its absorption leans to one side, or bends. */
const LEAN = 0.18;
const BEND = 0.12;
/** Standard deviation of the logarithm of a default curve’s scattering. */
const SCATTER = 0.35;

const still = new Array<number>(BAND_COUNT).fill(0);

/** Modes of a curve that stands on its label alone. @param spread standard deviation of its strength, as a fraction */
export const defaultModes = (spread: number): readonly CurveMode[] => [
  { k: still.map(() => Math.log1p(spread)), s: 0 },
  { k: place.map((z) => LEAN * z), s: 0 },
  { k: place.map((z) => BEND * (2 * z * z - 1)), s: 0 },
  { k: still, s: SCATTER },
];

/** Standard deviations of the bare base’s log-absorption and log-scattering: the reference, and one that bars told. */
const BASE = { guessed: { k: 0.2, s: 0.1 }, told: { k: 0.05, s: 0.03 } };
/** What no curve accounts for, in each direction of ΔE00: batches differ, and the model is a model. */
const MODEL = 0.4;
/** Efficiency of a fluorescent, as a fraction of it. */
const GLOW = 0.35;
/** Nine of ten of a normal variable lie within so many standard deviations. */
const NINETY = 1.645;

/** How far mixtures of some colourants may be off, by how far each curve may be: linear about what is foretold. */
export function createSpread(
  canvas: Canvas,
  colourants: readonly { readonly optics: Optics; readonly modes: readonly CurveMode[] }[],
  stage: Stage,
): SpreadOf {
  const optics = colourants.map((c) => c.optics);
  const tables = mixTables(canvas, optics, stage);
  const { k, s, stride, saturation, scatterSaturation, kBase, sBase, load, inner } = tables;
  const count = optics.length;
  const mixer = mixerOf(tables);
  const base = canvas.base ? BASE.told : BASE.guessed;
  const { ratios } = viewingD65;
  const bands = (): Float64Array => new Float64Array(BAND_COUNT);
  const [K, S, dK, dS, seen] = [bands(), bands(), bands(), bands(), bands()];
  const opaque: OpaqueBands = { R: bands(), root: bands(), inverse: bands() };
  // What a unit of absorption, and of scattering, in each band does to L*, a*, b*.
  const [KL, Ka, Kb, SL, Sa, Sb] = [bands(), bands(), bands(), bands(), bands(), bands()];
  const ofBand = (table: Float64Array, i: number): Float64Array =>
    Float64Array.from({ length: BAND_COUNT }, (_, b) => table[b * stride + i]!);
  const moves = colourants.flatMap(({ modes }, i) =>
    modes.map((mode): Move => ({
      i,
      k: mode.k.some((v) => v !== 0) ? ofBand(k, i).map((v, b) => v * mode.k[b]!) : null,
      s: mode.s === 0 ? null : ofBand(s, i).map((v) => v * mode.s),
    })),
  );
  const dark = optics.map((o): Mixer | null =>
    o.emission
      ? mixerOf({ ...tables, special: optics.map((x) => (x === o ? { ...x, emission: null } : x)) })
      : null,
  );
  const effective = new Float64Array(count);
  const scattering = new Float64Array(count);
  const sum = new Covariance();

  function mix(doses: ArrayLike<number>): number {
    let powder = 0;
    K.set(kBase);
    S.set(sBase);
    for (let i = 0; i < count; i++) {
      const dose = doses[i]!;
      const e = (effective[i] = dose / (1 + dose * saturation[i]!));
      const f = (scattering[i] = scatterSaturation ? dose / (1 + dose * scatterSaturation[i]!) : e);
      powder += dose;
      for (let b = 0; b < BAND_COUNT; b++) {
        K[b] = K[b]! + e * k[b * stride + i]!;
        S[b] = S[b]! + f * s[b * stride + i]!;
      }
    }
    const packed = 1 / (1 + load * powder);
    if (packed !== 1) for (let b = 0; b < BAND_COUNT; b++) S[b] = S[b]! * packed;
    return packed;
  }

  /** @returns the colour, after writing what each band does to it */
  function slopes(doses: ArrayLike<number>): LabD65 {
    const packed = mix(doses);
    opaqueBands(K, S, opaque, inner);
    opaqueSlopes(K, S, opaque, dK, dS, inner);
    mixer.reflectance(doses, seen);
    let x = 0;
    let y = 0;
    let z = 0;
    for (let b = 0; b < BAND_COUNT; b++) {
      const r = seen[b]!;
      x += r * ratios.x[b]!;
      y += r * ratios.y[b]!;
      z += r * ratios.z[b]!;
    }
    const fx = labF(x);
    const fy = labF(y);
    const fz = labF(z);
    const sx = labFSlope(fx);
    const sy = labFSlope(fy);
    const sz = labFSlope(fz);
    for (let b = 0; b < BAND_COUNT; b++) {
      const dx = sx * ratios.x[b]!;
      const dy = sy * ratios.y[b]!;
      const dz = sz * ratios.z[b]!;
      const ofK = dK[b]!;
      const ofS = dS[b]! * packed;
      const L = 116 * dy;
      const a = 500 * (dx - dy);
      const bb = 200 * (dy - dz);
      KL[b] = L * ofK;
      Ka[b] = a * ofK;
      Kb[b] = bb * ofK;
      SL[b] = L * ofS;
      Sa[b] = a * ofS;
      Sb[b] = bb * ofS;
    }
    return [116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz)];
  }

  const of = (doses: ArrayLike<number>): Spread => {
    const lab = slopes(doses);
    sum.clear();
    for (const { i, k: ofK, s: ofS } of moves) {
      if (ofK) move(sum, ofK, effective[i]!, KL, Ka, Kb);
      if (ofS) move(sum, ofS, scattering[i]!, SL, Sa, Sb);
      sum.close();
    }
    move(sum, kBase, base.k, KL, Ka, Kb);
    sum.close();
    move(sum, sBase, base.s, SL, Sa, Sb);
    sum.close();
    for (const unlit of dark) {
      if (!unlit) continue;
      const [L, a, b] = unlit.lab(doses);
      sum.step(GLOW * (lab[0] - L!), GLOW * (lab[1] - a!), GLOW * (lab[2] - b!));
      sum.close();
    }
    return spreadAt(lab, sum);
  };
  return { of };
}

/** A mode as a change of absorption and of scattering per unit of effective dose; null for none. */
interface Move {
  readonly i: number;
  readonly k: Float64Array | null;
  readonly s: Float64Array | null;
}

/** Covariance of L*, a*, b*, collected from independent moves: the steps of one are added up before they are squared. */
class Covariance {
  LL = 0;
  La = 0;
  Lb = 0;
  aa = 0;
  ab = 0;
  bb = 0;
  private L = 0;
  private a = 0;
  private b = 0;

  clear(): void {
    this.LL = this.La = this.Lb = this.aa = this.ab = this.bb = this.L = this.a = this.b = 0;
  }

  step(L: number, a: number, b: number): void {
    this.L += L;
    this.a += a;
    this.b += b;
  }

  close(): void {
    const { L, a, b } = this;
    this.LL += L * L;
    this.La += L * a;
    this.Lb += L * b;
    this.aa += a * a;
    this.ab += a * b;
    this.bb += b * b;
    this.L = this.a = this.b = 0;
  }
}

/** What a change in every band, times a weight, does to the colour, by what each band does to L*, a*, b*. */
function move(
  sum: Covariance,
  change: Float64Array,
  weight: number,
  ofL: Float64Array,
  ofA: Float64Array,
  ofB: Float64Array,
): void {
  let L = 0;
  let a = 0;
  let b = 0;
  for (let i = 0; i < BAND_COUNT; i++) {
    const v = change[i]!;
    L += ofL[i]! * v;
    a += ofA[i]! * v;
    b += ofB[i]! * v;
  }
  sum.step(weight * L, weight * a, weight * b);
}

/** Rounds of the power method: the largest axis of three numbers needs few. */
const ROUNDS = 8;

function spreadAt(lab: LabD65, m: Covariance): Spread {
  const M = localMetric(lab);
  const [p, q, r, t] = [M[4]!, M[5]!, M[7]!, M[8]!];
  // What no curve accounts for, as much in each direction of ΔE00: rows of M are lightness, along and across the hue, and
  // its inverse turns a step of each into Lab.
  const each = MODEL / (p * t - q * r || 1);
  m.step(MODEL / M[0]!, 0, 0);
  m.close();
  m.step(0, each * t, -each * r);
  m.close();
  m.step(0, -each * q, each * p);
  m.close();
  const { LL, La, Lb, aa, ab, bb } = m;
  // A start that is no eigenvector of a diagonal matrix.
  let [x, y, z] = [0.8, 0.45, 0.4];
  let variance = 0;
  for (let i = 0; i < ROUNDS; i++) {
    const nx = LL * x + La * y + Lb * z;
    const ny = La * x + aa * y + ab * z;
    const nz = Lb * x + ab * y + bb * z;
    variance = Math.sqrt(nx * nx + ny * ny + nz * nz);
    [x, y, z] = [nx / variance, ny / variance, nz / variance];
  }
  const step = NINETY * Math.sqrt(variance) * (Math.sign(x) || 1);
  const end = (sign: number): LabD65 => [
    Math.min(100, Math.max(0, lab[0] + sign * step * x)),
    lab[1] + sign * step * y,
    lab[2] + sign * step * z,
  ];
  const square = M[0]! * M[0]! * LL + (p * p + r * r) * aa + 2 * (p * q + r * t) * ab + (q * q + t * t) * bb;
  return { deltaE: Math.sqrt(square), covariance: [LL, La, Lb, aa, ab, bb], range: [end(-1), end(1)] };
}
