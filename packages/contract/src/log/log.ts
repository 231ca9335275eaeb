import { type LogEntry } from '@kleur/core/day';

/** Entries as a device sends them. What was sent before is taken as the same. */
export interface LogSend {
  readonly entries: readonly LogEntry[];
}

/** Entries that the server has, in the order in which they came to it. */
export interface LogPage {
  readonly entries: readonly LogEntry[];
  /** Asked for with the next question, it brings what came after. */
  readonly cursor: number;
}
