import { useMemo } from 'react';
import { type CalendarEntry, type UndatedEntry } from '@kleur/contract';
import {
  type CalendarHabits,
  type CalendarSpan,
  clashesOf,
  type MouldClash,
  spanOf,
} from '@kleur/core/calendar';
import { dayNumber } from '@kleur/core/units';
import { useCalendarQuery } from '../../data/calendar.ts';
import { useSettings } from '../../shared/hooks/useSettings.ts';
import { useDays } from '../../shared/hooks/useDays.ts';

/** A batch on its way, with what the page shows of it. */
export interface ShownSpan extends CalendarSpan {
  readonly batch: CalendarEntry;
}

export interface CalendarView {
  readonly spans: readonly ShownSpan[];
  readonly undated: readonly UndatedEntry[];
  readonly clashes: readonly MouldClash[];
  readonly habits: CalendarHabits;
  readonly today: number;
}

/** All batches with their days, by the maker’s habits. */
export function useCalendar() {
  const query = useCalendarQuery(undefined, { refetchOnMountOrArgChange: true });
  const { calendar: habits } = useSettings();
  const today = dayNumber(useDays().today());
  const view = useMemo((): CalendarView | null => {
    if (!query.data) return null;
    const spans = query.data.batches.map((batch): ShownSpan => ({ ...spanOf(batch, habits), batch }));
    return {
      spans,
      undated: query.data.undated,
      clashes: clashesOf(spans, habits),
      habits,
      today,
    };
  }, [query.data, habits, today]);
  return { view, error: query.error, refetch: query.refetch };
}
