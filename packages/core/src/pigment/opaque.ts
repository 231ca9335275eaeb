import { BAND_COUNT, type Spectrum } from '../colour/bands.ts';
import { SURFACE_K2, SURFACE_PASS } from './surface.ts';

/**
 * Gloss-excluded reflectance (0–SURFACE_MAX) of an opaque body with absorption K ≥ 0 and scattering S > 0:
 * `measuredFromInternal(internalReflectance(K / S))`, multiplied through by S, which leaves one division and one
 * root. What every prediction and the search stand on.
 */
export const opaqueReflectance = (K: number, S: number): number =>
  (SURFACE_PASS * S) / (S * (1 - SURFACE_K2) + K + Math.sqrt(K * (K + 2 * S)));

/** `opaqueReflectance` band by band, with the root and the division that its slopes are made of. */
export interface OpaqueBands {
  readonly R: Spectrum;
  readonly root: Spectrum;
  readonly inverse: Spectrum;
}

/** Writes the reflectance of bodies with absorption K ≥ 0 and scattering S > 0. */
export function opaqueBands(K: Spectrum, S: Spectrum, { R, root, inverse }: OpaqueBands): void {
  for (let b = 0; b < BAND_COUNT; b++) {
    const k = K[b]!;
    const s = S[b]!;
    const q = Math.sqrt(k * (k + 2 * s));
    const i = 1 / (s * (1 - SURFACE_K2) + k + q);
    root[b] = q;
    inverse[b] = i;
    R[b] = SURFACE_PASS * s * i;
  }
}

/** Derivatives of the reflectance by K and by S at bodies that `opaqueBands` was written for. */
export function opaqueSlopes(
  K: Spectrum,
  S: Spectrum,
  { R, root, inverse }: OpaqueBands,
  dK: Spectrum,
  dS: Spectrum,
): void {
  for (let b = 0; b < BAND_COUNT; b++) {
    const i = inverse[b]!;
    const r = R[b]! * i;
    const perRoot = 1 / root[b]!;
    const k = K[b]! * perRoot;
    dK[b] = -r * (1 + k + S[b]! * perRoot);
    dS[b] = SURFACE_PASS * i - r * (1 - SURFACE_K2 + k);
  }
}
