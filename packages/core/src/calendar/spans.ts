import { type Kept } from '../day/learn.ts';
import { READ_AFTER } from '../day/testCups.ts';
import { type CalendarHabits } from './habits.ts';
import { dayNumber, dayText } from '../units/day.ts';

/** A batch as the calendar knows it. Days are `YYYY-MM-DD`. */
export interface CalendarBatch {
  readonly id: string;
  readonly name: string;
  /** Day of the last pour. */
  readonly madeOn: string;
  /** From the first pour to the last, h. */
  readonly pourHours: number;
  readonly moulds: readonly { readonly name: string; readonly count: number }[];
  readonly kept: Kept;
  /** As it was logged; null for not yet. */
  readonly unmouldedOn: string | null;
  readonly cutOn: string | null;
  /** Days on which its bars were read. */
  readonly readOn: readonly string[];
  /** Whether it lies on the rack or in the shop already: nothing is due of one that was never poured. */
  readonly poured: boolean;
  /** Not ready, whatever its age, before a test for lye allows it. */
  readonly onHold: boolean;
}

const HOURS_PER_DAY = 24;

/** A mark on a batch’s way. Days as numbers. */
export interface CalendarMark {
  readonly kind: 'cut' | 'reading';
  readonly day: number;
  /** Of a reading, days after the pour. */
  readonly after: number;
  readonly done: boolean;
}

/** The way of a batch from the pour to the shop. Days as numbers; a span ends on the day on which the next begins. */
export interface CalendarSpan {
  readonly batch: CalendarBatch;
  /** The first pour. */
  readonly from: number;
  /** Out of its mould. */
  readonly unmould: number;
  readonly ready: number;
  readonly marks: readonly CalendarMark[];
}

/** Days that a batch lies in its mould, by the habits. */
export const mouldDays = (
  { pourHours, kept }: Pick<CalendarBatch, 'pourHours' | 'kept'>,
  { unmouldHours }: CalendarHabits,
): number => Math.max(1, Math.ceil((pourHours + unmouldHours[kept]) / HOURS_PER_DAY));

/** Days over which a batch is poured, beside the first. */
export const extraPourDays = ({ pourHours }: Pick<CalendarBatch, 'pourHours'>): number =>
  Math.floor(pourHours / HOURS_PER_DAY);

/** A reading counts for the day at which one was due when it lies this near to it. */
const nearTo = (after: number): number => Math.max(1, Math.round(after * 0.2));

/** The way of one batch, by what was logged and else by the habits. */
export function spanOf(batch: CalendarBatch, habits: CalendarHabits): CalendarSpan {
  const poured = dayNumber(batch.madeOn);
  const from = poured - extraPourDays(batch);
  const unmould = batch.unmouldedOn ? dayNumber(batch.unmouldedOn) : from + mouldDays(batch, habits);
  const cut = batch.cutOn ? dayNumber(batch.cutOn) : unmould;
  const read = batch.readOn.map((d) => dayNumber(d) - poured);
  return {
    batch,
    from,
    unmould: Math.max(from + 1, unmould),
    ready: poured + habits.cureDays,
    marks: [
      { kind: 'cut', day: cut, after: 0, done: batch.cutOn !== null },
      ...READ_AFTER.map((after): CalendarMark => ({
        kind: 'reading',
        day: poured + after,
        after,
        done: read.some((d) => Math.abs(d - after) <= nearTo(after)),
      })),
    ],
  };
}

/** Moulds of a name that are needed on the same days by more batches than there are of them. */
export interface MouldClash {
  readonly mould: string;
  readonly from: number;
  /** The first day on which it is over. */
  readonly to: number;
  readonly batchIds: readonly string[];
}

const ownedOf = ({ moulds }: CalendarHabits, name: string): number =>
  moulds.find((m) => m.name === name)?.count ?? 1;

const countIn = (batch: CalendarBatch, name: string): number =>
  batch.moulds.reduce((sum, m) => sum + (m.name === name ? m.count : 0), 0);

/** How many of a mould lie full on a day. */
export const inUse = (spans: readonly CalendarSpan[], name: string, day: number): number =>
  spans.reduce((sum, s) => sum + (day >= s.from && day < s.unmould ? countIn(s.batch, name) : 0), 0);

/** Every stretch of days on which a mould is needed more often than it is there. */
export function clashesOf(spans: readonly CalendarSpan[], habits: CalendarHabits): MouldClash[] {
  const names = [...new Set(spans.flatMap((s) => s.batch.moulds.map((m) => m.name)))].sort();
  return names.flatMap((mould) => {
    const using = spans.filter((s) => countIn(s.batch, mould) > 0);
    // A batch that alone needs more moulds than there are is a matter of its plan, not of its day.
    const owned = Math.max(ownedOf(habits, mould), ...using.map((s) => countIn(s.batch, mould)));
    const days = [
      ...new Set(using.flatMap((s) => Array.from({ length: s.unmould - s.from }, (_, i) => s.from + i))),
    ];
    const over = days.filter((d) => inUse(using, mould, d) > owned).sort((a, b) => a - b);
    const stretches: number[][] = [];
    for (const day of over) {
      const last = stretches.at(-1);
      if (last?.at(-1) === day - 1) last.push(day);
      else stretches.push([day]);
    }
    return stretches.map((stretch): MouldClash => {
      const from = stretch[0]!;
      const to = stretch.at(-1)! + 1;
      return {
        mould,
        from,
        to,
        batchIds: using.filter((s) => s.from < to && s.unmould > from).map((s) => s.batch.id),
      };
    });
  });
}

/** A reading that is due: its day has come and nobody has read. */
export interface DueReading {
  readonly batchId: string;
  readonly name: string;
  /** Days after the pour at which it was due. */
  readonly after: number;
  readonly on: string;
}

/** A reading is offered until the next one is due, and for this many days after the last. */
const OFFERED_AFTER_LAST = 28;

/** Readings that are due on a day: of each batch the latest that has come. */
export function dueReadings(spans: readonly CalendarSpan[], today: number): DueReading[] {
  return spans.flatMap(({ batch, marks }): DueReading[] => {
    if (!batch.poured) return [];
    const readings = marks.filter((m) => m.kind === 'reading' && m.day <= today);
    const latest = readings.at(-1);
    if (latest?.done !== false) return [];
    const isLast = latest.after === READ_AFTER.at(-1);
    if (isLast && today > latest.day + OFFERED_AFTER_LAST) return [];
    return [{ batchId: batch.id, name: batch.name, after: latest.after, on: dayText(latest.day) }];
  });
}
