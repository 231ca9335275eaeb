import { concentrationOf, lyeRate } from '../balance/lye.ts';
import { isMilk } from '../plan/liquid.ts';
import { type Held, planFacts, type PlanFacts } from '../checks/check.ts';
import { FALSE_TRACE } from '../checks/thresholds.ts';
import { type Actuals } from '../day/actuals.ts';
import { type LogEntry, TRACES, TROUBLES } from '../day/entry.ts';
import { standing } from '../day/merge.ts';
import { isWhitener, type Material } from '../material/material.ts';
import { materialOf, type Plan, type Pot } from '../plan/plan.ts';
import { asMade } from '../record/asMade.ts';
import { type BatchRecord } from '../record/record.ts';
import { type Move } from '../plan/day.ts';
import { pourScript } from '../work/pourScript.ts';
import { timelineOf } from '../work/timeline.ts';
import { type Measuring } from '../units/measure.ts';
import { type Printer } from '../units/printer.ts';

/** What is known of a batch when somebody asks why it came out so: what the checks look at, of the batch as made. */
export interface BatchFacts extends PlanFacts {
  readonly planned: Plan;
  readonly record: BatchRecord;
  readonly said: readonly LogEntry[];
  /** Lye in its solution, %. */
  readonly concentration: number;
  /** Warmest of what was measured at the bench; the plan’s temperature where nothing was. °C */
  readonly warmth: number;
  readonly warmthMeasured: boolean;
  /** 0 or 1 as it was seen at the cut; null while nobody looked. */
  readonly gelSeen: number | null;
  /** Fats that are hard at room temperature, % of the oils. */
  readonly hardFats: number;
  /** Everything that warms a batter by itself. */
  readonly sweet: readonly string[];
  /** How it was poured, by hand or by the techniques. */
  readonly moves: readonly Move[];
  /** From the pour, h; null where it was not logged. */
  readonly cutAfter: number | null;
  readonly unmouldedAfter: number | null;
  /** From the emulsion to the end of the pour, min; null where it was not logged. */
  readonly pouredAfter: number | null;
}

export interface CauseContext {
  readonly planned: Plan;
  readonly actuals: Pick<Actuals, 'plan' | 'weighed'>;
  readonly record: BatchRecord;
  /** In any order. */
  readonly log: readonly LogEntry[];
  readonly measuring: Measuring;
  readonly print?: Printer;
}

const MS_PER_HOUR = 3_600_000;
const MS_PER_MINUTE = 60_000;

/** Everything that the rules look at, worked out once. */
export function batchFacts({ planned, actuals, record, log, measuring, print }: CauseContext): BatchFacts {
  const plan = asMade(actuals);
  const facts = planFacts(plan, { measuring, made: true, ...(print && { print }) });
  const said = standing(log).toSorted((a, b) => a.at - b.at);
  const { naoh, koh, liquid } = lyeRate(plan);
  const warm = said.filter((e) => e.kind === 'warmth').map((e) => e.value);
  const doneAt = (start: string): number | null =>
    said.findLast((e) => e.kind === 'done' && e.target.startsWith(start))?.at ?? null;
  const poured = doneAt('pour/');
  const since = (from: number | null, to: number | null, ms: number): number | null =>
    from === null || to === null || to < from ? null : (to - from) / ms;
  const { gel } = record;
  return {
    ...facts,
    planned,
    record,
    said,
    concentration: concentrationOf(naoh + koh, liquid),
    warmth: warm.length > 0 ? Math.max(...warm) : plan.base.temperature,
    warmthMeasured: warm.length > 0,
    gelSeen: gel?.how === 'none' ? 0 : gel?.how === 'full' || gel?.how === 'ring' ? 1 : null,
    hardFats: plan.base.oils.reduce(
      (sum, o) =>
        (materialOf(plan, o.materialId).oil?.saturated ?? 0) >= FALSE_TRACE.saturated ? sum + o.percent : sum,
      0,
    ),
    sweet: [
      ...facts.used.filter((m) => m.cautions.includes('heat')).map((m) => m.name),
      ...plan.base.liquid.parts
        .filter((p) => p.percent > 0 && (isMilk(p.kind) || p.kind === 'puree' || p.kind === 'beer'))
        .map((p) => p.name),
    ],
    moves:
      plan.work.pour.moves ??
      pourScript(plan, facts.flow, timelineOf(plan).pours).flatMap((sitting) => sitting.moves),
    cutAfter: since(poured, doneAt('after/cut'), MS_PER_HOUR),
    unmouldedAfter: since(poured, doneAt('unmould'), MS_PER_HOUR),
    pouredAfter: since(doneAt('combine/'), poured, MS_PER_MINUTE),
  };
}

/** The pots that a fault was seen in; all of them where none was named. */
export const potsOf = (f: BatchFacts, potIds: readonly string[]): readonly Pot[] => {
  const named = f.plan.pots.filter((p) => potIds.includes(p.id));
  return named.length > 0 ? named : f.plan.pots;
};

/** What some pots hold of materials of a kind, the largest dose of each. */
export function heldIn(
  f: BatchFacts,
  pots: readonly Pot[],
  is: (m: Material) => boolean,
): readonly (Held & { readonly pot: Pot })[] {
  return pots.flatMap((pot) =>
    (f.held.get(pot.id) ?? []).filter((h) => h.dose > 0 && is(h.material)).map((h) => ({ ...h, pot })),
  );
}

/** g/kg of whitener in a pot. */
export const whiteIn = (f: BatchFacts, pot: Pot): number =>
  heldIn(f, [pot], isWhitener).reduce((sum, h) => sum + h.dose, 0);

/** Pots that lie beside a pot in the bar. */
export const besidePot = (f: BatchFacts, pot: Pot): readonly Pot[] =>
  f.touching.flatMap(({ a, b }) => (a.id === pot.id ? [b] : b.id === pot.id ? [a] : []));

/** g/kg oils of scent in a pot. */
export function scentIn(f: BatchFacts, pot: Pot): number {
  const flow = f.flow.pots.find((p) => p.pot.id === pot.id);
  return flow && flow.oils > 0 ? (flow.contents[f.flow.ledger.at('scent')]! * 1000) / flow.oils : 0;
}

/** g/kg oils of vanillin in a pot. */
export const vanillinIn = (f: BatchFacts, pot: Pot): number => scentIn(f, pot) * (f.blend?.vanillin ?? 0);

/** The thickest that was said of some pots, as a place in `TRACES`; null for nothing. */
export function thickestSaid(f: BatchFacts, pots: readonly Pot[]): number | null {
  const said = f.said.filter((e) => e.kind === 'thickness' && pots.some((p) => p.id === e.potId));
  return said.length > 0 ? Math.max(...said.map((e) => e.value)) : null;
}
/** The last that was said of how thick some pots were. */
export function lastSaid(f: BatchFacts, pots: readonly Pot[]): number | null {
  return f.said.findLast((e) => e.kind === 'thickness' && pots.some((p) => p.id === e.potId))?.value ?? null;
}
export const traceName = (place: number): string => TRACES[place] ?? '';

/** Whether a trouble of the log was said, of any pot. */
export const hasTrouble = (f: BatchFacts, ...which: (typeof TROUBLES)[number][]): boolean =>
  f.said.some((e) => e.kind === 'trouble' && which.some((w) => TROUBLES[e.value] === w));
