import { BAND_COUNT, type Spectrum } from '../colour/bands.ts';
import { type TristimulusWeights } from '../colour/observer.ts';
import { type BodySlope } from '../pigment/glow.ts';
import { type OpaqueBands, opaqueBands, opaqueSlopes } from '../pigment/opaque.ts';

/** What the search mixes: the canvas with what is given in it, and every candidate at the stage. */
export interface SearchTables {
  readonly kBase: Spectrum;
  readonly sBase: Spectrum;
  /** 36 per candidate, one candidate after another. */
  readonly k: Float64Array;
  readonly s: Float64Array;
  /** What the surface throws back inside. */
  readonly inner: number;
  /** Weights over white of the observer and illuminant that the recipe is looked at with. */
  readonly ratios: TristimulusWeights;
}

// Written by `mixSubset`, read by those that follow it. One thread, no recursion.
const K = new Float64Array(BAND_COUNT);
const S = new Float64Array(BAND_COUNT);
const R = new Float64Array(BAND_COUNT);
const bands: OpaqueBands = { R, root: new Float64Array(BAND_COUNT), inverse: new Float64Array(BAND_COUNT) };

/**
 * Mixes a subset at effective doses (`e` for absorption, `f` for scattering, which is multiplied by `packed`). Short passes
 * over whole spectra: they compile to far better code than one loop over bands with a loop over colourants inside.
 */
export function mixSubset(
  t: SearchTables,
  ids: readonly number[],
  e: Float64Array,
  f: Float64Array,
  packed: number,
): void {
  const { kBase, sBase } = t;
  for (let b = 0; b < BAND_COUNT; b++) {
    K[b] = kBase[b]!;
    S[b] = sBase[b]!;
  }
  for (let j = 0; j < ids.length; j++) addColourant(t.k, t.s, ids[j]! * BAND_COUNT, e[j]!, f[j]!);
  if (packed !== 1) for (let b = 0; b < BAND_COUNT; b++) S[b] = S[b]! * packed;
  opaqueBands(K, S, bands, t.inner);
}

/** The last mix, before anything glows in it. To be read only. */
export const lastMix = { K, S, R };

/** Adds up the ratios to white of a reflectance, into `xyz` (3). */
export const ratiosOf = ({ ratios }: SearchTables, R: Spectrum, xyz: Float64Array): void => {
  addRatios(R, ratios, xyz, 0);
};

function addRatios(R: Spectrum, ratios: TristimulusWeights, xyz: Float64Array, at: number): void {
  let x = 0;
  let y = 0;
  let z = 0;
  for (let b = 0; b < BAND_COUNT; b++) {
    const r = R[b]!;
    x += r * ratios.x[b]!;
    y += r * ratios.y[b]!;
    z += r * ratios.z[b]!;
  }
  xyz[at] = x;
  xyz[at + 1] = y;
  xyz[at + 2] = z;
}

function addColourant(k: Float64Array, s: Float64Array, from: number, e: number, f: number): void {
  for (let b = 0; b < BAND_COUNT; b++) {
    K[b] = K[b]! + e * k[from + b]!;
    S[b] = S[b]! + f * s[from + b]!;
  }
}

const dK = new Float64Array(BAND_COUNT);
const dS = new Float64Array(BAND_COUNT);

/** Changes of one colourant's dose: of what it scatters, and of the logarithm of all scattering, per effective dose. */
export interface ScatterSlopes {
  /** For each colourant of the mix: by how much its scattering dose grows, `packed` included. */
  readonly own: Float64Array;
  /** For each: by how much the load of its powder changes all scattering, as a share. */
  readonly all: Float64Array;
}

/** Derivatives of the last mix by the effective dose of each of its colourants, into `out` (3 each). */
export function derivatives(
  t: SearchTables,
  ids: readonly number[],
  slopes: ScatterSlopes,
  out: Float64Array,
): void {
  opaqueSlopes(K, S, bands, dK, dS, t.inner);
  for (let j = 0; j < ids.length; j++)
    derivativeOf(t, ids[j]! * BAND_COUNT, slopes.own[j]!, slopes.all[j]!, out, j * 3);
}

function derivativeOf(
  { k, s, ratios }: SearchTables,
  from: number,
  own: number,
  all: number,
  out: Float64Array,
  at: number,
): void {
  let x = 0;
  let y = 0;
  let z = 0;
  for (let b = 0; b < BAND_COUNT; b++) {
    const d = dK[b]! * k[from + b]! + dS[b]! * (own * s[from + b]! + all * S[b]!);
    x += d * ratios.x[b]!;
    y += d * ratios.y[b]!;
    z += d * ratios.z[b]!;
  }
  out[at] = x;
  out[at + 1] = y;
  out[at + 2] = z;
}

/** The last mix's own derivatives by the same, band by band. @param out one for each of its colourants, or none: written */
export function bodySlopes(
  t: SearchTables,
  ids: readonly number[],
  slopes: ScatterSlopes,
  out: readonly BodySlope[],
): void {
  if (out.length === 0) return;
  opaqueSlopes(K, S, bands, dK, dS, t.inner);
  out.forEach((by, j) => {
    const from = ids[j]! * BAND_COUNT;
    for (let b = 0; b < BAND_COUNT; b++) {
      const k = (by.K[b] = t.k[from + b]!);
      const s = (by.S[b] = slopes.own[j]! * t.s[from + b]! + slopes.all[j]! * S[b]!);
      by.R[b] = dK[b]! * k + dS[b]! * s;
    }
  });
}

/** Derivatives of the ratios to white from those of the reflectance, into `out` (3 each). */
export const ratioSlopes = (
  { ratios }: SearchTables,
  slopes: readonly BodySlope[],
  out: Float64Array,
): void => {
  slopes.forEach(({ R: by }, j) => {
    addRatios(by, ratios, out, j * 3);
  });
};
