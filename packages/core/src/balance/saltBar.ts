import { FATTY_ACIDS } from '../material/material.ts';
import { materialOf, type OilRow, type Plan } from '../plan/plan.ts';

/** A salt bar by its oils: lauric and myristic acid, % of the oils; or by its salt, g/kg oils. */
const SALT_BAR = { lauric: 45, salt: 250 } as const;
/** Sodium chloride, g/ml: no other additive is that dense. */
const SALT_DENSITY = 2.165;

/** Highest superfat of an ordinary bar and of a salt bar, %. */
export const HIGH_SUPERFAT = { bar: 12, saltBar: 22 } as const;

/** Whether a plan is of a salt bar, whose lather needs a high superfat. */
export function isSaltBar(plan: Plan, oils: readonly OilRow[] = plan.base.oils): boolean {
  const { additives } = plan.base;
  const foaming = oils.reduce((sum, o) => {
    const fatty = materialOf(plan, o.materialId).oil?.fatty;
    const of = (acid: (typeof FATTY_ACIDS)[number]): number => fatty?.[FATTY_ACIDS.indexOf(acid)] ?? 0;
    return sum + (o.percent * (of('lauric') + of('myristic'))) / 100;
  }, 0);
  const salt = additives.reduce(
    (sum, a) => (Math.abs(materialOf(plan, a.materialId).density - SALT_DENSITY) < 0.01 ? sum + a.dose : sum),
    0,
  );
  return foaming > SALT_BAR.lauric || salt >= SALT_BAR.salt;
}

/** Highest superfat that a bar of this plan may have without being warned of, %. */
export const highSuperfat = (plan: Plan): number =>
  isSaltBar(plan) ? HIGH_SUPERFAT.saltBar : HIGH_SUPERFAT.bar;
