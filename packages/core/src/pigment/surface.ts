/**
 * Surface reflection between air and soap, after Saunderson (1942), "Calculation of the color of pigmented
 * plastics", JOSA 32. K1 is the outer reflection at normal incidence for n ≈ 1.46; K2 the part of the
 * diffuse light inside that the surface throws back. The two cannot be told apart from swatches, so they
 * are fixed. Colours are gloss-excluded: what the eye and most hand readers see, R − K1.
 */
export const SURFACE_K1 = 0.035;
export const SURFACE_K2 = 0.55;

/** (1 − K1)(1 − K2): the light that gets in, and out again. */
export const SURFACE_PASS = (1 - SURFACE_K1) * (1 - SURFACE_K2);

/** The same for another K2. */
export const surfacePass = (inner: number): number => (1 - SURFACE_K1) * (1 - inner);

/** Largest gloss-excluded reflectance, that of a body that absorbs nothing. */
export const SURFACE_MAX = SURFACE_PASS / (1 - SURFACE_K2);

/** Gloss-excluded reflectance of a body with internal reflectance R∞ (both 0–1). */
export const measuredFromInternal = (rInf: number): number => (SURFACE_PASS * rInf) / (1 - SURFACE_K2 * rInf);

/** Inverse of `measuredFromInternal`. */
export const internalFromMeasured = (r: number): number => r / (SURFACE_PASS + SURFACE_K2 * r);
