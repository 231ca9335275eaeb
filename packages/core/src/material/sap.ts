/** Molar masses, g/mol. */
export const MOLAR_MASS = { naoh: 39.997, koh: 56.105 } as const;

/** A saponification value in mg KOH per g as g NaOH per g. */
export const sapNaoh = (sapKoh: number): number => ((sapKoh / 1000) * MOLAR_MASS.naoh) / MOLAR_MASS.koh;

/** Saponification values of fats and waxes lie within these, mg KOH per g. */
export const SAP_KOH_RANGE = { min: 60, max: 351 } as const;
/** The same in the other unit in which values are printed, g NaOH per g. Nothing lies in both ranges. */
export const SAP_NAOH_RANGE = { min: 0.05, max: 0.25 } as const;

/** A saponification value in both units. */
export interface SapReading {
  /** mg KOH per g. */
  readonly koh: number;
  /** g NaOH per g. */
  readonly naoh: number;
  readonly typedIn: 'koh' | 'naoh';
}

const within = (value: number, { min, max }: { readonly min: number; readonly max: number }): boolean =>
  value >= min && value <= max;

/** Reads a typed saponification value by its size; null where it is none in either unit. */
export function readSap(value: number): SapReading | null {
  if (within(value, SAP_KOH_RANGE)) return { koh: value, naoh: sapNaoh(value), typedIn: 'koh' };
  if (!within(value, SAP_NAOH_RANGE)) return null;
  const koh = (value * 1000 * MOLAR_MASS.koh) / MOLAR_MASS.naoh;
  return { koh, naoh: value, typedIn: 'naoh' };
}
