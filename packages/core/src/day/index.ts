/*
 * The making day: what is said at the bench, and the batch that follows from it. Entries are only ever added; the same
 * balance that the plan goes through makes the figures.
 */
export { type Actuals, actualsOf } from './actuals.ts';
export { type Cup, cupIdOf, cupsOf } from './cups.ts';
export {
  ENTRY_KIND_NAMES,
  ENTRY_KINDS,
  ENTRY_WAYS,
  type EntryKind,
  type EntryWay,
  isWayOf,
  LOG_LIMITS,
  logEntry,
  type LogEntry,
  TRACES,
  TROUBLES,
  WARMTHS,
} from './entry.ts';
export { keptOf, KEPT, type Kept, type Learned, type LearnedFigure, learnFrom } from './learn.ts';
export { asDecided } from './decided.ts';
export { mergeLogs, stampAfter, standing } from './merge.ts';
export { missingBefore, neededBy, type Progress, progressOf, type Timer } from './progress.ts';
export { neededLater } from './dayOrder.ts';
export { runSheetOf } from './runSheet.ts';
export { type RunStep } from './step.ts';
export { alsoTicked, type DayOfBatch, nextSideBySide } from './sideBySide.ts';
export { type TimeLeft, timeLeft } from './timeLeft.ts';
export { type PotVerdict, verdictOf } from './verdict.ts';
export { weighableLine } from './weighedLine.ts';
export { sayEntry, sayFraction } from './words.ts';
export { nextCupLabel, READ_AFTER, TEST_CUP, type TestCup, testCupsOf } from './testCups.ts';
export {
  batchHold,
  doubtsBefore,
  type Hold,
  holdOf,
  LYE_ANSWERS,
  type LyeAnswer,
  type LyeDoubt,
  lyeDoubts,
  type LyePlace,
  type Mend,
  NEVER_LIFTED,
  openDoubts,
} from './lyeDoubt.ts';
export { type Slip } from './slip.ts';
