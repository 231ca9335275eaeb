import { useMemo } from 'react';
import { flowOf, potComposition, type PotFlow } from '@kleur/core/balance';
import { screenColourFromLabD65 } from '@kleur/core/colour';
import { type Actuals, actualsOf, type LogEntry } from '@kleur/core/day';
import { labOf, type Stage } from '@kleur/core/pigment';
import { useSettings } from '../../../shared/hooks/useSettings.ts';
import { usePlan } from '../state/useDerived.ts';

/** A pot as it is being made. */
export interface MadePot {
  readonly id: string;
  readonly name: string;
  readonly flow: PotFlow;
  /** Cured, as it is now, `#rrggbb`. */
  readonly hex: string;
}

export interface Made extends Actuals {
  readonly pots: readonly MadePot[];
}

/** Pots that only stand for another one as it was at some moment, or for a spare mould, are nobody’s to work on. */
const isAtHand = (id: string): boolean => !id.includes('/') && !id.startsWith('spare:');

/** The batch as it is after a log. */
export function useMade(log: readonly LogEntry[], stage: Stage): Made {
  const plan = usePlan();
  const { measuring } = useSettings();
  return useMemo(() => {
    const actuals = actualsOf(plan, measuring, log);
    const flow = flowOf(actuals.plan, actuals.weighed);
    const pots = flow.pots
      .filter((p) => isAtHand(p.pot.id))
      .map((p): MadePot => ({
        id: p.pot.id,
        name: p.pot.name,
        flow: p,
        hex: screenColourFromLabD65(labOf(potComposition(actuals.plan, p.pot, undefined, flow), stage)).hex,
      }));
    return { ...actuals, pots };
  }, [plan, measuring, log, stage]);
}
