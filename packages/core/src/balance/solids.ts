import { isSolid } from '../material/curve.ts';
import { type Plan } from '../plan/plan.ts';
import { type Flow, type PotFlow } from './flow.ts';

/**
 * Colour powders and clays that lie in a pot, g per kg of its oils: donors', the whole batch's and its own. What was
 * strained off, milk, oats, scrubs and purées do not count.
 */
export const solidsOf = (plan: Plan, { ledger }: Pick<Flow, 'ledger'>, p: PotFlow): number =>
  p.oils > 0
    ? plan.materials.reduce((sum, m) => (isSolid(m) ? sum + p.contents[ledger.material(m.id)]! : sum), 0) *
      (1000 / p.oils)
    : 0;
