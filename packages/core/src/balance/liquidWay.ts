import { setBase } from '../plan/edit/index.ts';
import { PLAN_LIMITS } from '../plan/limits.ts';
import { type LiquidWay, type Plan } from '../plan/plan.ts';
import { liquidInWay } from './lye.ts';

/** Says the liquid another way, with the same amount of it. */
export function setLiquidWay(plan: Plan, by: LiquidWay): Plan {
  const { min, max } =
    by === 'ratio'
      ? PLAN_LIMITS.ratio
      : by === 'percent'
        ? PLAN_LIMITS.liquidPercent
        : PLAN_LIMITS.concentration;
  const value = Math.min(max, Math.max(min, Number(liquidInWay(plan, by).toFixed(4))));
  return setBase(plan, { liquid: { ...plan.base.liquid, by, value } });
}
