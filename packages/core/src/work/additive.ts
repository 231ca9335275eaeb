import { deltaE00 } from '../colour/deltaE00.ts';
import { cured } from '../pigment/stage.ts';
import { gelOf } from '../balance/gel.ts';
import { bareComposition } from '../balance/potComposition.ts';
import { labOf } from '../pigment/composition.ts';
import { doseFactor } from './pace.ts';
import { type AdditiveRow, materialOf, type Plan } from '../plan/plan.ts';

/** What an additive does to the whole batch, at the dose it has. */
export interface AdditiveEffects {
  /** ΔE00 between the cured bare base with it and without it. */
  readonly deltaE: number;
  /** Factor on the time to trace. */
  readonly pace: number;
  readonly heats: boolean;
  /** Room that `mass` grams take in the mould, ml. */
  readonly volume: number;
}

/**
 * What an additive of the whole batch does to lye, colour and pace.
 * @param mass of it in the whole batch, g.
 */
export function additiveEffects(plan: Plan, row: AdditiveRow, mass: number): AdditiveEffects {
  const material = materialOf(plan, row.materialId);
  const without: Plan = {
    ...plan,
    base: { ...plan.base, additives: plan.base.additives.filter((a) => a.id !== row.id) },
  };
  const [one, other] = [plan, without].map((p) => labOf(bareComposition(p), cured(gelOf(plan).gel)));
  return {
    deltaE: deltaE00(one!, other!),
    pace: row.moment === 'top' ? 1 : doseFactor(plan, row.materialId, row.dose),
    heats: material.cautions.includes('heat'),
    volume: row.moment === 'top' ? 0 : mass / material.density,
  };
}
