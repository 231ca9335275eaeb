import { BAND_COUNT, type Spectrum } from '../colour/bands.ts';
import { SURFACE_K2, SURFACE_PASS, surfacePass } from './surface.ts';

/**
 * Gloss-excluded reflectance (0–SURFACE_MAX) of an opaque body with absorption K ≥ 0 and scattering S > 0:
 * `measuredFromInternal(internalReflectance(K / S))`, multiplied through by S, which leaves one division and one
 * root. What every prediction and the search stand on.
 */
export const opaqueReflectance = (K: number, S: number): number =>
  surfacedReflectance(K, S, SURFACE_K2, SURFACE_PASS);

/** The same with a surface of its own: `inner` is what it throws back inside, `pass` (1 − K1)(1 − inner). */
export const surfacedReflectance = (K: number, S: number, inner: number, pass: number): number =>
  (pass * S) / (S * (1 - inner) + K + Math.sqrt(K * (K + 2 * S)));

/** `opaqueReflectance` band by band, with the root and the division that its slopes are made of. */
export interface OpaqueBands {
  readonly R: Spectrum;
  readonly root: Spectrum;
  readonly inverse: Spectrum;
}

/** Writes the reflectance of bodies with absorption K ≥ 0 and scattering S > 0. */
export function opaqueBands(
  K: Spectrum,
  S: Spectrum,
  { R, root, inverse }: OpaqueBands,
  inner = SURFACE_K2,
): void {
  const pass = surfacePass(inner);
  for (let b = 0; b < BAND_COUNT; b++) {
    const k = K[b]!;
    const s = S[b]!;
    const q = Math.sqrt(k * (k + 2 * s));
    const i = 1 / (s * (1 - inner) + k + q);
    root[b] = q;
    inverse[b] = i;
    R[b] = pass * s * i;
  }
}

/** Derivatives of the reflectance by K and by S at bodies that `opaqueBands` was written for. */
export function opaqueSlopes(
  K: Spectrum,
  S: Spectrum,
  { R, root, inverse }: OpaqueBands,
  dK: Spectrum,
  dS: Spectrum,
  inner = SURFACE_K2,
): void {
  const pass = surfacePass(inner);
  for (let b = 0; b < BAND_COUNT; b++) {
    const i = inverse[b]!;
    const r = R[b]! * i;
    const perRoot = 1 / root[b]!;
    const k = K[b]! * perRoot;
    dK[b] = -r * (1 + k + S[b]! * perRoot);
    dS[b] = pass * i - r * (1 - inner + k);
  }
}
