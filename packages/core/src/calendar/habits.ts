import type { Kept } from '../day/learn.ts';

/** How this maker works. */
export interface CalendarHabits {
  /** From the pour to the sale, days. */
  readonly cureDays: number;
  /** After the cure: trim, wipe and dry, wrap. Days. */
  readonly finishDays: number;
  /** For making soap on one day, h, and what one batch takes of them. */
  readonly hoursADay: number;
  readonly hoursABatch: number;
  /** From the pour to the unmoulding, h, by how the mould is kept. */
  readonly unmouldHours: Readonly<Record<Kept, number>>;
  /** How many of a mould there are; one where it is not named. */
  readonly moulds: readonly { readonly name: string; readonly count: number }[];
  /** Weekdays on which nothing is made, 0 for Monday to 6 for Sunday. */
  readonly daysOff: readonly number[];
}

export const usualHabits: CalendarHabits = {
  cureDays: 42,
  finishDays: 1,
  hoursADay: 6,
  hoursABatch: 2,
  unmouldHours: { warm: 18, let: 36, cold: 54 },
  moulds: [],
  daysOff: [],
};
