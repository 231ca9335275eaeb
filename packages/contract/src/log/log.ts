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

/** How a step looked the last time, in the batch that is most like this one. */
export interface Look {
  /** Id of the step of the run sheet. */
  readonly step: string;
  readonly batchId: string;
  readonly batchName: string;
  /** When it was taken, ms since 1970. */
  readonly at: number;
  /** Name of the file. */
  readonly file: string;
}
