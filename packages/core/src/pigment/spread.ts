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
  const mixer = mixerOf(tables);
  const base = canvas.base ? BASE.told : BASE.guessed;
  const { ratios } = viewingD65;
  const [K, S, dK, dS] = [0, 1, 2, 3].map(() => new Float64Array(BAND_COUNT)) as [
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  const opaque: OpaqueBands = {
    R: new Float64Array(BAND_COUNT),
    root: new Float64Array(BAND_COUNT),
    inverse: new Float64Array(BAND_COUNT),
  };
  const seen = new Float64Array(BAND_COUNT);
  const rowsK = new Float64Array(3 * BAND_COUNT);
  const rowsS = new Float64Array(3 * BAND_COUNT);
  const dark = optics.map((o): Mixer | null =>
    o.emission
      ? mixerOf({ ...tables, special: optics.map((x) => (x === o ? { ...x, emission: null } : x)) })
      : null,
  );

  const of = (doses: ArrayLike<number>): Spread => {
    const { k, s, stride, saturation, scatterSaturation, kBase, sBase, load } = tables;
    let powder = 0;
    const e: number[] = [];
    const f: number[] = [];
    for (let i = 0; i < optics.length; i++) {
      const dose = doses[i]!;
      e.push(dose / (1 + dose * saturation[i]!));
      f.push(scatterSaturation ? dose / (1 + dose * scatterSaturation[i]!) : e[i]!);
      powder += dose;
    }
    const packed = 1 / (1 + load * powder);
    for (let b = 0; b < BAND_COUNT; b++) {
      let bandK = kBase[b]!;
      let bandS = sBase[b]!;
      for (let i = 0; i < optics.length; i++) {
        bandK += e[i]! * k[b * stride + i]!;
        bandS += f[i]! * s[b * stride + i]!;
      }
      K[b] = bandK;
      S[b] = bandS * packed;
    }
    opaqueBands(K, S, opaque, tables.inner);
    opaqueSlopes(K, S, opaque, dK, dS, tables.inner);
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
    const [fx, fy, fz] = [labF(x), labF(y), labF(z)];
    const lab: LabD65 = [116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz)];
    const [sx, sy, sz] = [labFSlope(fx), labFSlope(fy), labFSlope(fz)];
    for (let b = 0; b < BAND_COUNT; b++) {
      const dx = sx * ratios.x[b]!;
      const dy = sy * ratios.y[b]!;
      const dz = sz * ratios.z[b]!;
      const row = [116 * dy, 500 * (dx - dy), 200 * (dy - dz)];
      for (let c = 0; c < 3; c++) {
        rowsK[c * BAND_COUNT + b] = row[c]! * dK[b]!;
        rowsS[c * BAND_COUNT + b] = row[c]! * dS[b]! * packed;
      }
    }
    const sum = new Covariance();
    colourants.forEach(({ modes }, i) => {
      for (const mode of modes) {
        let L = 0;
        let a = 0;
        let bb = 0;
        for (let b = 0; b < BAND_COUNT; b++) {
          const moveK = e[i]! * k[b * stride + i]! * mode.k[b]!;
          const moveS = mode.s === 0 ? 0 : f[i]! * s[b * stride + i]! * mode.s;
          L += rowsK[b]! * moveK + rowsS[b]! * moveS;
          a += rowsK[BAND_COUNT + b]! * moveK + rowsS[BAND_COUNT + b]! * moveS;
          bb += rowsK[2 * BAND_COUNT + b]! * moveK + rowsS[2 * BAND_COUNT + b]! * moveS;
        }
        sum.add(L, a, bb);
      }
      const unlit = dark[i]?.lab(doses);
      if (unlit)
        sum.add(GLOW * (lab[0] - unlit[0]!), GLOW * (lab[1] - unlit[1]!), GLOW * (lab[2] - unlit[2]!));
    });
    sum.addBands(rowsK, kBase, base.k);
    sum.addBands(rowsS, sBase, base.s);
    return spreadAt(lab, sum.withModel(lab));
  };
  return { of };
}

type Six = Spread['covariance'];

class Covariance {
  private readonly m = new Float64Array(6);

  add(L: number, a: number, b: number): void {
    const { m } = this;
    m[0] = m[0]! + L * L;
    m[1] = m[1]! + L * a;
    m[2] = m[2]! + L * b;
    m[3] = m[3]! + a * a;
    m[4] = m[4]! + a * b;
    m[5] = m[5]! + b * b;
  }

  /** What all bands of the base do together. */
  addBands(rows: Float64Array, amount: Float64Array, sd: number): void {
    const d = [0, 0, 0];
    for (let c = 0; c < 3; c++)
      for (let b = 0; b < BAND_COUNT; b++) d[c] = d[c]! + rows[c * BAND_COUNT + b]! * amount[b]! * sd;
    this.add(d[0]!, d[1]!, d[2]!);
  }

  /** With what no curve accounts for: as much in each direction of ΔE00 at a colour. */
  withModel(lab: LabD65): Six {
    const M = localMetric(lab);
    // Rows of M are lightness, along and across the hue; its inverse turns a step of each into Lab.
    const [p, q, r, t] = [M[4]!, M[5]!, M[7]!, M[8]!];
    const determinant = p * t - q * r || 1;
    this.add(MODEL / M[0]!, 0, 0);
    this.add(0, (MODEL * t) / determinant, (-MODEL * r) / determinant);
    this.add(0, (-MODEL * q) / determinant, (MODEL * p) / determinant);
    return Array.from(this.m) as unknown as Six;
  }
}

/** Rounds of the power method: the largest axis of three numbers needs few. */
const ROUNDS = 12;

function spreadAt(lab: LabD65, m: Six): Spread {
  const times = (v: readonly number[]): number[] => [
    m[0] * v[0]! + m[1] * v[1]! + m[2] * v[2]!,
    m[1] * v[0]! + m[3] * v[1]! + m[4] * v[2]!,
    m[2] * v[0]! + m[4] * v[1]! + m[5] * v[2]!,
  ];
  // A start that is no eigenvector of a diagonal matrix.
  let axis = [0.8, 0.45, 0.4];
  let variance = 0;
  for (let i = 0; i < ROUNDS; i++) {
    const next = times(axis);
    variance = Math.hypot(...next);
    if (variance === 0) break;
    axis = next.map((v) => v / variance);
  }
  const up = Math.sign(axis[0]!) || 1;
  const step = NINETY * Math.sqrt(variance) * up;
  const end = (sign: number): LabD65 => {
    const L = Math.min(100, Math.max(0, lab[0] + sign * step * axis[0]!));
    return [L, lab[1] + sign * step * axis[1]!, lab[2] + sign * step * axis[2]!];
  };
  const M = localMetric(lab);
  let square = 0;
  for (let c = 0; c < 3; c++) {
    const row = [M[3 * c]!, M[3 * c + 1]!, M[3 * c + 2]!];
    square += times(row).reduce((sum, v, i) => sum + v * row[i]!, 0);
  }
  return { deltaE: Math.sqrt(Math.max(0, square)), covariance: m, range: [end(-1), end(1)] };
}
