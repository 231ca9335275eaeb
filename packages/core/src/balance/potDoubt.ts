import { type Doubt, doubtOf } from '../material/doubt.ts';
import { type Composition, stageOf } from '../pigment/composition.ts';
import { type Stage } from '../pigment/stage.ts';
import { type Plan } from '../plan/plan.ts';

/** The doubt of a composition of a plan at a stage; what donors and the whole batch brought errs like the pot's own. */
export const potDoubt = (plan: Plan, composition: Composition, stage: Stage): Doubt =>
  doubtOf(
    composition.canvas,
    composition.parts.map(({ optics, dose }) => ({
      optics,
      dose,
      curve: plan.materials.find((m) => m.optics === optics)?.curve ?? null,
    })),
    stageOf(composition, stage),
  );
