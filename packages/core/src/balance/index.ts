/** Where masses come from: lye, batter, moulds and bars. */
export { flowOf } from './balance.ts';
export {
  barSentence,
  type BlendAcids,
  blendAcids,
  FELT,
  type Felt,
  type OilBrings,
  oilsBring,
} from './blend.ts';
export { type Cuts, cutsOf } from './cuts.ts';
export { type EmbedColour, embedComposition, type EmbedFacts, embedFacts, lineMass } from './embedFacts.ts';
export {
  type BarWeights,
  barWeights,
  cureLoss,
  type Fill,
  fillOf,
  type SolveGoal,
  solveOils,
} from './fill.ts';
export { type DrawFlow, type Flow, type LyeFlow, type PotFlow, totalOf } from './flow.ts';
export { type BatchGel, gelOf } from './gel.ts';
export { setLiquidWay } from './liquidWay.ts';
export {
  type Batter,
  batterOf,
  concentrationOf,
  lyeRate,
  type LyeStop,
  superfatRange,
  superfatWithLye,
} from './lye.ts';
export {
  type Bars,
  barsOf,
  barsOfMould,
  dividedFill,
  dividedMould,
  type MouldProblem,
  mouldProblem,
  mouldVolume,
  sectionVolume,
} from './mould.ts';
export {
  bareComposition,
  inheritedDoses,
  partsOf,
  planCanvas,
  potCanvas,
  potComposition,
} from './potComposition.ts';
export { productPerOil } from './product.ts';
export { scentBlend, type ScentBlend } from './scent.ts';
export { barShare, massPerBar } from './perBar.ts';
export { settle } from './settle.ts';
export { potDoubt } from './potDoubt.ts';
export { SKIN_TOLD, skinStage } from './skin.ts';
