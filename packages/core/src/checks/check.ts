import { type Material } from '../material/material.ts';
import { type Measuring } from '../units/measure.ts';
import { type Printer, printerFor } from '../units/printer.ts';
import { metricUnits } from '../units/view.ts';
import { flowOf } from '../balance/balance.ts';
import { potComposition } from '../balance/potComposition.ts';
import { type Fill, fillOf } from '../balance/fill.ts';
import { type BatchGel, gelOf } from '../balance/gel.ts';
import { type Flow, tinted } from '../balance/flow.ts';
import { type Batter, batterOf } from '../balance/lye.ts';
import { embedMaterials } from '../plan/embed.ts';
import { type LearntBase } from '../plan/learntBase.ts';
import { materialOf, type Plan } from '../plan/plan.ts';
import { type PrepSheet, prepSheet } from '../work/prep.ts';
import { type ScentBlend, scentBlend } from '../balance/scent.ts';
import { productPerOil } from '../balance/product.ts';
import { type PotStep, timelineOf } from '../work/timeline.ts';
import { type Touching, touchingPots } from '../work/touching.ts';
import { looksOf, type PotLooks } from './looks.ts';

export type CheckLevel = 'stop' | 'warn' | 'tip';

/** Where a check shows. */
export type CheckPlace =
  | {
      readonly at:
        | 'oils'
        | 'superfat'
        | 'lye'
        | 'scent'
        | 'additives'
        | 'mould'
        | 'embeds'
        | 'pots'
        | 'idea'
        | 'work';
    }
  | { readonly at: 'pot'; readonly potId: string }
  | { readonly at: 'dose'; readonly potId: string; readonly rowId: string };

/** One way out, applied with one tap. A plan in, a plan out, so that undo takes it back. */
export interface Repair {
  readonly label: string;
  readonly apply: (plan: Plan) => Plan;
}

export interface Check {
  readonly id: string;
  readonly level: CheckLevel;
  readonly place: CheckPlace;
  /** One plain sentence. */
  readonly sentence: string;
  /** The figures behind it. */
  readonly arithmetic: string;
  /** What to do about it. */
  readonly remedy: string;
  readonly repairs?: readonly Repair[];
}

/** What the shelf holds now, by id. */
export type ShelfState = ReadonlyMap<string, Material>;

export interface CheckContext {
  readonly measuring: Measuring;
  readonly print?: Printer;
  /** Without it, the plan's own copies tell. */
  readonly shelf?: ShelfState;
  /** The base as bars have told it by now; null where none has. Without it, the plan's own tells. */
  readonly learnt?: LearntBase | null;
  /** Whether the batch is made, so that a changed shelf no longer concerns it. Default false. */
  readonly made?: boolean;
}

export interface Held {
  readonly material: Material;
  readonly dose: number;
}

/** What the checks look at, worked out once. Pure: the same plan and context give the same facts. */
export interface PlanFacts {
  readonly plan: Plan;
  readonly measuring: Measuring;
  readonly print: Printer;
  readonly shelf: ShelfState;
  readonly learnt: LearntBase | null;
  readonly made: boolean;
  readonly batter: Batter;
  readonly flow: Flow;
  /** How the batch is going to gel. */
  readonly gel: BatchGel;
  readonly touching: readonly Touching[];
  readonly fill: Fill;
  readonly prep: PrepSheet;
  readonly steps: readonly PotStep[];
  readonly blend: ScentBlend | null;
  /** Everything that is put in beside oils and scent, embeds and lines too. */
  readonly used: readonly Material[];
  readonly held: ReadonlyMap<string, readonly Held[]>;
  /** Per pot id. */
  readonly looks: ReadonlyMap<string, PotLooks>;
}

/**
 * What the checks look at, worked out once: flow, sheet, pace and the looks of every pot.
 * @param context the maker's measuring and shelf, and whether the batch is made; units are metric unless a
 * printer is given.
 */
export function planFacts(
  plan: Plan,
  {
    measuring,
    print = printerFor(metricUnits),
    shelf,
    learnt = plan.base.learnt ?? null,
    made = false,
  }: CheckContext,
): PlanFacts {
  const flow = flowOf(plan);
  const gel = gelOf(plan);
  const { scent } = plan.base;
  return {
    plan,
    measuring,
    print,
    made,
    learnt,
    shelf: shelf ?? new Map(plan.materials.map((m) => [m.id, m])),
    batter: batterOf(plan),
    flow,
    gel,
    touching: touchingPots(plan, flow),
    used: usedMaterials(plan),
    held: heldByPots(plan, flow),
    fill: fillOf(plan),
    prep: prepSheet(plan, measuring),
    steps: timelineOf(plan).pots,
    blend: scent && scentBlend(plan, scent, productPerOil(plan)),
    looks: new Map(plan.pots.map((p) => [p.id, looksOf(potComposition(plan, p), gel.gel)])),
  };
}

/** The same facts as if the batch gelled, or did not. */
export const withGel = (facts: PlanFacts, gel: 0 | 1): PlanFacts => ({
  ...facts,
  gel: { ...facts.gel, gel },
  looks: new Map([...facts.looks].map(([id, l]) => [id, looksOf(l.composition, gel)])),
});

function usedMaterials(plan: Plan): Material[] {
  const ids = new Set([
    ...plan.base.additives.map((a) => a.materialId),
    ...plan.pots.flatMap((p) => p.doses.map((d) => d.materialId)),
    ...plan.lines.map((l) => l.materialId),
    ...plan.embeds.flatMap(embedMaterials),
  ]);
  return plan.materials.filter((m) => ids.has(m.id));
}

/** What pots hold, each with its g per kg oils: their own, their donors', and the whole batch's additives. */
const heldByPots = (plan: Plan, { pots }: Flow): Map<string, Held[]> =>
  new Map(
    pots.map(({ pot, oils, tint }) => [
      pot.id,
      oils > 0
        ? tinted(tint).map((i) => ({ material: plan.materials[i]!, dose: (tint[i]! * 1000) / oils }))
        : pot.doses.map((d) => ({ material: materialOf(plan, d.materialId), dose: d.dose })),
    ]),
  );
