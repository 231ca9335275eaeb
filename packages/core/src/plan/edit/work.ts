import { type Material } from '../../material/material.ts';
import { type DayChanges, type PourScript } from '../day.ts';
import {
  type DoseRow,
  type Plan,
  pruneMaterials,
  type SharedDispersion,
  type Stock,
  type Work,
} from '../plan.ts';
import { withCopy } from './copies.ts';

/** Changes how the work goes. */
export const setWork = (plan: Plan, change: Partial<Work>): Plan => ({
  ...plan,
  work: { ...plan.work, ...change },
});

/** Changes the pour script. */
export const setPour = (plan: Plan, change: Partial<PourScript>): Plan =>
  setWork(plan, { pour: { ...plan.work.pour, ...change } });

/** Changes how the steps of the day differ from the plan's own. */
export const setDay = (plan: Plan, change: Partial<DayChanges>): Plan =>
  setWork(plan, { day: { ...plan.work.day, ...change } });

/** Chooses the oil that powders are dispersed in; null leaves it to the recipe. */
export const setCarrierOil = (plan: Plan, material: Material | null): Plan =>
  pruneMaterials({
    ...setWork(plan, { carrierOil: material?.id ?? null }),
    materials: material ? withCopy(plan, material) : plan.materials,
  });

/** Makes one dispersion of a material for all its pots (or a bottle's), or goes back to a cup a pot. */
export function setDispersion(plan: Plan, materialId: string, how: { stock: Stock | null } | null): Plan {
  const others = plan.work.dispersions.filter((d) => d.materialId !== materialId);
  const next: readonly SharedDispersion[] = how ? [...others, { materialId, stock: how.stock }] : others;
  return setWork(plan, { dispersions: next });
}

/** Takes every weighed carrier from the batch, or every one from beside it. */
export const setCarrierSource = (plan: Plan, source: DoseRow['source']): Plan => ({
  ...plan,
  pots: plan.pots.map((p) => ({ ...p, doses: p.doses.map((d) => ({ ...d, source })) })),
});
