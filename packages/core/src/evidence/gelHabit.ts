import { GEL_SPREAD, gelOf } from '../balance/gel.ts';
import { type GelHabit } from '../plan/learntBase.ts';
import { type Plan } from '../plan/plan.ts';
import { type GelSeen } from './reading.ts';

/** A batch as it was poured, with what its cut face showed. */
export interface CutBatch {
  readonly plan: Plan;
  readonly seen: GelSeen | null;
}

/** How far from the table gel may begin for a maker, °C. */
const PRIOR_SD = 5;
const STEPS = 25;
/** Steps of Newton's method never go further than this, °C. */
const STRIDE = 5;

/**
 * By how many °C later, or earlier, than by the table gel begins for this maker: maximum a posteriori over the batches
 * that were let be and of which the cut told it. A ring counts as gel: what the middle does is foretold.
 * @returns null where no such batch was cut
 */
export function gelHabit(batches: readonly CutBatch[]): GelHabit | null {
  const told = batches.flatMap(({ plan, seen }) => {
    if (!seen || seen.how === 'unsure') return [];
    // By the table alone, whatever the plan knew when it was made.
    const { decided, reaches, begins } = gelOf({ ...plan, base: { ...plan.base, learnt: undefined } });
    return decided ? [] : [{ margin: reaches - begins, gelled: seen.how !== 'none' }];
  });
  if (told.length === 0) return null;
  let shift = 0;
  for (let n = 0; n < STEPS; n++) {
    let slope = shift / PRIOR_SD ** 2;
    let curvature = 1 / PRIOR_SD ** 2;
    for (const { margin, gelled } of told) {
      const p = 1 / (1 + Math.exp((shift - margin) / GEL_SPREAD));
      slope += (Number(gelled) - p) / GEL_SPREAD;
      curvature += (p * (1 - p)) / GEL_SPREAD ** 2;
    }
    shift -= Math.min(STRIDE, Math.max(-STRIDE, slope / curvature));
  }
  return { shift: Number(shift.toFixed(2)), batches: told.length };
}
