import dayjs from 'dayjs';
import { useMemo } from 'react';
import { type DateOrder } from '@kleur/contract';
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
  /** A moment (ISO 8601) with its day and the time on the maker's clock. */
  readonly moment: (at: string) => string;
  /** Format in which the maker types a day. */
  readonly typed: string;
}

export function useDays(): Days {
  const { dateOrder } = useSettings();
  return useMemo(() => {
    const { read, typed } = FORMATS[dateOrder];
    return {
      text: (day) => dayjs(day).format(read),
      moment: (at) => dayjs(at).format(`${read}, HH:mm:ss`),
      typed,
    };
  }, [dateOrder]);
}
