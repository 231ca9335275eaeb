import { isMomentLate, takesLate } from '../plan/late.ts';
import { setAdditive, setBase, setPot } from '../plan/edit/index.ts';
import { materialOf, type Plan, type Pot, type Taken } from '../plan/plan.ts';
import { grams } from '../units/quantity.ts';
import { type Check, type PlanFacts, type Repair } from './check.ts';

/** Something that goes into the batter late, and when a pot must be taken to have it. */
interface Late {
  readonly what: string;
  readonly after: Taken;
  /** Puts it in early instead. */
  readonly early: Repair;
}

/** Liquid held back, or an additive at a moment, that no pot of its batter takes: it would be left on the bench. */
export function checkLateTakers({ plan, flow }: PlanFacts): Check[] {
  if (plan.pots.length === 0) return [];
  const losses = flow.pots.reduce((sum, p) => sum + p.loss, 0);
  return flow.lyes.flatMap(({ potId }): Check[] => {
    const pots = flow.pots.filter(
      (p) => p.group === potId && p.draws.some((d) => d.draw.from === null && d.fraction > 1e-9),
    );
    // More than scrapings in the bowl takes all that goes into it.
    if (pots.length === 0 || (potId === null && flow.leftoverMass > losses)) return [];
    return lateOf(plan)
      .filter((late) => !pots.some((p) => takesLate(plan, p.pot, late.after)))
      .map((late) =>
        finding(
          late,
          pots.map((p) => p.pot),
          potId,
        ),
      );
  });
}

function lateOf(plan: Plan): Late[] {
  const { liquid, additives } = plan.base;
  const list: Late[] = additives
    .filter((a) => a.dose > 0 && isMomentLate(a.moment))
    .map((a) => ({
      what: materialOf(plan, a.materialId).name,
      after: a.moment === 'water' ? 'liquid' : 'additives',
      early: {
        label: `${materialOf(plan, a.materialId).name} into the oils instead`,
        apply: (p) => setAdditive(p, a.id, { moment: 'oils' }),
      },
    }));
  if (liquid.heldBack > 0)
    list.unshift({
      what: 'The liquid held back',
      after: 'liquid',
      early: {
        label: 'Hold no liquid back',
        apply: (p) => setBase(p, { liquid: { ...p.base.liquid, heldBack: grams(0) } }),
      },
    });
  return list;
}

function finding(late: Late, pots: readonly Pot[], potId: string | null): Check {
  const last = pots.at(-1)!;
  return {
    id: 'late-without-taker',
    level: 'stop',
    place: potId === null ? { at: 'pots' } : { at: 'pot', potId },
    sentence: `${late.what} goes into the batter after ${pots.length > 1 ? 'every pot' : last.name} is taken off: no pot gets it.`,
    arithmetic: pots
      .map((p) => `${p.name} is taken ${p.taken === 'emulsion' ? 'at emulsion' : 'after the late liquid'}`)
      .join('; '),
    remedy: 'Take a pot off later, or put it in earlier.',
    repairs: [
      {
        label: `Take ${pots.length > 1 ? 'them' : last.name} off after it`,
        apply: (p) =>
          pots.reduce(
            (q, { id }) =>
              takesLate(
                q,
                q.pots.find((x) => x.id === id)!,
                late.after,
              )
                ? q
                : setPot(q, id, { taken: late.after }),
            p,
          ),
      },
      late.early,
    ],
  };
}
