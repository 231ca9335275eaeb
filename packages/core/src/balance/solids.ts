import { type MaterialKind } from '../material/material.ts';
import { type Plan } from '../plan/plan.ts';
import { type Flow, type PotFlow } from './flow.ts';

/** What thickens and weakens a bar when there is much of it: colour and clay. */
const SOLID_KINDS: readonly MaterialKind[] = ['pigment', 'mica', 'fluorescent', 'dye', 'clay', 'botanical'];

/**
 * Colour powders and clays that lie in a pot, g per kg of its oils: donors', the whole batch's and its own. What was
 * strained off, milk, oats, scrubs and purées do not count.
 */
export const solidsOf = (plan: Plan, { ledger }: Pick<Flow, 'ledger'>, p: PotFlow): number =>
  p.oils > 0
    ? plan.materials.reduce(
        (sum, m) =>
          SOLID_KINDS.includes(m.kind) && m.form === 'powder'
            ? sum + p.contents[ledger.material(m.id)]!
            : sum,
        0,
      ) *
      (1000 / p.oils)
    : 0;
