import { type CalendarBatch } from '@kleur/core/calendar';
import { type BatchState, type FaceStripe } from '../batches/batches.ts';

/** A batch with its day, as the calendar shows it. */
export interface CalendarEntry extends CalendarBatch {
  readonly state: BatchState;
  readonly version: number;
  readonly face: readonly FaceStripe[];
}

/** Batches that have no day yet, for what is planned backwards. */
export interface UndatedEntry extends Omit<CalendarEntry, 'madeOn'> {
  readonly madeOn: null;
}

export interface CalendarPage {
  readonly batches: readonly CalendarEntry[];
  readonly undated: readonly UndatedEntry[];
}

/** New days of batches, all of them or none. */
export interface DaysWrite {
  readonly days: readonly { readonly id: string; readonly version: number; readonly madeOn: string }[];
}

/** Address of the feed below the origin; null while there is none. */
export interface CalendarFeed {
  readonly path: string | null;
}

export const CALENDAR_LIMITS = { days: 100, moulds: 60 } as const;
