import { MOLAR_MASS } from '../material/sap.ts';
import { type Grams, grams } from '../units/quantity.ts';
import { oilsAddUp } from '../plan/oilShares.ts';
import { type Base, blendsOf, materialOf, type OilRow, type Plan } from '../plan/plan.ts';

const { naoh: NAOH, koh: KOH } = MOLAR_MASS;

/** Alkali that an oil takes, mol per g. */
export const molesPerGram = (sapKoh: number): number => sapKoh / 1000 / KOH;

/** Why no lye amount may be shown. */
export type LyeStop = 'oils-sum' | 'superfat-range' | 'lye-missing-value';

/**
 * Why no lye may be told: shares that do not make 100 %, a negative superfat, an oil in use without a
 * saponification value. Empty when nothing stands against it.
 */
export function lyeStops(plan: Plan): LyeStop[] {
  const blends = blendsOf(plan);
  const stops: LyeStop[] = [];
  if (!blends.every((b) => oilsAddUp(b.oils))) stops.push('oils-sum');
  if (plan.base.superfat < 0) stops.push('superfat-range');
  const oils = blends.flatMap((b) => b.oils);
  if (oils.some((o) => o.percent > 0 && materialOf(plan, o.materialId).oil?.sapKoh == null))
    stops.push('lye-missing-value');
  return stops;
}

/** What a kilogram of a blend of oils takes. Masses in g, not rounded. */
export interface LyeRate {
  /** Alkali for full saponification, mol. */
  readonly capacity: number;
  /** Taken up by acids among the additives, g NaOH before purity. */
  readonly acids: number;
  readonly naoh: number;
  readonly koh: number;
  readonly liquid: number;
}

/** Additives that take up lye, g NaOH per kg oils. What is strewn on the top takes none. */
export const acidDemand = (plan: Plan): number =>
  plan.base.additives.reduce(
    (sum, a) => (a.moment === 'top' ? sum : sum + a.dose * materialOf(plan, a.materialId).lyeDemand),
    0,
  );

/**
 * Lye and liquid for 1,000 g of oils. NaOH = (Σ oil × SAP(NaOH) × (1 − superfat) × (1 − KOH share) + acids) /
 * purity; KOH by moles of its share; the liquid by concentration (% of lye in the solution), by ratio to the lye,
 * or in % of oils. Oils without a value count as taking none: see `lyeStops`. `oils`: the recipe's unless given.
 */
export function lyeRate(plan: Plan, oils: readonly OilRow[] = plan.base.oils): LyeRate {
  const { superfat, lye, liquid } = plan.base;
  const capacity = oils.reduce(
    (sum, o) => sum + o.percent * 10 * molesPerGram(materialOf(plan, o.materialId).oil?.sapKoh ?? 0),
    0,
  );
  const acids = acidDemand(plan);
  const moles = capacity * (1 - superfat / 100);
  const naoh = (moles * (1 - lye.kohShare / 100) * NAOH + acids) / (lye.naohPurity / 100);
  const koh = (moles * (lye.kohShare / 100) * KOH) / (lye.kohPurity / 100);
  return { capacity, acids, naoh, koh, liquid: liquidOf(liquid, naoh + koh, 1000) };
}

/** Liquid for a lye mass and an oil mass, g. */
export function liquidOf({ by, value }: Base['liquid'], lye: number, oils: number): number {
  switch (by) {
    case 'concentration':
      return lye * (100 / value - 1);
    case 'ratio':
      return lye * value;
    case 'percent':
      return (oils * value) / 100;
  }
}

/** Lye in its solution, % by weight; 0 for none. */
export const concentrationOf = (lye: number, liquid: number): number =>
  lye + liquid > 0 ? (100 * lye) / (lye + liquid) : 0;

/** Alkali in weighed lye, mol, less what acids take. */
export const lyeMoles = ({ lye }: Base, naoh: number, koh: number, acids: number): number =>
  ((naoh * lye.naohPurity) / 100 - acids) / NAOH + (koh * lye.kohPurity) / 100 / KOH;

/**
 * Superfat that a weighed mass of sodium hydroxide gives the recipe, %; potassium hydroxide as planned. Negative for
 * more lye than the oils can take; null where the oils do not tell what they take.
 * @param naoh as it is bought, g.
 */
export function superfatWithLye(plan: Plan, naoh: number): number | null {
  const { capacity, acids, koh } = lyeRate(plan);
  const scale = plan.base.totalOils / 1000;
  if (!(capacity > 0) || lyeStops(plan).some((s) => s !== 'superfat-range')) return null;
  return 100 * (1 - lyeMoles(plan.base, naoh, koh * scale, acids * scale) / (capacity * scale));
}

export interface Batter {
  /** Sodium hydroxide. Null while a stop holds: no lye amount is ever shown then. */
  readonly lye: Grams | null;
  readonly koh: Grams | null;
  readonly liquid: Grams | null;
  /** Oils + lye + liquid, before scent, colour, additives and carriers; null with the lye. */
  readonly total: Grams | null;
  readonly stops: readonly LyeStop[];
}

/** Lye and liquid as if the whole batch were of the recipe; nothing here is rounded. */
export function batterOf(plan: Plan): Batter {
  const stops = lyeStops(plan);
  if (stops.length > 0) return { lye: null, koh: null, liquid: null, total: null, stops };
  const { totalOils } = plan.base;
  const rate = lyeRate(plan);
  const scale = totalOils / 1000;
  return {
    lye: grams(rate.naoh * scale),
    koh: grams(rate.koh * scale),
    liquid: grams(rate.liquid * scale),
    total: grams(totalOils + (rate.naoh + rate.koh + rate.liquid) * scale),
    stops,
  };
}

/** Superfat at either end of the spread of the saponification values, %, with the lye as planned. */
export function superfatRange(
  plan: Plan,
  oils: readonly OilRow[] = plan.base.oils,
): readonly [low: number, high: number] {
  const { superfat } = plan.base;
  const typical = oils.map((o) => {
    const facts = materialOf(plan, o.materialId).oil;
    return { takes: o.percent * (facts?.sapKoh ?? 0), spread: (facts?.sapSpread ?? 0) / 100 };
  });
  const full = typical.reduce((sum, t) => sum + t.takes, 0);
  if (!(full > 0)) return [superfat, superfat];
  const at = (sign: number): number => {
    const taken = typical.reduce((sum, t) => sum + t.takes * (1 + sign * t.spread), 0);
    return 100 * (1 - (full * (1 - superfat / 100)) / taken);
  };
  return [at(-1), at(1)];
}

/** The same liquid said another way. */
export function liquidInWay(plan: Plan, by: Base['liquid']['by']): number {
  const { naoh, koh, liquid } = lyeRate(plan);
  const lye = naoh + koh;
  switch (by) {
    case 'concentration':
      return concentrationOf(lye, liquid);
    case 'ratio':
      return lye > 0 ? liquid / lye : 2;
    case 'percent':
      return liquid / 10;
  }
}
