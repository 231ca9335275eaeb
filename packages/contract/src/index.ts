/** What the web and the server say to each other. DTO classes are apart, in `@kleur/contract/dto`, for the server alone. */
export {
  type Access,
  PASSPHRASE_LIMITS,
  type PassphraseChange,
  type Session,
  type SignIn,
} from './access/access.ts';
export {
  BATCH_STATES,
  type BatchDocument,
  type BatchPage,
  type BatchState,
  type BatchSummary,
  type BatchWrite,
  type FaceStripe,
  isMade,
  PAGE_LIMITS,
} from './batches/batches.ts';
export {
  type PotPrediction,
  type PredictionDoubt,
  type PredictRequest,
  type PredictResponse,
  type StagePrediction,
} from './colour/colour.ts';
export {
  type BookAccept,
  type BookBack,
  type BookBase,
  type BookBaseFit,
  type BookEntry,
  type BookEffect,
  type BookEffectAsk,
  type BookFit,
  type BookForget,
  type BookMove,
  type BookPage,
  type Learning,
  type LearningCurve,
  type TestBarSend,
  type TestBarWrite,
  type TrialAsk,
} from './book/book.ts';
export {
  FIT_LIMITS,
  type FitAnswer,
  type FitColourant,
  type FitCurve,
  type FitMiss,
  type FitReadingWrite,
  type FitRequest,
} from './colour/fit.ts';
export {
  CALENDAR_LIMITS,
  type CalendarEntry,
  type CalendarFeed,
  type CalendarPage,
  type DaysWrite,
  type UndatedEntry,
} from './calendar/calendar.ts';
export {
  type LedgerBatch,
  type LedgerPage,
  type LedgerQuery,
  LIKE_THIS,
  type PastOf,
  type PastResult,
} from './ledger/ledger.ts';
export { COPY_LATEST, COPY_REASONS, type Copy, type CopyContent, type CopyReason } from './copies/copies.ts';
export { FILE_LIMIT_BYTES } from './files/files.routes.ts';
export { type LogPage, type LogSend, type Look } from './log/log.ts';
export { type MaterialWire, type MaterialWrite } from './catalogue/materials.ts';
export { type Problem, PROBLEM_CODES, type ProblemCode, type ProblemField } from './problems.ts';
export { type MatchRequest, type MatchTarget } from './colour/match.ts';
export { type Palette, type PaletteWire, type SwatchColour, PALETTE_LIMITS } from './palettes/palettes.ts';
export {
  type AgainWrite,
  type LineBatch,
  type Poured,
  type ReadingSend,
  type ReadingWrite,
  type RecordWire,
  type SeenPot,
} from './record/record.ts';
export { BODY_LIMIT_BYTES, routes } from './routes.ts';
export {
  type CardColours,
  DATE_ORDERS,
  type DateOrder,
  defaultSettings,
  type Settings,
  type SettingsWire,
} from './settings/settings.ts';
export { type Tick, TICK_LIMITS, type TickEntry } from './ticks/ticks.ts';
export { type BaseRecipe, type MouldWire, type RecipeWire, type Saved } from './saved/saved.ts';
