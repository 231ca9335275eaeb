import { type LabD65 } from '../../colour/lab.ts';
import { type Material } from '../../material/material.ts';
import { predictLab } from '../../pigment/mixer.ts';
import { cured } from '../../pigment/stage.ts';
import { type Measuring } from '../../units/measure.ts';
import { metricUnits, type Say, sayIn } from '../../units/view.ts';
import { flowOf } from '../balance.ts';
import { bareComposition, type Composition, labOf, potComposition } from '../composition.ts';
import { type Fill, fillOf } from '../fill.ts';
import { type Flow } from '../flow.ts';
import { type Batter, batterOf } from '../lye.ts';
import { paceSteps, type PotStep } from '../pace.ts';
import { materialOf, type Plan, type Pot } from '../plan.ts';
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
  readonly compositions: ReadonlyMap<string, Composition>;
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
  const compositions = new Map(plan.pots.map((p) => [p.id, potComposition(plan, p)]));
  const { scent } = plan.base;
  // Pots on the same canvas look the same without their colour.
  const plain = new Map<string, LabD65>();
  const withoutColour = (c: Composition): LabD65 => {
    const key = JSON.stringify(c.canvas);
    const lab = plain.get(key) ?? predictLab(c.canvas, [], stage);
    plain.set(key, lab);
    return lab;
  };
  return {
    plan,
    measuring,
    say,
    shelf: shelf ?? new Map(plan.materials.map((m) => [m.id, m])),
    batter: batterOf(plan),
    flow: flowOf(plan),
    fill: fillOf(plan),
    prep: prepSheet(plan, measuring),
    steps: paceSteps(plan),
    blend: scent && scentBlend(plan, scent, productPerOil(plan)),
    compositions,
    cured: new Map([...compositions].map(([id, c]) => [id, labOf(c, stage)])),
    uncoloured: new Map([...compositions].map(([id, c]) => [id, withoutColour(c)])),
    bare: labOf(bareComposition(plan), stage),
  };
}

/** Materials that a pot holds with their g per kg oils, its own and its donors'; and of the whole batch's additives. */
export function heldBy(facts: PlanFacts, pot: Pot): { readonly material: Material; readonly dose: number }[] {
  const flow = facts.flow.pots.find((p) => p.pot.id === pot.id);
  if (!flow || !(flow.oils > 0))
    return pot.doses.map((d) => ({ material: materialOf(facts.plan, d.materialId), dose: d.dose }));
  return facts.plan.materials.flatMap((material, i) =>
    flow.tint[i]! > 0 ? [{ material, dose: (flow.tint[i]! * 1000) / flow.oils }] : [],
  );
}
