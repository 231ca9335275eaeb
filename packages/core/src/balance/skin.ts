import { type Stage } from '../pigment/stage.ts';
import { type Plan } from '../plan/plan.ts';

/** A skin that differs from the inside by more than this ΔE00 is told beside it. */
export const SKIN_TOLD = 3;

/**
 * The outside of the bars when their inside is at a stage. Where the heat comes from within, the skin stays ungelled;
 * an oven warms it like the core. It browns first either way.
 */
export const skinStage = (plan: Plan, stage: Stage): Stage => ({
  ...stage,
  gel: plan.work.finish.includes('oven') ? stage.gel : 0,
  skin: true,
});
