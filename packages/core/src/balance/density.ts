/** Densities at the pour, g/ml. */
export const DENSITY = { oil: 0.915, water: 1, glycerin: 1.26, scent: 0.97, milk: 1.03 } as const;

/**
 * Density of a lye solution from its concentration as a fraction 0–0.5, g/ml at bench warmth: 1.27 at 25 %, 1.32 at
 * 30 %, 1.43 at 40 %. Fitted to handbook values for sodium hydroxide; potassium hydroxide differs by under 2 %.
 */
export const lyeDensity = (concentration: number): number =>
  1 + 1.11 * concentration - 0.1 * concentration ** 2;
