import { flowOf } from '../balance/balance.ts';
import { actualsOf } from '../day/actuals.ts';
import { asDecided } from '../day/decided.ts';
import { type LogEntry } from '../day/entry.ts';
import { batchHold } from '../day/lyeDoubt.ts';
import { type Plan } from '../plan/plan.ts';
import { type Measuring } from '../units/measure.ts';
import { type BatchRecord, type LyeState, lyeState } from './record.ts';

/** Whether a batch may contain lye, and the test that it must pass. */
export interface LyeCheck {
  readonly state: LyeState;
  /** Names of the pots whose superfat came below 0 %. */
  readonly below: readonly string[];
}

/**
 * What the log of the day, the plan as it was poured and what was seen afterwards tell about lye in the soap.
 *
 * @param log in any order
 */
export function lyeCheckOf(
  plan: Plan,
  measuring: Measuring,
  log: readonly LogEntry[],
  record: BatchRecord,
): LyeCheck {
  const made = actualsOf(asDecided(plan, log), measuring, log);
  const pots = flowOf(made.plan, made.weighed).pots.filter((p) => p.superfat !== null && p.left > 0);
  const hold = batchHold(
    plan,
    measuring.scaleDivision,
    log,
    pots.map((p) => p.superfat! * 100),
  );
  return {
    state: lyeState(record, hold.isHeld, hold.canBeLifted),
    below: pots.filter((p) => p.superfat! < 0).map((p) => p.pot.name),
  };
}
