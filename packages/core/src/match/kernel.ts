import { BAND_COUNT, type Spectrum } from '../colour/bands.ts';
import { type TristimulusWeights } from '../colour/observer.ts';
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
 * Mixes a subset at effective doses (`e` for absorption, `f` for scattering, which is multiplied by `packed`) and adds up
 * the ratios to white, into `xyz` (3). Short passes over whole
 * spectra: they compile to far better code than one loop over bands with a loop over colourants inside.
 */
export function mixSubset(
  t: SearchTables,
  ids: readonly number[],
  e: Float64Array,
  f: Float64Array,
  packed: number,
  xyz: Float64Array,
): void {
  const { kBase, sBase, ratios } = t;
  for (let b = 0; b < BAND_COUNT; b++) {
    K[b] = kBase[b]!;
    S[b] = sBase[b]!;
  }
  for (let j = 0; j < ids.length; j++) addColourant(t.k, t.s, ids[j]! * BAND_COUNT, e[j]!, f[j]!);
  if (packed !== 1) for (let b = 0; b < BAND_COUNT; b++) S[b] = S[b]! * packed;
  opaqueBands(K, S, bands, t.inner);
  let x = 0;
  let y = 0;
  let z = 0;
  for (let b = 0; b < BAND_COUNT; b++) {
    const r = R[b]!;
    x += r * ratios.x[b]!;
    y += r * ratios.y[b]!;
    z += r * ratios.z[b]!;
  }
  xyz[0] = x;
  xyz[1] = y;
  xyz[2] = z;
}

function addColourant(k: Float64Array, s: Float64Array, from: number, e: number, f: number): void {
  for (let b = 0; b < BAND_COUNT; b++) {
    K[b] = K[b]! + e * k[from + b]!;
    S[b] = S[b]! + f * s[from + b]!;
  }
}

/** Light that one of the mixed colourants takes in up to a band, of what the mix absorbs. */
export function lightTaken(t: SearchTables, id: number, e: number, last: number): number {
  const from = id * BAND_COUNT;
  let taken = 0;
  for (let b = 0; b <= last; b++) taken += ((1 - R[b]!) * e * t.k[from + b]!) / K[b]!;
  return taken;
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
