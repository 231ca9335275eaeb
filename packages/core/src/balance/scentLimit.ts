import { type Material } from '../material/material.ts';
import { liquidOfPlan } from '../plan/liquid.ts';
import { materialOf, type Plan } from '../plan/plan.ts';
import { WATER_LEAVES } from './fill.ts';
import { type Flow } from './flow.ts';

export interface ScentLimit {
  /** Most of the blend, g/kg oils of this portion. */
  readonly dose: number;
  readonly by: Material;
  /** Whether it comes from a limit on the finished product. */
  readonly product: boolean;
}

/**
 * The most of the plan's blend that one pot may hold. A limit on oils is limit / share of the scent in the blend. A
 * limit on the finished product refers to this pot's own cured soap, its scent and stabiliser in it:
 * share × s / (rest + s × (1 + stabiliser)) = limit. Null for a plan without scent or limit.
 * @param contents of the pot, g by the ledger; @param oils its oils, g.
 */
export function portionScentLimit(
  plan: Plan,
  { ledger }: Pick<Flow, 'ledger'>,
  contents: Float64Array,
  oils: number,
): ScentLimit | null {
  const { scent } = plan.base;
  const parts = scent?.parts.reduce((sum, p) => sum + p.parts, 0) ?? 0;
  if (!scent || !(parts > 0) || !(oils > 0)) return null;
  let mass = 0;
  for (const g of contents) mass += g;
  const water =
    contents[ledger.at('liquid')]! * liquidOfPlan(plan).water + contents[ledger.at('carrier-water')]!;
  const rest =
    mass - contents[ledger.at('scent')]! - contents[ledger.at('stabiliser')]! - WATER_LEAVES * water;
  let least: ScentLimit | null = null;
  for (const p of scent.parts) {
    const by = materialOf(plan, p.materialId);
    const share = p.parts / parts;
    if (!by.scent || !(share > 0)) continue;
    const product = by.scent.limitBasis === 'product';
    const limit = by.scent.limit / 1000;
    const room = share - limit * (1 + scent.stabiliser);
    const grams = product ? (room > 0 ? (limit * rest) / room : Infinity) : (limit / share) * oils;
    const dose = (grams * 1000) / oils;
    if (!least || dose < least.dose) least = { dose, by, product };
  }
  return least;
}
