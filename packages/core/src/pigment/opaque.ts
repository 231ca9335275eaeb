import { type Spectrum } from '../colour/bands.ts';
import { SURFACE_K2, SURFACE_PASS } from './surface.ts';

/**
 * Gloss-excluded reflectance (0–SURFACE_MAX) of an opaque body with absorption K ≥ 0 and scattering S > 0:
 * `measuredFromInternal(internalReflectance(K / S))`, multiplied through by S, which leaves one division and one
 * root. What every prediction and the search stand on.
 */
export const opaqueReflectance = (K: number, S: number): number =>
  (SURFACE_PASS * S) / (S * (1 - SURFACE_K2) + K + Math.sqrt(K * (K + 2 * S)));

/** Derivatives of `opaqueReflectance` by K and by S, band by band, at bodies whose reflectance is R. */
export function opaqueSlopes(K: Spectrum, S: Spectrum, R: Spectrum, dK: Spectrum, dS: Spectrum): void {
  for (let b = 0; b < K.length; b++) {
    const k = K[b]!;
    const s = S[b]!;
    const root = Math.sqrt(k * (k + 2 * s));
    const inverse = 1 / (s * (1 - SURFACE_K2) + k + root);
    const r = R[b]! * inverse;
    dK[b] = -r * (1 + (k + s) / root);
    dS[b] = SURFACE_PASS * inverse - r * (1 - SURFACE_K2 + k / root);
  }
}
