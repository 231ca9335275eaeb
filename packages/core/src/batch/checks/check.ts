import { type LabD65 } from '../../colour/lab.ts';
import { type Measuring } from '../../units/measure.ts';
import { type Batter, batterOf } from '../lye.ts';
import { bareComposition, planCanvas, potComposition } from '../composition.ts';
import { predictLab } from '../../pigment/mixer.ts';
import { cured } from '../../pigment/stage.ts';
import { type Plan } from '../plan.ts';
import { type PrepSheet, prepSheet } from '../prep.ts';

export type CheckLevel = 'stop' | 'warn' | 'tip';

/** Where a check shows. */
export type CheckPlace =
  | { readonly at: 'oils' | 'superfat' | 'lye' | 'scent' | 'pots' }
  | { readonly at: 'pot'; readonly potId: string }
  | { readonly at: 'dose'; readonly potId: string; readonly rowId: string };

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
}

/** What the checks look at, worked out once. Pure: the same plan gives the same facts. */
export interface PlanFacts {
  readonly plan: Plan;
  readonly batter: Batter;
  readonly prep: PrepSheet;
  readonly measuring: Measuring;
  /** Cured, ungelled colour per pot id, and of the same pot without its colour. */
  readonly cured: ReadonlyMap<string, LabD65>;
  readonly uncoloured: ReadonlyMap<string, LabD65>;
  readonly bare: LabD65;
}

export function planFacts(plan: Plan, measuring: Measuring): PlanFacts {
  const bare = bareComposition(plan);
  const stage = cured();
  return {
    plan,
    measuring,
    batter: batterOf(plan),
    prep: prepSheet(plan, measuring),
    bare: predictLab(bare.canvas, [], stage),
    uncoloured: new Map(plan.pots.map((p) => [p.id, predictLab(planCanvas(plan, p.scented), [], stage)])),
    cured: new Map(
      plan.pots.map((pot) => {
        const { canvas, parts } = potComposition(plan, pot);
        return [pot.id, predictLab(canvas, parts, stage)];
      }),
    ),
  };
}
