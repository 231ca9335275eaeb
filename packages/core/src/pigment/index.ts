/** The colour model: composition and stage to reflectance. */
export { type Canvas, type FittedBase, referenceCanvas, type ScentBrowning } from './canvas.ts';
export {
  type Composition,
  labOf,
  predictColour,
  type PredictedColour,
  predictReflectance,
} from './composition.ts';
export { justSeen, SEEN_FROM } from './justSeen.ts';
export { createMixer, type Mixer, predictLab } from './mixer.ts';
export { type Optics, type Shimmer } from './optics.ts';
export {
  atCut,
  cured,
  CURED_HOURS,
  CUT_HOURS,
  fresh,
  HOURS_PER_DAY,
  type Stage,
  YEAR_HOURS,
} from './stage.ts';
export { MAX_REFLECTANCE } from './special.ts';
export { createSpread, type CurveMode, defaultModes, type Spread } from './spread.ts';
