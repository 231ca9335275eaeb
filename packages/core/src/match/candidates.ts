import { isColourant, isSolid } from '../material/curve.ts';
import { ceilingGroup } from '../material/limits.ts';
import { type CurveFacts } from '../material/curve.ts';
import { type Carrier, isEarly, isWhitener, type Material, potCarriers } from '../material/material.ts';
import { isPale } from '../material/scatterPrior.ts';
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
  /** Material ids to keep to; empty for all. */
  readonly only: readonly string[];
}

export const anything: MatchFilter = {
  inStock: false,
  natural: false,
  vegan: false,
  palmFree: false,
  noBleed: false,
  noFade: false,
  exclude: [],
  only: [],
};

/** A colourant as the search sees it. Doses in g/kg oils. */
export interface Candidate {
  readonly id: string;
  readonly optics: Optics;
  readonly ceiling: number;
  /** What shares its ceiling: all grades of one colour index. */
  readonly group: string;
  /** Oil or glycerin that disperses a gram of it, g. */
  readonly carrier: number;
  /** Titanium dioxide or zinc oxide. */
  readonly whitener: boolean;
  /** A clay, white or pearl, which need not show by itself. */
  readonly pale: boolean;
  /** Whether its powder stays in the pot and counts towards the most that one carries; what is strained off does not. */
  readonly solid: boolean;
  /** Loose bulk density in g/ml, for spoons. */
  readonly bulkDensity: number | null;
  readonly pricePerGram: number | null;
  readonly curve: CurveFacts | null;
  readonly pace: number;
}

/** Whether the powder of a material stays in the pot: it is one, and is not infused and strained off. */
export const staysSolid = (m: Material): boolean => isSolid(m) && m.carriers[0]?.medium !== 'infusion';

/** A dose that is in the pot and stays. */
export interface GivenDose extends Pick<Candidate, 'id' | 'optics' | 'ceiling' | 'group' | 'solid'> {
  /** g/kg oils. */
  readonly dose: number;
  readonly curve: CurveFacts | null;
  /** Oil or glycerin that came with it into this pot, g/kg oils. */
  readonly carrier: number;
}

/** Doses that are in a pot already, as the search sees them; `carrier` where they were dispersed in this pot. */
export const givenFrom = (
  doses: readonly { readonly material: Material; readonly dose: number; readonly carrier?: Carrier | null }[],
): readonly GivenDose[] =>
  doses.flatMap(({ material: m, dose, carrier = null }) =>
    m.optics
      ? [
          {
            id: m.id,
            optics: m.optics,
            ceiling: m.window?.ceiling ?? Infinity,
            group: ceilingGroup(m),
            solid: staysSolid(m),
            curve: m.curve,
            dose,
            carrier: dose * softening(carrier),
          },
        ]
      : [],
  );

/** Grams of oil or glycerin to a gram of powder; water leaves the bar and softens nothing. */
const softening = (carrier: Carrier | null): number =>
  carrier && (carrier.medium === 'oil' || carrier.medium === 'glycerin' || carrier.medium === 'infusion')
    ? carrier.ratio
    : 0;

const KEEPS_ENOUGH = 0.7;

/** Whether any colourant of a shelf is marked as in stock: where none is, all of them are offered. */
export const ownsColour = (shelf: readonly Material[]): boolean =>
  shelf.some((m) => m.inStock && isColourant(m.kind));

/** The candidates of a shelf. What does not survive lye is never proposed; specks colour nothing evenly. */
export function candidatesOf(shelf: readonly Material[], filter: MatchFilter): Candidate[] {
  const owned = filter.inStock && ownsColour(shelf);
  return shelf.flatMap((m) => {
    if (!isColourant(m.kind) || !m.optics || !m.curve || !m.window || m.optics.specks) return [];
    const allowed =
      !m.cautions.includes('alkali-unstable') &&
      !filter.exclude.includes(m.id) &&
      (filter.only.length === 0 || filter.only.includes(m.id)) &&
      (!owned || m.inStock) &&
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
        group: ceilingGroup(m),
        carrier: softening(potCarriers(m).find((c) => !isEarly(c)) ?? null),
        whitener: isWhitener(m),
        pale: isPale(m),
        solid: staysSolid(m),
        bulkDensity: m.bulkDensity,
        pricePerGram: m.pricePerGram,
        curve: m.curve,
        pace: m.pace,
      },
    ];
  });
}
