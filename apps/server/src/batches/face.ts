import { type FaceStripe } from '@kleur/contract';
import { bareComposition, flowOf, gelOf, potComposition } from '@kleur/core/balance';
import { cured, predictColour } from '@kleur/core/pigment';
import { type Plan } from '@kleur/core/plan';

/** The bar's colours at cure, gelled as the batch likely is, for the list: pots with a share, or the bare base. */
export function faceOf(plan: Plan): FaceStripe[] {
  const pots = flowOf(plan)
    .pots.map(({ pot, oils, drawnOff }) => ({
      pot,
      fraction: (oils * Math.max(0, 1 - drawnOff)) / plan.base.totalOils,
    }))
    .filter((p) => p.fraction > 1e-6);
  if (pots.length === 0) {
    return plan.base.oils.length === 0
      ? []
      : [
          {
            name: 'Bare base',
            hex: predictColour(bareComposition(plan), cured(gelOf(plan).gel)).hex,
            share: 1,
          },
        ];
  }
  return pots.map(({ pot, fraction }) => ({
    name: pot.name,
    hex: predictColour(potComposition(plan, pot), cured(gelOf(plan).gel)).hex,
    share: fraction,
  }));
}
