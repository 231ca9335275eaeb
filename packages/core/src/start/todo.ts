import { oilsAddUp } from '../plan/oilShares.ts';
import { isColourant } from '../material/curve.ts';
import { materialOf, type Plan } from '../plan/plan.ts';

export const TODO_PARTS = ['oils', 'mould', 'pots', 'scent', 'print'] as const;
export type TodoPart = (typeof TODO_PARTS)[number];

/** What a plan still lacks before its sheet is whole. A scent is a choice, and left out is one too. */
export function todoOf(plan: Plan): ReadonlyMap<TodoPart, boolean> {
  const { pots, base, moulding } = plan;
  const coloured = pots.some((p) => p.doses.some((d) => isColourant(materialOf(plan, d.materialId).kind)));
  const done = {
    oils: base.oils.length > 0 && oilsAddUp(base.oils),
    mould: moulding.moulds.length > 0,
    pots: pots.length > 0 && coloured,
    scent: base.scent !== null,
  };
  return new Map<TodoPart, boolean>([
    ...(Object.entries(done) as [TodoPart, boolean][]),
    // Nothing is worth printing before there is something to weigh and to pour it into.
    ['print', false],
  ]);
}
