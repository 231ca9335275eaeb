import { type LabD65 } from '../../colour/lab.ts';
import { type Material } from '../../material/material.ts';
import { createMixer } from '../../pigment/mixer.ts';
import { cured } from '../../pigment/stage.ts';
import { type Measuring } from '../../units/measure.ts';
import { metricUnits, type Say, sayIn } from '../../units/view.ts';
import { flowOf } from '../balance.ts';
import { bareComposition, type Composition, labOf, potComposition, stageOf } from '../composition.ts';
import { type Fill, fillOf } from '../fill.ts';
import { type Flow } from '../flow.ts';
import { type Batter, batterOf } from '../lye.ts';
import { paceSteps, type PotStep } from '../pace.ts';
import { materialOf, type Plan } from '../plan.ts';
import { type PrepSheet, prepSheet } from '../prep.ts';
import { type ScentBlend, scentBlend } from '../scent.ts';
import { productPerOil } from '../product.ts';

export type CheckLevel = 'stop' | 'warn' | 'tip';

/** Where a check shows. */
export type CheckPlace =
  | {
      readonly at:
        'oils' | 'superfat' | 'lye' | 'scent' | 'additives' | 'mould' | 'embeds' | 'pots' | 'idea' | 'work';
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

/** What the shelf holds now, as far as checks ask. */
export type ShelfState = ReadonlyMap<string, Pick<Material, 'stock' | 'lot' | 'lotTested'>>;

export interface CheckContext {
  readonly measuring: Measuring;
  readonly say?: Say;
  /** Without it, the plan's own copies tell. */
  readonly shelf?: ShelfState;
}

export interface Held {
  readonly material: Material;
  readonly dose: number;
}

/** What the checks look at, worked out once. Pure: the same plan and context give the same facts. */
export interface PlanFacts {
  readonly plan: Plan;
  readonly measuring: Measuring;
  readonly say: Say;
  readonly shelf: ShelfState;
  readonly batter: Batter;
  readonly flow: Flow;
  readonly fill: Fill;
  readonly prep: PrepSheet;
  readonly steps: readonly PotStep[];
  readonly blend: ScentBlend | null;
  readonly held: ReadonlyMap<string, readonly Held[]>;
  readonly compositions: ReadonlyMap<string, Composition>;
  /** Cured, ungelled colour per pot id of what is in it, at other doses than planned. */
  readonly curedAt: ReadonlyMap<string, (doses: readonly number[]) => LabD65>;
  /** Cured, ungelled colour per pot id, and of the same pot without its colour. */
  readonly cured: ReadonlyMap<string, LabD65>;
  readonly uncoloured: ReadonlyMap<string, LabD65>;
  readonly bare: LabD65;
}

export function planFacts(
  plan: Plan,
  { measuring, say = sayIn(metricUnits), shelf }: CheckContext,
): PlanFacts {
  const stage = cured();
  const flow = flowOf(plan);
  const compositions = new Map(plan.pots.map((p) => [p.id, potComposition(plan, p)]));
  const { scent } = plan.base;
  // One mixer a pot serves every question about its colour.
  const curedAt = new Map(
    [...compositions].map(([id, c]) => {
      const mixer = createMixer(
        c.canvas,
        c.parts.map((p) => p.optics),
        stageOf(c, stage),
      );
      return [
        id,
        (doses: readonly number[]): LabD65 => {
          const [L, a, b] = mixer.lab(doses);
          return [L!, a!, b!];
        },
      ];
    }),
  );
  const each = (doseOf: (dose: number) => number): Map<string, LabD65> =>
    new Map([...compositions].map(([id, c]) => [id, curedAt.get(id)!(c.parts.map((p) => doseOf(p.dose)))]));
  return {
    plan,
    measuring,
    say,
    shelf: shelf ?? new Map(plan.materials.map((m) => [m.id, m])),
    batter: batterOf(plan),
    flow,
    held: heldByPots(plan, flow),
    fill: fillOf(plan),
    prep: prepSheet(plan, measuring),
    steps: paceSteps(plan),
    blend: scent && scentBlend(plan, scent, productPerOil(plan)),
    compositions,
    curedAt,
    cured: each((dose) => dose),
    uncoloured: each(() => 0),
    bare: labOf(bareComposition(plan), stage),
  };
}

/** What pots hold, each with its g per kg oils: their own, their donors', and the whole batch's additives. */
const heldByPots = (plan: Plan, { pots }: Flow): Map<string, Held[]> =>
  new Map(
    pots.map(({ pot, oils, tint }) => [
      pot.id,
      oils > 0
        ? plan.materials.flatMap((material, i) =>
            tint[i]! > 0 ? [{ material, dose: (tint[i]! * 1000) / oils }] : [],
          )
        : pot.doses.map((d) => ({ material: materialOf(plan, d.materialId), dose: d.dose })),
    ]),
  );
