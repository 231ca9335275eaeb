/** When batches are poured, unmoulded, read and ready, and when they must be to be ready for a sale. */
export {
  type Missed,
  planBackwards,
  type Season,
  type SeasonBatch,
  type SeasonQuestion,
} from './backwards.ts';
export { type CalendarHabits, usualHabits } from './habits.ts';
export {
  type CalendarBatch,
  type CalendarMark,
  type CalendarSpan,
  clashesOf,
  dueReadings,
  type DueReading,
  type MouldClash,
  spanOf,
} from './spans.ts';
