import { type Plan } from '../plan/plan.ts';
import { withFallback } from '../work/design.ts';
import { type LogEntry } from './entry.ts';
import { mergeLogs, standing } from './merge.ts';

/**
 * The design that was poured: the simpler one where the maker decided for it before the pour.
 *
 * @param log in any order
 */
export function asDecided(plan: Plan, log: readonly LogEntry[]): Plan {
  const isSimpler = standing(mergeLogs(log, [])).findLast((e) => e.kind === 'decided')?.value === 0;
  return isSimpler ? withFallback(plan) : plan;
}
