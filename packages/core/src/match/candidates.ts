import { isColourant, isSolid } from '../material/curve.ts';
import { type Material } from '../material/material.ts';
import { type Optics } from '../pigment/optics.ts';

/** Which of the shelf a recipe may use. */
export interface MatchFilter {
  readonly inStock: boolean;
  readonly natural: boolean;
  readonly vegan: boolean;
  readonly palmFree: boolean;
  /** Leaves out what migrates into its neighbours. */
  readonly noBleed: boolean;
  /** Leaves out what keeps less than 70 % of its colour. */
  readonly noFade: boolean;
  /** Material ids never to use. */
  readonly exclude: readonly string[];
}

export const anything: MatchFilter = {
  inStock: false,
  natural: false,
  vegan: false,
  palmFree: false,
  noBleed: false,
  noFade: false,
  exclude: [],
};

/** A colourant as the search sees it. Doses in g/kg oils. */
export interface Candidate {
  readonly id: string;
  readonly optics: Optics;
  readonly ceiling: number;
  /** Whether its powder stays in the pot and counts towards the most that one carries; what is strained off does not. */
  readonly solid: boolean;
  /** Loose bulk density in g/ml, for spoons. */
  readonly bulkDensity: number | null;
  readonly pricePerGram: number | null;
  /** Standard deviation of its strength, as a fraction. */
  readonly doubt: number;
  readonly pace: number;
}

/** Whether the powder of a material stays in the pot: it is one, and is not infused and strained off. */
export const staysSolid = (m: Material): boolean => isSolid(m) && m.carriers[0]?.medium !== 'infusion';

/** A dose that is in the pot and stays. */
export interface GivenDose {
  readonly id: string;
  readonly optics: Optics;
  readonly dose: number;
  readonly solid: boolean;
}

/** Doses that are in a pot already, as the search sees them. */
export const givenFrom = (
  doses: readonly { readonly material: Material; readonly dose: number }[],
): readonly GivenDose[] =>
  doses.flatMap(({ material: m, dose }) =>
    m.optics ? [{ id: m.id, optics: m.optics, dose, solid: staysSolid(m) }] : [],
  );

const KEEPS_ENOUGH = 0.7;

/** The candidates of a shelf. What does not live through lye is never proposed; specks colour nothing evenly. */
export function candidatesOf(shelf: readonly Material[], filter: MatchFilter): Candidate[] {
  return shelf.flatMap((m) => {
    if (!isColourant(m.kind) || !m.optics || !m.curve || !m.window || m.optics.specks) return [];
    const allowed =
      !m.cautions.includes('alkali-unstable') &&
      !filter.exclude.includes(m.id) &&
      (!filter.inStock || m.inStock) &&
      (!filter.natural || m.claims.includes('natural')) &&
      (!filter.vegan || m.claims.includes('vegan')) &&
      (!filter.palmFree || m.claims.includes('palm-free')) &&
      (!filter.noBleed || !m.cautions.includes('bleeds')) &&
      (!filter.noFade || (m.optics.fading?.remains ?? 1) >= KEEPS_ENOUGH);
    if (!allowed) return [];
    return [
      {
        id: m.id,
        optics: m.optics,
        ceiling: m.window.ceiling,
        solid: staysSolid(m),
        bulkDensity: m.bulkDensity,
        pricePerGram: m.pricePerGram,
        doubt: m.curve.spread,
        pace: m.pace,
      },
    ];
  });
}
