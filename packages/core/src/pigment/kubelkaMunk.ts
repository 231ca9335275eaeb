/**
 * Two-constant theory for an opaque layer. Kubelka and Munk (1931), "Ein Beitrag zur Optik der
 * Farbanstriche"; R∞ = 1 + q − √(q² + 2q) with q = K/S.
 */

/** Internal reflectance (0–1] of an infinitely thick body with absorption/scattering ratio q ≥ 0. */
export const internalReflectance = (q: number): number =>
  // Written as a reciprocal: for large q the textbook form loses every digit to cancellation.
  1 / (1 + q + Math.sqrt(q * (q + 2)));

/** q = K/S of a body with internal reflectance R∞ in (0, 1]. */
export const absorptionRatio = (rInf: number): number => (1 - rInf) ** 2 / (2 * rInf);
