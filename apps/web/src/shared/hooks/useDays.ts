import dayjs from 'dayjs';
import { useMemo } from 'react';
import { type DateOrder } from '@kleur/contract';
import { isTimeZone, wallClock } from '@kleur/core/units';
import { deviceZone } from '../../data/deviceZone.ts';
import { useSettings } from './useSettings.ts';

/** How days are written: as people read them, and as they type them. */
const FORMATS: Readonly<Record<DateOrder, { readonly read: string; readonly typed: string }>> = {
  'day-month-year': { read: 'ddd D MMM YYYY', typed: 'DD/MM/YYYY' },
  'month-day-year': { read: 'ddd, MMM D, YYYY', typed: 'MM/DD/YYYY' },
  'year-month-day': { read: 'YYYY MMM D, ddd', typed: 'YYYY-MM-DD' },
};

export interface Days {
  /** A day (`YYYY-MM-DD`) with its weekday, in the maker's own order. */
  readonly text: (day: string) => string;
  /** The day of today (`YYYY-MM-DD`) in the maker's time zone. */
  readonly today: () => string;
  /** The day of a moment, in ms. */
  readonly dayOf: (at: number) => string;
  /** A moment (ISO 8601) with its day and the time on the maker's clock. */
  readonly moment: (at: string) => string;
  /** Format in which the maker types a day. */
  readonly typed: string;
}

export function useDays(): Days {
  const { dateOrder, timeZone } = useSettings();
  return useMemo(() => {
    const { read, typed } = FORMATS[dateOrder];
    const zone = isTimeZone(timeZone) ? timeZone : deviceZone();
    const text = (day: string): string => dayjs(day).format(read);
    return {
      text,
      today: () => wallClock(Date.now(), zone).day,
      dayOf: (at) => wallClock(at, zone).day,
      moment: (at) => {
        const { day, time } = wallClock(Date.parse(at), zone);
        return `${text(day)}, ${time}`;
      },
      typed,
    };
  }, [dateOrder, timeZone]);
}
