import { flowOf, gelOf, potComposition } from '@kleur/core/balance';
import { type LabD65 } from '@kleur/core/colour';
import { keptOf, type Kept } from '@kleur/core/day';
import { lotAtHand } from '@kleur/core/material';
import { cured, labOf } from '@kleur/core/pigment';
import { type Plan } from '@kleur/core/plan';
import { usedMaterials } from '@kleur/core/record';

/** What a plan uses and when, as far as lists, the ledger and the calendar ask. */
export interface BatchUses {
  /** Ids. */
  readonly materials: readonly string[];
  /** Labels of the lots at hand when it was planned, with the material. */
  readonly lots: readonly { readonly materialId: string; readonly label: string }[];
  readonly scents: readonly string[];
  readonly techniques: readonly string[];
  readonly moulds: readonly { readonly name: string; readonly count: number }[];
  readonly kept: Kept;
  /** From the first pour to the last, h. */
  readonly pourHours: number;
  /** Cured colours by the plan. */
  readonly pots: readonly { readonly id: string; readonly name: string; readonly lab: LabD65 }[];
}

export function usesOf(plan: Plan): BatchUses {
  const used = usedMaterials(plan);
  const { body, layers, top } = plan.idea.design;
  const flow = flowOf(plan);
  const stage = cured(gelOf(plan).gel);
  const there = plan.pots.filter((p) => (flow.pots.find((f) => f.pot.id === p.id)?.oils ?? 0) > 0);
  const hours = there.map((p) => p.hoursBefore);
  return {
    materials: [...used],
    lots: plan.materials.flatMap((m) => {
      const label = used.has(m.id) ? (lotAtHand(m)?.label ?? '') : '';
      return label === '' ? [] : [{ materialId: m.id, label }];
    }),
    scents: plan.base.scent?.parts.map((p) => p.materialId) ?? [],
    techniques: [...new Set([...body, ...layers.map((l) => l.technique), ...(top === null ? [] : [top])])],
    moulds: plan.moulding.moulds.map((m) => ({ name: m.mould.name, count: m.count })),
    kept: keptOf(plan),
    pourHours: hours.length > 0 ? Math.max(...hours) - Math.min(...hours) : 0,
    pots: there.map((p) => ({
      id: p.id,
      name: p.name,
      lab: labOf(potComposition(plan, p, undefined, flow), stage),
    })),
  };
}
