import { Link } from 'react-router';
import { dueReadings, spanOf } from '@kleur/core/calendar';
import { dayNumber } from '@kleur/core/units';
import { useCalendarQuery } from '../../data/calendar.ts';
import { useSettings } from '../hooks/useSettings.ts';
import { useDays } from '../hooks/useDays.ts';

/** Batches whose bars want to be read; nothing where none does. */
export default function DueReadings() {
  const days = useDays();
  const { data } = useCalendarQuery();
  const { calendar } = useSettings();
  if (!data) return null;
  const today = dayNumber(days.today());
  const due = dueReadings(
    data.batches.map((b) => spanOf(b, calendar)),
    today,
  );
  if (due.length === 0) return null;
  return (
    <span role="status">
      {due.length === 1 ? '1 reading is due' : `${due.length} readings are due`}:{' '}
      {due.map((d, i) => (
        <span key={d.batchId}>
          {i > 0 && ', '}
          <Link to={`/batches/${d.batchId}/result`} style={{ color: 'inherit' }}>
            {d.name}
          </Link>
          , {d.after === 1 ? '1 day' : `${d.after} days`}
        </span>
      ))}
    </span>
  );
}
