import { FATTY_ACIDS } from '../material/material.ts';
import { materialOf, type OilRow, type Plan } from '../plan/plan.ts';

/** An oil that wets powder well is fluid: little of it is saturated, and little is ricinoleic acid, which is thick. % */
const LIGHT_OIL = { saturated: 25, ricinoleic: 20 } as const;

/** The oil of a blend that carriers come from: the one chosen, or its lightest. Null for none. */
export function carrierOilOf(plan: Plan, oils: readonly OilRow[]): string | null {
  const chosen = plan.work.carrierOil;
  if (chosen !== null) return oils.some((o) => o.materialId === chosen) ? chosen : null;
  const light = (o: OilRow): boolean => {
    const { oil } = materialOf(plan, o.materialId);
    const ricinoleic = oil?.fatty?.[FATTY_ACIDS.indexOf('ricinoleic')] ?? 0;
    return (oil?.saturated ?? 100) <= LIGHT_OIL.saturated && ricinoleic <= LIGHT_OIL.ricinoleic;
  };
  return (
    oils
      .filter(light)
      .reduce<OilRow | null>((best, o) => (best && best.percent >= o.percent ? best : o), null)?.materialId ??
    null
  );
}
