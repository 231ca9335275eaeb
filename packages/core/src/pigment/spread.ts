import { BAND_COUNT, wavelengths } from '../colour/bands.ts';
import { labFSlope, type LabD65 } from '../colour/lab.ts';
import { localMetric } from '../colour/metric.ts';
import { viewingD65 } from '../colour/observer.ts';
import { type Canvas } from './canvas.ts';
import { type Mixer, mixerOf, type MixTables, mixTables } from './mixer.ts';
import { type Optics } from './optics.ts';
import { type Stage } from './stage.ts';
import { surfacePass } from './surface.ts';

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
/** The same in all three directions together: no mixture is foretold surer. */
export const MODEL_DELTA_E = MODEL * Math.sqrt(3);
/** Efficiency of a fluorescent, as a fraction of it. */
const GLOW = 0.35;
/** Nine of ten of a normal variable lie within so many standard deviations. */
const NINETY = 1.645;

/** Bands are taken three by three: a doubt is a smooth thing, and a third of the numbers tell it within a few hundredths. */
const GROUPS = BAND_COUNT / 3;
const grouped = (of: (band: number) => number): Float64Array =>
  Float64Array.from({ length: GROUPS }, (_, g) => (of(3 * g) + of(3 * g + 1) + of(3 * g + 2)) / 3);
const { ratios } = viewingD65;
const [RX, RY, RZ] = [ratios.x, ratios.y, ratios.z].map((of) => grouped((b) => 3 * of[b]!));

/** How far mixtures of some colourants may be off, by how far each curve may be: linear about what is foretold. */
export function createSpread(
  canvas: Canvas,
  colourants: readonly { readonly optics: Optics; readonly modes: readonly CurveMode[] }[],
  stage: Stage,
): SpreadOf {
  const optics = colourants.map((c) => c.optics);
  const tables = mixTables(canvas, optics, stage);
  const mixer = mixerOf(tables);
  const slopes = new Slopes(tables);
  const base = canvas.base && !canvas.base.isGuessed ? BASE.told : BASE.guessed;
  const ofBand = (table: Float64Array, i: number) => (b: number) => table[b * tables.stride + i]!;
  const changes = (ofColourant: Ways, modes: readonly CurveMode[]): readonly Move[] =>
    modes.map(({ k, s }) => ({
      of: ofColourant.of,
      k: k.some((v) => v !== 0) ? grouped((b) => ofColourant.k(b) * k[b]!) : null,
      s: s === 0 ? null : grouped((b) => ofColourant.s(b) * s),
    }));
  const moves = [
    ...colourants.flatMap(({ modes }, i) =>
      changes({ of: i, k: ofBand(tables.k, i), s: ofBand(tables.s, i) }, modes),
    ),
    ...changes({ of: colourants.length, k: (b) => tables.kBase[b]!, s: (b) => tables.sBase[b]! }, [
      { k: still.map(() => base.k), s: 0 },
      { k: still, s: base.s },
    ]),
  ];
  const dark = optics.flatMap((o): Mixer[] =>
    o.emission
      ? [mixerOf({ ...tables, special: optics.map((x) => (x === o ? { ...x, emission: null } : x)) })]
      : [],
  );
  const lab = new Float64Array(3);
  const unlit = new Float64Array(3);
  const sum = new Float64Array(6);

  const of = (doses: ArrayLike<number>): Spread => {
    mixer.lab(doses, lab);
    slopes.at(doses, lab);
    sum.fill(0);
    for (const move of moves) addMove(sum, move, slopes);
    for (const mixerWithout of dark) {
      mixerWithout.lab(doses, unlit);
      add(sum, GLOW * (lab[0]! - unlit[0]!), GLOW * (lab[1]! - unlit[1]!), GLOW * (lab[2]! - unlit[2]!));
    }
    return spreadAt(lab, sum);
  };
  return { of };
}

/** Absorption and scattering, band by band, of one colourant, or of the base behind the last. */
interface Ways {
  readonly of: number;
  readonly k: (band: number) => number;
  readonly s: (band: number) => number;
}

/** A mode as a change of absorption and of scattering per unit of effective dose; null for none. */
interface Move {
  readonly of: number;
  readonly k: Float64Array | null;
  readonly s: Float64Array | null;
}

/** What a unit of absorption, and of scattering, in each group of bands does to L*, a*, b*: three numbers a group. */
class Slopes {
  readonly byK = new Float64Array(3 * GROUPS);
  readonly byS = new Float64Array(3 * GROUPS);
  /** Effective dose of each colourant, and 1 for the base behind them. */
  readonly effective: Float64Array;
  readonly scattering: Float64Array;
  private readonly kBase: Float64Array;
  private readonly sBase: Float64Array;
  /** Colourants lie together, group by group. */
  private readonly k: Float64Array;
  private readonly s: Float64Array;

  constructor(private readonly tables: MixTables) {
    const count = tables.saturation.length;
    this.effective = new Float64Array(count + 1).fill(1);
    this.scattering = new Float64Array(count + 1).fill(1);
    this.kBase = grouped((b) => tables.kBase[b]!);
    this.sBase = grouped((b) => tables.sBase[b]!);
    const packed = (table: Float64Array): Float64Array => {
      const out = new Float64Array(count * GROUPS);
      for (let i = 0; i < count; i++)
        grouped((b) => table[b * tables.stride + i]!).forEach((v, b) => (out[b * count + i] = v));
      return out;
    };
    this.k = packed(tables.k);
    this.s = packed(tables.s);
  }

  /** Writes the slopes at doses that look like `lab`. */
  at(doses: ArrayLike<number>, lab: Float64Array): void {
    const { effective, scattering, kBase, sBase, k, s, byK, byS } = this;
    const { saturation, scatterSaturation, load, inner } = this.tables;
    const count = effective.length - 1;
    const pass = surfacePass(inner);
    let powder = 0;
    for (let i = 0; i < count; i++) {
      const dose = doses[i]!;
      const e = (effective[i] = dose / (1 + dose * saturation[i]!));
      scattering[i] = scatterSaturation ? dose / (1 + dose * scatterSaturation[i]!) : e;
      powder += dose;
    }
    const packed = 1 / (1 + load * powder);
    const fy = (lab[0]! + 16) / 116;
    const sx = labFSlope(fy + lab[1]! / 500);
    const sy = labFSlope(fy);
    const sz = labFSlope(fy - lab[2]! / 200);
    for (let b = 0; b < GROUPS; b++) {
      let K = kBase[b]!;
      let S = sBase[b]!;
      for (let i = 0, at = b * count; i < count; i++, at++) {
        K += effective[i]! * k[at]!;
        S += scattering[i]! * s[at]!;
      }
      S *= packed;
      // Of R = pass·S / (S·(1 − inner) + K + q), q the root of K·(K + 2S).
      const q = Math.sqrt(K * (K + 2 * S));
      const whole = 1 / (S * (1 - inner) + K + q);
      const perRoot = 1 / q;
      const r = pass * S * whole * whole;
      const dK = -r * (1 + (K + S) * perRoot);
      const dS = (pass * whole - r * (1 - inner + K * perRoot)) * packed;
      const dy = sy * RY![b]!;
      const L = 116 * dy;
      const A = 500 * (sx * RX![b]! - dy);
      const B = 200 * (dy - sz * RZ![b]!);
      const at = 3 * b;
      byK[at] = L * dK;
      byK[at + 1] = A * dK;
      byK[at + 2] = B * dK;
      byS[at] = L * dS;
      byS[at + 1] = A * dS;
      byS[at + 2] = B * dS;
    }
  }
}

/** Adds a step of L*, a*, b* to their covariance: LL, La, Lb, aa, ab, bb. */
function add(sum: Float64Array, L: number, a: number, b: number): void {
  sum[0] = sum[0]! + L * L;
  sum[1] = sum[1]! + L * a;
  sum[2] = sum[2]! + L * b;
  sum[3] = sum[3]! + a * a;
  sum[4] = sum[4]! + a * b;
  sum[5] = sum[5]! + b * b;
}

/** Adds what a move does to the colour. */
function addMove(sum: Float64Array, { of, k, s }: Move, slopes: Slopes): void {
  let L = 0;
  let a = 0;
  let b = 0;
  if (k) {
    const { byK } = slopes;
    for (let i = 0, at = 0; i < GROUPS; i++, at += 3) {
      const v = k[i]!;
      L += v * byK[at]!;
      a += v * byK[at + 1]!;
      b += v * byK[at + 2]!;
    }
    const e = slopes.effective[of]!;
    L *= e;
    a *= e;
    b *= e;
  }
  if (s) {
    const { byS } = slopes;
    const f = slopes.scattering[of]!;
    for (let i = 0, at = 0; i < GROUPS; i++, at += 3) {
      const v = f * s[i]!;
      L += v * byS[at]!;
      a += v * byS[at + 1]!;
      b += v * byS[at + 2]!;
    }
  }
  add(sum, L, a, b);
}

/** A matrix squared so often is its largest axis. */
const SQUARINGS = 3;

/** Direction (of length 1) in which a covariance is largest, by the power method, and the standard deviation along it. */
function largestAxis(sum: Float64Array): { readonly direction: LabD65; readonly sd: number } {
  const size = sum[0]! + sum[3]! + sum[5]!;
  let p = sum[0]! / size;
  let q = sum[1]! / size;
  let r = sum[2]! / size;
  let s = sum[3]! / size;
  let t = sum[4]! / size;
  let u = sum[5]! / size;
  for (let i = 0; i < SQUARINGS; i++) {
    const pp = p * p + q * q + r * r;
    const pq = p * q + q * s + r * t;
    const pr = p * r + q * t + r * u;
    const ss = q * q + s * s + t * t;
    const st = q * r + s * t + t * u;
    u = r * r + t * t + u * u;
    p = pp;
    q = pq;
    r = pr;
    s = ss;
    t = st;
  }
  // From a start that is no eigenvector of a diagonal matrix.
  const x = 0.8 * p + 0.45 * q + 0.4 * r;
  const y = 0.8 * q + 0.45 * s + 0.4 * t;
  const z = 0.8 * r + 0.45 * t + 0.4 * u;
  const square = x * x + y * y + z * z;
  const along =
    sum[0]! * x * x +
    sum[3]! * y * y +
    sum[5]! * z * z +
    2 * (sum[1]! * x * y + sum[2]! * x * z + sum[4]! * y * z);
  const length = Math.sqrt(square);
  return { direction: [x / length, y / length, z / length], sd: Math.sqrt(along / square) };
}

const metric = new Float64Array(9);

function spreadAt(lab: Float64Array, sum: Float64Array): Spread {
  const here: LabD65 = [lab[0]!, lab[1]!, lab[2]!];
  const M = localMetric(here, metric);
  const p = M[4]!;
  const q = M[5]!;
  const r = M[7]!;
  const t = M[8]!;
  // What no curve accounts for, as much in each direction of ΔE00: rows of M are lightness, along and across the hue, and
  // its inverse turns a step of each into Lab.
  const each = MODEL / (p * t - q * r || 1);
  add(sum, MODEL / M[0]!, 0, 0);
  add(sum, 0, each * t, -each * r);
  add(sum, 0, -each * q, each * p);
  const LL = sum[0]!;
  const La = sum[1]!;
  const Lb = sum[2]!;
  const aa = sum[3]!;
  const ab = sum[4]!;
  const bb = sum[5]!;
  const axis = largestAxis(sum);
  const [x, y, z] = axis.direction;
  const step = NINETY * axis.sd * (x < 0 ? -1 : 1);
  const end = (by: number): LabD65 => [
    Math.min(100, Math.max(0, here[0] + by * x)),
    here[1] + by * y,
    here[2] + by * z,
  ];
  const square = M[0]! * M[0]! * LL + (p * p + r * r) * aa + 2 * (p * q + r * t) * ab + (q * q + t * t) * bb;
  return {
    deltaE: Math.sqrt(square),
    covariance: [LL, La, Lb, aa, ab, bb],
    range: [end(-step), end(step)],
  };
}
