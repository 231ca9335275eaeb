import { type Plan } from '../plan/plan.ts';
import { grams } from '../units/quantity.ts';
import { fillOf, solveOils } from './fill.ts';
import { settleWishes } from './perBar.ts';

/** Moulds that are this near to full, as a share of their room, need no other amount of oils. */
const FULL_ENOUGH = 0.004;

/** The plan with the oils that fill its moulds, in whole grams, where these lead; itself where nothing has to move. */
function followMoulds(plan: Plan): Plan {
  if (!plan.moulding.leads || plan.moulding.moulds.length === 0 || plan.base.oils.length === 0) return plan;
  const { ratio } = fillOf(plan);
  if (ratio !== null && Math.abs(ratio - 1) <= FULL_ENOUGH) return plan;
  const oils = solveOils(plan, { from: 'mould' });
  const total = oils === null ? 0 : Math.round(oils);
  return total < 1 || total === plan.base.totalOils
    ? plan
    : { ...plan, base: { ...plan.base, totalOils: grams(total) } };
}

/** The plan after an edit, with what follows by the maker's own wish: the oils of leading moulds, the doses per bar. */
export const settle = (plan: Plan): Plan => settleWishes(followMoulds(plan));
