import { type OilRow } from './plan.ts';

/** Slack on "oils make 100 %": what rounding shares to two decimals can leave over. */
export const OILS_SUM_TOLERANCE = 0.05;

/** Sum of the shares, %. */
export const oilsSum = (oils: readonly OilRow[]): number => oils.reduce((sum, o) => sum + o.percent, 0);
/** Whether the shares make 100 %, within the tolerance. */
export const oilsAddUp = (oils: readonly OilRow[]): boolean =>
  Math.abs(oilsSum(oils) - 100) <= OILS_SUM_TOLERANCE;
