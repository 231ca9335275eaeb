import { flowOf } from '../balance/balance.ts';
import { potComposition } from '../balance/potComposition.ts';
import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65 } from '../colour/lab.ts';
import { labOf } from '../pigment/composition.ts';
import { type Stage } from '../pigment/stage.ts';
import { type Plan } from '../plan/plan.ts';
import { type Measuring } from '../units/measure.ts';
import { type Actuals, actualsOf } from './actuals.ts';
import { type Cup } from './cups.ts';
import { LOG_LIMITS, logEntry, type LogEntry } from './entry.ts';

/** What can be done at a pot whose colour cannot be taken out again. */
export interface PotVerdict {
  /** As it should be in the jug now, and once it is cured. */
  readonly now: LabD65;
  readonly settled: LabD65;
  /** Cured, as it was planned; null for a pot that was not. */
  readonly wanted: LabD65 | null;
  /** ΔE00 between settled and wanted; 0 for a pot that was not planned. */
  readonly off: number;
  /** Whether nobody sees that difference. */
  readonly near: boolean;
  /** What of a cup at hand would bring it nearer, as a part of what is left in it; null to leave it. */
  readonly add: { readonly cup: Cup; readonly ofRest: number; readonly then: number } | null;
}

/** Within this of what was planned nobody sees a difference from bar to bar, ΔE00. */
const NEAR_ENOUGH = 2;
/** Worth a further addition only when it brings the colour this much nearer, ΔE00. */
const WORTH_ADDING = 0.7;
/** Parts of what is left in a cup that are taken by eye. */
const PARTS = [0.25, 0.5, 0.75, 1] as const;
/** Minutes from the pour: batter as it stands in the jug. */
const IN_THE_JUG: Stage = { hours: 0, gel: 0 };

/**
 * What one pot looks like after the log, what it will settle to, and the one addition out of the cups that are on the
 * bench, if any, that would bring it nearer to what was planned. Only adding is possible.
 * @param stage at which colours are compared: cured, with the plan's own gel
 */
export function verdictOf(
  plan: Plan,
  measuring: Measuring,
  log: readonly LogEntry[],
  potId: string,
  stage: Stage,
): PotVerdict | null {
  const actuals = actualsOf(plan, measuring, log);
  const settled = colourOf(actuals, potId, stage);
  const now = colourOf(actuals, potId, IN_THE_JUG);
  if (!settled || !now) return null;
  const planned = plan.pots.find((p) => p.id === potId);
  const wanted = planned ? labOf(potComposition(plan, planned), stage) : null;
  const off = wanted ? deltaE00(settled, wanted) : 0;
  const near = off <= NEAR_ENOUGH;
  if (!wanted || near) return { now, settled, wanted, off, near, add: null };
  let add: PotVerdict['add'] = null;
  for (const { cup, rest, ofRest } of optionsOf(actuals)) {
    const entry = logEntry({
      id: 'what-if',
      // Later than anything in the log.
      at: LOG_LIMITS.at,
      kind: 'added',
      potId,
      target: cup.id,
      by: 'part',
      value: ofRest * rest,
    });
    const next = colourOf(actualsOf(plan, measuring, [...log, entry]), potId, stage);
    const then = next ? deltaE00(next, wanted) : Infinity;
    if (then <= off - WORTH_ADDING && (add === null || then < add.then)) add = { cup, ofRest, then };
  }
  return { now, settled, wanted, off, near, add };
}

/** Parts of what is left in cups that were begun: those not begun are still needed, or count already. */
function optionsOf({
  cups,
  left,
}: Actuals): { readonly cup: Cup; readonly rest: number; readonly ofRest: number }[] {
  return cups.flatMap((cup) => {
    const rest = left.get(cup.id) ?? 0;
    return cup.material.optics && rest > 0 && rest < 1 ? PARTS.map((ofRest) => ({ cup, rest, ofRest })) : [];
  });
}

function colourOf({ plan, weighed }: Actuals, potId: string, stage: Stage): LabD65 | null {
  const pot = plan.pots.find((p) => p.id === potId);
  return pot ? labOf(potComposition(plan, pot, undefined, flowOf(plan, weighed)), stage) : null;
}
