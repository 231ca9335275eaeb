/** Classes that check what comes in and describe what goes out. For the server alone. */
export { AccessDto, PassphraseChangeDto, SessionDto, SignInDto } from './access/access.dto.ts';
export {
  BatchDocumentDto,
  BatchPageDto,
  BatchQueryDto,
  BatchSummaryDto,
  BatchUpdateDto,
  BatchWriteDto,
  MouldDto,
  PlanDto,
} from './batches/batches.dto.ts';
export {
  BookAcceptDto,
  BookBackDto,
  BookBaseDto,
  BookEffectAskDto,
  BookEffectDto,
  BookFitDto,
  BookForgetDto,
  BookPageDto,
  LearningDto,
  TestBarDto,
  TestBarWriteDto,
  ProposedBarDto,
  TestBarSendDto,
  TrialAskDto,
} from './book/book.dto.ts';
export { FitAnswerDto, fitExample, FitRequestDto } from './colour/fit.dto.ts';
export { CalendarFeedDto, CalendarPageDto, CalendarQueryDto, DaysWriteDto } from './calendar/calendar.dto.ts';
export {
  LedgerPageDto,
  LedgerQueryDto,
  LossesDto,
  PastQueryDto,
  PastResultDto,
} from './ledger/ledger.dto.ts';
export { MaterialUpdateDto, MaterialWireDto, MaterialWriteDto } from './catalogue/materials.dto.ts';
export { predictExample, PredictRequestDto, PredictResponseDto } from './colour/colour.dto.ts';
export { matchExample, MatchRequestDto, MatchResultDto } from './colour/match.dto.ts';
export { CopyContentDto, CopyDto, CopyRestoreDto } from './copies/copies.dto.ts';
export { DemoResetDto } from './demo/demo.dto.ts';
export { LearnedDto, LogPageDto, LogQueryDto, LogSendDto, LookDto } from './log/log.dto.ts';
export { PaletteUpdateDto, PaletteWireDto, PaletteWriteDto } from './palettes/palettes.dto.ts';
export { HealthDto, ProblemDto } from './problems.dto.ts';
export {
  AgainWriteDto,
  LineBatchDto,
  ReadingDto,
  ReadingSendDto,
  RecordWireDto,
} from './record/record.dto.ts';
export {
  MouldUpdateDto,
  MouldWireDto,
  RecipeDto,
  RecipeUpdateDto,
  RecipeWireDto,
} from './saved/saved.dto.ts';
export { SettingsUpdateDto } from './settings/settings.dto.ts';
export { TickDto, TickEntryDto } from './ticks/ticks.dto.ts';
export { dtoFrom, isBodyDto, MOST_FAULTS } from './shape.dto.ts';
