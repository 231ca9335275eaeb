/** Dispersions, order, pace, the weigh sheet and the timeline. */
export { additiveEffects } from './additive.ts';
export {
  carrierMass,
  carrierOilBalance,
  type Dispersion,
  dispersionHint,
  dispersions,
  type DispersionUse,
  liquidName,
  mediumName,
} from './dispersion.ts';
export { fallbackDesign, pourStages, withFallback } from './design.ts';
export { withFinish } from './finish.ts';
export { scrubMeasures } from './scrub.ts';
export { workOrder, type WorkOrder } from './order.ts';
export { batterPace, PACE_SPREAD, type PotPace } from './pace.ts';
export {
  type PrepAdditive,
  type PrepPot,
  type PrepRow,
  prepSheet,
  type PrepSheet,
  type Weighing,
} from './prep.ts';
export { partsOf, pourScript } from './pourScript.ts';
export { type Touching, touchingPots } from './touching.ts';
export {
  type MouldTask,
  type PotStep,
  type Task,
  type Timeline,
  timelineOf,
  type TopStep,
} from './timeline.ts';
