import { type Allergen } from '../material/material.ts';
import { type LiquidKind, type LiquidPart, type Plan } from './plan.ts';

export interface LiquidFacts {
  /** By weight, 0–1: what dissolves the lye, and what dries out in cure. */
  readonly water: number;
  /** By weight, 0–1: counts as oil. */
  readonly fat: number;
  /** Saponification value of the fat, mg KOH per g. */
  readonly fatSap: number;
  readonly allergens: readonly Allergen[];
}

/** What a liquid is by weight. Typical: cow's milk, tinned coconut milk, strong brine, boiled beer. */
export const LIQUID_FACTS: Readonly<Record<LiquidKind, LiquidFacts>> = {
  milk: { water: 0.87, fat: 0.035, fatSap: 227, allergens: ['milk'] },
  'coconut-milk': { water: 0.7, fat: 0.2, fatSap: 257, allergens: ['coconut'] },
  tea: { water: 1, fat: 0, fatSap: 0, allergens: [] },
  puree: { water: 0.9, fat: 0, fatSap: 0, allergens: [] },
  brine: { water: 0.75, fat: 0, fatSap: 0, allergens: [] },
  beer: { water: 0.95, fat: 0, fatSap: 0, allergens: ['barley'] },
  other: { water: 1, fat: 0, fatSap: 0, allergens: [] },
};

/** Kinds that brown and heat as milk does. */
export const isMilk = (kind: LiquidKind): boolean => kind === 'milk' || kind === 'coconut-milk';

/** Share of the liquid that is milk, 0–1. */
export const milkShare = ({ base }: Plan): number =>
  base.liquid.parts.reduce((sum, p) => sum + (isMilk(p.kind) ? p.percent / 100 : 0), 0);

/** Parts of the liquid together, %; the rest is water, and more than 100 cannot be. */
export const liquidPartsSum = ({ base }: Plan): number =>
  base.liquid.parts.reduce((sum, p) => sum + p.percent, 0);

/** A gram of the plan's liquid: its water, its fat, and what the fat takes, mol of lye. */
export function liquidOfPlan(plan: Plan): {
  readonly water: number;
  readonly fat: number;
  readonly fatSap: number;
} {
  // Parts of more than 100 % are stopped; the figures stay those of a liquid.
  const scale = 1 / Math.max(100, liquidPartsSum(plan));
  let water = 1;
  let fat = 0;
  let sap = 0;
  for (const { kind, percent } of plan.base.liquid.parts) {
    const facts = LIQUID_FACTS[kind];
    const share = percent * scale;
    water -= share * (1 - facts.water);
    fat += share * facts.fat;
    sap += share * facts.fat * facts.fatSap;
  }
  return { water, fat, fatSap: fat > 0 ? sap / fat : 0 };
}

/** Parts of the liquid with its water, each by its share of the whole, %. */
export function liquidParts(
  plan: Plan,
): (Pick<LiquidPart, 'id' | 'name' | 'percent'> & { readonly frozen: boolean })[] {
  const { parts } = plan.base.liquid;
  const sum = liquidPartsSum(plan);
  const scale = 100 / Math.max(100, sum);
  const water = 100 - sum * scale;
  return [
    ...(water > 1e-9 ? [{ id: 'water', name: 'Water', percent: water, frozen: false }] : []),
    ...parts
      .filter((p) => p.percent > 0)
      .map((p) => ({ id: p.id, name: p.name, percent: p.percent * scale, frozen: isMilk(p.kind) })),
  ];
}
