import { type FaceStripe } from '@kleur/contract';
import { bareComposition, cured, type Plan, potComposition, potShares, predictColour } from '@kleur/core';

/** The bar's colours at cure, ungelled, for the list: pots with a share, or the bare base. */
export function faceOf(plan: Plan): FaceStripe[] {
  const pots = potShares(plan).filter((s) => s.fraction > 0);
  if (pots.length === 0) {
    return plan.base.oils.length === 0
      ? []
      : [{ name: 'Bare base', hex: predictColour(bareComposition(plan), cured()).hex, share: 1 }];
  }
  return pots.map(({ pot, fraction }) => ({
    name: pot.name,
    hex: predictColour(potComposition(plan, pot), cured()).hex,
    share: fraction,
  }));
}
