import { BAND_COUNT, type Spectrum } from '../colour/bands.ts';
import { whiteD65 } from '../colour/lab.ts';
import { weightsD65 } from '../colour/observer.ts';
import { SURFACE_K2, SURFACE_PASS } from '../pigment/surface.ts';

/** What the search mixes: the canvas with what is given in it, and every candidate at the stage. */
export interface SearchTables {
  readonly kBase: Spectrum;
  readonly sBase: Spectrum;
  /** 36 per candidate, one candidate after another. */
  readonly k: Float64Array;
  readonly s: Float64Array;
}

const over = (w: Float64Array, white: number): Float64Array => w.map((v) => v / white);
export const ratioX = over(weightsD65.x, whiteD65[0]);
export const ratioY = over(weightsD65.y, whiteD65[1]);
export const ratioZ = over(weightsD65.z, whiteD65[2]);

// Written by `mixSubset`, read by those that follow it. One thread, no recursion.
const K = new Float64Array(BAND_COUNT);
const S = new Float64Array(BAND_COUNT);
const R = new Float64Array(BAND_COUNT);

/**
 * Mixes a subset at effective doses and adds up the ratios to white, into `xyz` (3). Short passes over whole
 * spectra: they compile to far better code than one loop over bands with a loop over colourants inside.
 */
export function mixSubset(t: SearchTables, ids: readonly number[], e: Float64Array, xyz: Float64Array): void {
  const { kBase, sBase } = t;
  for (let b = 0; b < BAND_COUNT; b++) {
    K[b] = kBase[b]!;
    S[b] = sBase[b]!;
  }
  for (let j = 0; j < ids.length; j++) addColourant(t.k, t.s, ids[j]! * BAND_COUNT, e[j]!);
  let x = 0;
  let y = 0;
  let z = 0;
  for (let b = 0; b < BAND_COUNT; b++) {
    const kb = K[b]!;
    const sb = S[b]!;
    const r = (SURFACE_PASS * sb) / (sb * (1 - SURFACE_K2) + kb + Math.sqrt(kb * (kb + 2 * sb)));
    R[b] = r;
    x += r * ratioX[b]!;
    y += r * ratioY[b]!;
    z += r * ratioZ[b]!;
  }
  xyz[0] = x;
  xyz[1] = y;
  xyz[2] = z;
}

function addColourant(k: Float64Array, s: Float64Array, from: number, e: number): void {
  for (let b = 0; b < BAND_COUNT; b++) {
    K[b] = K[b]! + e * k[from + b]!;
    S[b] = S[b]! + e * s[from + b]!;
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

/** Derivatives of the last mix by the effective dose of each of its colourants, into `out` (3 each). */
export function derivatives(t: SearchTables, ids: readonly number[], out: Float64Array): void {
  for (let b = 0; b < BAND_COUNT; b++) {
    const kb = K[b]!;
    const sb = S[b]!;
    const root = Math.sqrt(kb * (kb + 2 * sb));
    const inverse = 1 / (sb * (1 - SURFACE_K2) + kb + root);
    const r = R[b]! * inverse;
    dK[b] = -r * (1 + (kb + sb) / root);
    dS[b] = SURFACE_PASS * inverse - r * (1 - SURFACE_K2 + kb / root);
  }
  for (let j = 0; j < ids.length; j++) derivativeOf(t.k, t.s, ids[j]! * BAND_COUNT, out, j * 3);
}

function derivativeOf(k: Float64Array, s: Float64Array, from: number, out: Float64Array, at: number): void {
  let x = 0;
  let y = 0;
  let z = 0;
  for (let b = 0; b < BAND_COUNT; b++) {
    const d = dK[b]! * k[from + b]! + dS[b]! * s[from + b]!;
    x += d * ratioX[b]!;
    y += d * ratioY[b]!;
    z += d * ratioZ[b]!;
  }
  out[at] = x;
  out[at + 1] = y;
  out[at + 2] = z;
}
