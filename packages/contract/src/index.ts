/** What the web and the server say to each other. DTO classes are apart, in `@kleur/contract/dto`. */
export {
  BATCH_STATES,
  type BatchDocument,
  type BatchPage,
  type BatchState,
  type BatchSummary,
  type BatchWrite,
  type FaceStripe,
  PAGE_LIMITS,
} from './batches.ts';
export {
  type PotPrediction,
  type PredictRequest,
  type PredictResponse,
  type StagePrediction,
} from './colour.ts';
export { type MaterialWire, type MaterialWrite } from './materials.ts';
export { type Problem, PROBLEM_CODES, type ProblemCode, type ProblemField } from './problems.ts';
export { type MatchRequest, type MatchTarget } from './match.ts';
export { type Palette, type PaletteWire, type SwatchColour, PALETTE_LIMITS } from './palettes.ts';
export { BODY_LIMIT_BYTES, routes } from './routes.ts';
export { defaultSettings, type Settings, type SettingsWire } from './settings.ts';
export { type BaseRecipe, type Kept, type MouldWire, type RecipeWire } from './keepsakes.ts';
