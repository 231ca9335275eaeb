import { type LyeRate } from './lye.ts';
import { type DoseRow, type Draw, type Pot, type Stock } from '../plan/plan.ts';

/*
 * Where everything goes: oils, lye and liquid into the base batter (or into mini-batches), from there into pots, and
 * from pots into other pots. Every pot's contents follow by mass balance; nothing is rounded.
 */

/** Places of the ingredients in a vector of contents: the oil rows, these, then the plan's materials. */
export const AFTER_OILS = [
  'naoh',
  'koh',
  'liquid',
  'carrier-oil',
  'carrier-water',
  'glycerin',
  'scent',
  'stabiliser',
] as const;
type Fixed = (typeof AFTER_OILS)[number];

export interface Ledger {
  /** Columns of oils: the rows of the recipe, then what mini-batches have besides. */
  readonly oils: readonly string[];
  readonly size: number;
  at(what: Fixed): number;
  material(id: string): number;
  /** Place of a material among the plan's, as tints have it. */
  tint(id: string): number;
}

export interface DrawFlow {
  readonly draw: Draw;
  /** Of the recipe's oils for a draw from the base batter, else of the donor's contents. */
  readonly fraction: number;
  /** Weigh target: what the scale shows at the moment of the draw, jug tared. */
  readonly mass: number;
  /** The same by the marks of a jug, ml. */
  readonly volume: number;
}

/** A powder as it goes into a pot. */
export interface DoseFlow {
  readonly row: DoseRow;
  readonly powder: number;
  /** Liquid it is dispersed in. */
  readonly liquid: number;
  /** Taken out of the recipe's own oils or liquid. */
  readonly fromBatch: boolean;
  readonly stock: Stock | null;
}

export interface PotFlow {
  readonly pot: Pot;
  /** The lye it stands on: null for the common one, else the id of the mini-batch. */
  readonly group: string | null;
  readonly draws: readonly DrawFlow[];
  readonly doses: readonly DoseFlow[];
  /** Oils in it before anything is drawn from it, without carriers: what its doses refer to. */
  readonly oils: number;
  /** The same by the lye that they met. */
  readonly oilsBy: ReadonlyMap<string | null, number>;
  /** Everything in it before anything is drawn from it, by the ledger. */
  readonly contents: Float64Array;
  /** Powders as they colour it, by the place of the material in the plan; infused plants count, strained or not. */
  readonly tint: Float64Array;
  readonly mass: number;
  readonly volume: number;
  /** Fraction that other pots draw from it; above 1 they draw more than there is. */
  readonly drawnOff: number;
  /** Scent that is added to it, and its stabiliser. */
  readonly scent: number;
  readonly stabiliser: number;
  /** Oil added so that all pots carry as much carrier. */
  readonly evenedOil: number;
  /** Whether that comes out of the recipe's own oils. */
  readonly evenedFromBatch: boolean;
  /** What is left of it for the mould or the top, after the jug has kept its part. */
  readonly left: number;
  readonly loss: number;
  readonly toMould: number;
  readonly toTop: number;
  /** 0–1; null where a saponification value is missing or there is nothing in it. */
  readonly superfat: number | null;
}

/** One lye solution: the common one, or that of a mini-batch. */
export interface LyeFlow {
  /** Null for the common one. */
  readonly potId: string | null;
  readonly oils: number;
  readonly rows: readonly { readonly materialId: string; readonly mass: number }[];
  /** The one of them that carriers are taken from, if any is. */
  readonly carrierOil: string | null;
  readonly naoh: number;
  readonly koh: number;
  /** As weighed: less what wet additives bring. */
  readonly liquid: number;
  /** Liquid of the recipe that the water of purées and the like stands in for. */
  readonly replaced: number;
  /** Oil kept out for carriers. */
  readonly heldOil: number;
  /** Liquid kept out: for dispersions, and to be stirred in late. */
  readonly heldForDispersions: number;
  readonly heldForLater: number;
  /** What is left to dissolve the lye in. */
  readonly vessel: number;
  /** The water of it, which alone dissolves the lye. */
  readonly vesselWater: number;
}

/** How the passes over a plan ended. A plan that does not settle has no figures to rely on; a check stops it. */
export interface Convergence {
  readonly converged: boolean;
  readonly passes: number;
  /** What the last pass still moved, as a fraction of the oils. */
  readonly residual: number;
}

export interface Flow {
  readonly ledger: Ledger;
  /** Of the recipe. */
  readonly rate: LyeRate;
  readonly pots: readonly PotFlow[];
  readonly lyes: readonly LyeFlow[];
  /** Fraction of the recipe's oils that no pot takes; negative when pots take more than there is. */
  readonly unallocated: number;
  /** Batter that no pot takes. */
  readonly leftover: Float64Array;
  readonly leftoverMass: number;
  /** 0–1; null where there is none, or a saponification value is missing. */
  readonly leftoverSuperfat: number | null;
  /** Everything that is in pots and left over, g and ml. */
  readonly mass: number;
  readonly volume: number;
  /** g/ml at the pour: as measured, or worked out. */
  readonly density: number;
  readonly cyclic: ReadonlySet<string>;
  readonly convergence: Convergence;
  /** The recipe's oil that carriers are taken from; null when the recipe lacks it. */
  readonly carrierOil: string | null;
}

/** What all pots and the leftover hold of an ingredient, g. What pots draw from each other is counted once. */
export const totalOf = (flow: Flow, at: number): number =>
  flow.pots.reduce((sum, p) => sum + p.contents[at]! * Math.max(0, 1 - p.drawnOff), flow.leftover[at]!);

/** Places of the materials that a tint has anything of. */
export function tinted(tint: Float64Array): number[] {
  const places: number[] = [];
  for (let i = 0; i < tint.length; i++) if (tint[i]! > 0) places.push(i);
  return places;
}
