import { type OilRow } from './plan.ts';

/** Slack on "oils make 100 %": three thirds of 33.3 % are 99.9. */
export const OILS_SUM_TOLERANCE = 0.1 + 1e-9;

/** Sum of the shares, %. */
export const oilsSum = (oils: readonly OilRow[]): number => oils.reduce((sum, o) => sum + o.percent, 0);
/** Whether the shares make 100 %, within the tolerance. */
export const oilsAddUp = (oils: readonly OilRow[]): boolean =>
  Math.abs(oilsSum(oils) - 100) <= OILS_SUM_TOLERANCE;
