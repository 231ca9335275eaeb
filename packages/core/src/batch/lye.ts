import { type Grams, grams } from '../units/quantity.ts';
import { materialOf, type Plan } from './plan.ts';

/** Molar masses in g/mol. */
const NAOH = 39.997;
const KOH = 56.105;

/** Slack on "oils make 100 %": what rounding shares to two decimals can leave over. */
export const OILS_SUM_TOLERANCE = 0.05;

export const oilsSum = (plan: Plan): number => plan.base.oils.reduce((sum, o) => sum + o.percent, 0);
export const oilsAddUp = (plan: Plan): boolean => Math.abs(oilsSum(plan) - 100) <= OILS_SUM_TOLERANCE;

/** SAP(NaOH) in g per g of oil from SAP(KOH) in mg per g. */
export const sapNaoh = (sapKoh: number): number => ((sapKoh / 1000) * NAOH) / KOH;

/** Why no lye amount may be shown. */
export type LyeStop = 'oils-sum' | 'superfat-range' | 'lye-missing-value';

export interface Batter {
  /** Null while a stop holds: no lye amount is ever shown then. */
  readonly lye: Grams | null;
  readonly liquid: Grams | null;
  /** Oils + lye + liquid, before scent, colour and carriers; null with the lye. */
  readonly total: Grams | null;
  readonly stops: readonly LyeStop[];
}

/**
 * Sodium hydroxide and liquid for the base: NaOH = Σ oil × SAP(NaOH) × (1 − superfat), liquid by the
 * concentration of the lye solution. Pure sodium hydroxide; nothing here is rounded.
 */
export function batterOf(plan: Plan): Batter {
  const { oils, totalOils, superfat, lyeConcentration } = plan.base;
  const stops: LyeStop[] = [];
  if (!oilsAddUp(plan)) stops.push('oils-sum');
  if (superfat < 0) stops.push('superfat-range');
  const parts = oils.map((o) => ({
    mass: (totalOils * o.percent) / 100,
    sap: materialOf(plan, o.materialId).oil?.sapKoh ?? null,
  }));
  if (parts.some((p) => p.sap === null && p.mass > 0)) stops.push('lye-missing-value');
  if (stops.length > 0) return { lye: null, liquid: null, total: null, stops };
  const full = parts.reduce((sum, p) => sum + p.mass * sapNaoh(p.sap ?? 0), 0);
  const lye = full * (1 - superfat / 100);
  const liquid = lye * (100 / lyeConcentration - 1);
  return { lye: grams(lye), liquid: grams(liquid), total: grams(totalOils + lye + liquid), stops };
}
