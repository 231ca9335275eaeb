import dayjs from 'dayjs';
import { dayText, weekday } from '@kleur/core/units';
import styles from './calendar.module.css';
import { at, type Days, percent } from './timeRow.ts';

/** Days between the dates that are written. */
const stepOf = (count: number): number => (count <= 50 ? 7 : count <= 120 ? 14 : 61);

/** Where the last date may begin, as a part of the whole: it must not stick out. */
const LAST_DATE = 0.94;

/** Dates along the top, and today as one line through everything. */
export function TimeHead({ days, today }: { readonly days: Days; readonly today: number }) {
  const step = stepOf(days.count);
  // Weeks begin on Mondays.
  const first = days.from + ((7 - weekday(days.from)) % 7);
  const dates = Array.from({ length: Math.ceil(days.count / step) + 1 }, (_, i) => first + i * step).filter(
    (d) => d < days.from + days.count * LAST_DATE,
  );
  const isShown = today >= days.from && today < days.from + days.count;
  return (
    <div className={styles.time} aria-hidden>
      {dates.map((d) => (
        <span key={d} style={{ left: percent(at(days, d)) }}>
          {dayjs(dayText(d)).format(days.count > 200 ? 'MMM YYYY' : 'D MMM')}
        </span>
      ))}
      {isShown && (
        <i className={styles.today} style={{ left: percent(at(days, today + 0.5)) }}>
          <b>today</b>
        </i>
      )}
    </div>
  );
}
