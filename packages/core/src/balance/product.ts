import { flowOf } from './balance.ts';
import { cureLoss } from './fill.ts';
import { type Flow } from './flow.ts';
import { type Plan } from '../plan/plan.ts';

/**
 * Finished soap from a gram of oils, g: batter less what leaves in cure. Limits on the product are measured against
 * the cured bar, which is lighter than the fresh one and so the stricter of the two.
 */
export function productPerOil(plan: Plan, flow: Flow = flowOf(plan)): number {
  const { mass, unallocated } = flow;
  const oils = plan.base.totalOils * Math.max(1, 1 - unallocated);
  return oils > 0 ? (mass / oils) * (1 - cureLoss(plan, flow)) : 1;
}
