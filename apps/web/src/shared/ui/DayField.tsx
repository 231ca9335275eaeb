import { CalendarOutlined } from './icons.tsx';
import dayjs from 'dayjs';
import { lazy, Suspense, useEffect, useRef, useState } from 'react';
import { dayFromWords } from '../dayWords.ts';
import { useDays } from '../hooks/useDays.ts';
import styles from './DayField.module.css';

const load = () => import('antd/es/date-picker');
const Picker = lazy(load);

/** As days are stored and sent. */
const STORED = 'YYYY-MM-DD';

/** Offered beside the calendar. */
const NEXT_DAYS = ['Tonight', 'Tomorrow', 'Saturday', 'Sunday'];

/**
 * A day, shown with its weekday. Pressed, it becomes a field to type the day into, in the maker's own order or in a
 * word, with a calendar below and the next days beside it; the calendar is loaded when the button is first touched.
 */
export function DayField(props: {
  readonly label: string;
  /** `YYYY-MM-DD`, or null for no day. */
  readonly value: string | null;
  readonly onPick: (day: string | null) => void;
}) {
  const { label, value, onPick } = props;
  const days = useDays();
  const [phase, setPhase] = useState<'shown' | 'editing' | 'closing'>('shown');
  const button = useRef<HTMLButtonElement>(null);
  const wasEditing = useRef(false);
  useEffect(() => {
    // Whoever leaves the calendar stands where they were before it.
    if (phase === 'shown' && wasEditing.current && document.activeElement === document.body)
      button.current?.focus();
    wasEditing.current = phase !== 'shown';
    if (phase !== 'closing') return;
    // What was typed or picked is told after the calendar has closed.
    const timer = setTimeout(() => {
      setPhase('shown');
    });
    return () => {
      clearTimeout(timer);
    };
  }, [phase]);

  const today = days.today();
  const pick = (day: string | null): void => {
    onPick(day);
    setPhase('closing');
  };
  /** Whether the field holds a day in words, which is then taken. */
  const takeWords = (field: EventTarget): boolean => {
    const day = field instanceof HTMLInputElement ? dayFromWords(field.value, today) : null;
    if (day !== null) pick(day);
    return day !== null;
  };

  const text = value === null ? 'No date' : days.text(value);
  const shown = (
    <button
      ref={button}
      type="button"
      className={styles.day}
      aria-label={`${label}: ${text}`}
      onPointerEnter={() => void load()}
      onFocus={() => void load()}
      onClick={() => {
        setPhase('editing');
      }}
    >
      {text} <CalendarOutlined />
    </button>
  );
  if (phase === 'shown') return shown;
  return (
    <Suspense fallback={shown}>
      <Picker
        autoFocus
        open={phase === 'editing'}
        className={styles.field}
        aria-label={label}
        value={value === null ? null : dayjs(value)}
        format={[days.typed, STORED]}
        placeholder={days.typed}
        presets={NEXT_DAYS.map((label) => ({ label, value: dayjs(dayFromWords(label, today)) }))}
        onChange={(day: unknown) => {
          pick(dayjs.isDayjs(day) ? day.format(STORED) : null);
        }}
        onKeyDown={(event) => {
          if (event.key === 'Enter' && takeWords(event.target)) event.preventDefault();
        }}
        onBlur={(event) => {
          takeWords(event.target);
        }}
        onOpenChange={(open) => {
          if (!open) setPhase('closing');
        }}
      />
    </Suspense>
  );
}
