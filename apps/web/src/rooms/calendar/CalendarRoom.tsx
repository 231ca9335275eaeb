import { Button, Segmented } from 'antd';
import { useState } from 'react';
import { routes } from '@kleur/contract';
import { failureOf } from '../../data/api.ts';
import { useAddress } from '../../shared/hooks/useAddress.ts';
import { useDays } from '../../shared/hooks/useDays.ts';
import { EmptyState } from '../../shared/ui/EmptyState.tsx';
import { DownloadOutlined } from '../../shared/ui/icons.tsx';
import { dayText } from '@kleur/core/units';
import DueReadings from '../../shared/batches/DueReadings.tsx';
import styles from './calendar.module.css';
import { FeedPanel } from './FeedPanel.tsx';
import { HabitsPanel } from './HabitsPanel.tsx';
import { RackRows } from './RackRows.tsx';
import { SeasonPanel } from './SeasonPanel.tsx';
import { TimeHead } from './TimeHead.tsx';
import { useCalendar } from './useCalendar.ts';

const SPANS = [
  { value: 42, label: '6 weeks' },
  { value: 91, label: '3 months' },
  { value: 365, label: 'A year' },
];
/** Days shown before today. */
const BEFORE = 0.2;

/** When batches are poured, lie in their moulds and on the rack, and are ready. */
export function CalendarRoom() {
  const { view, error, refetch } = useCalendar();
  const [params, set] = useAddress();
  const days = useDays();
  const [panel, setPanel] = useState<'season' | 'habits' | 'feed' | null>(null);
  const count = SPANS.find((s) => String(s.value) === params.get('days'))?.value ?? 91;
  const shift = Math.round(Number(params.get('shift') ?? 0) || 0);
  if (!view)
    return error ? (
      <EmptyState
        role="alert"
        title="The calendar could not be loaded"
        action={<Button onClick={() => void refetch()}>Try again</Button>}
      >
        {failureOf(error).message}
      </EmptyState>
    ) : (
      <p className="loading">Opening…</p>
    );
  const from = view.today - Math.round(count * BEFORE) + shift;
  const move = (by: number): void => {
    set({ shift: shift + by === 0 ? '' : String(shift + by) });
  };
  const toggle = (which: NonNullable<typeof panel>) => () => {
    setPanel(panel === which ? null : which);
  };
  return (
    <div className={styles.calendar}>
      <title>Calendar · Kleur</title>
      <header className={styles.head}>
        <h1>Calendar</h1>
        <Segmented
          aria-label="How much is shown"
          value={count}
          onChange={(v) => {
            set({ days: v === 91 ? '' : String(v) });
          }}
          options={SPANS}
        />
        <span className={styles.row}>
          <Button
            aria-label="Earlier"
            onClick={() => {
              move(-Math.round(count / 3));
            }}
          >
            ←
          </Button>
          <Button
            disabled={shift === 0}
            onClick={() => {
              set({ shift: '' });
            }}
          >
            Today
          </Button>
          <Button
            aria-label="Later"
            onClick={() => {
              move(Math.round(count / 3));
            }}
          >
            →
          </Button>
        </span>
        <span className="spring" />
        <Button type="primary" aria-expanded={panel === 'season'} onClick={toggle('season')}>
          Plan back from a sale
        </Button>
        <Button aria-expanded={panel === 'habits'} onClick={toggle('habits')}>
          Cure, hours, moulds
        </Button>
        <Button aria-expanded={panel === 'feed'} onClick={toggle('feed')}>
          Feed
        </Button>
        <a className={styles.download} href={routes.calendarFile} download>
          <DownloadOutlined />
          &nbsp;.ics
        </a>
      </header>
      {panel === 'season' && <SeasonPanel view={view} />}
      {panel === 'habits' && <HabitsPanel />}
      {panel === 'feed' && <FeedPanel />}
      <p className={styles.due}>
        <DueReadings />
      </p>
      {view.clashes.length > 0 && (
        <ul className={styles.clashes} aria-label="Clashes">
          {view.clashes.map((c) => (
            <li key={`${c.mould} ${c.from}`}>
              <b>{c.mould}</b> is needed by {c.batchIds.length} batches from {days.text(dayText(c.from))}:{' '}
              {c.batchIds.map((id) => view.spans.find((s) => s.batch.id === id)?.batch.name).join(', ')}
            </li>
          ))}
        </ul>
      )}
      {view.spans.length === 0 ? (
        <EmptyState title="No batch has a day yet">
          Give a batch its day of making, or plan back from a sale: it stands here, from the pour to the shop.
        </EmptyState>
      ) : (
        <div className={styles.board}>
          <TimeHead days={{ from, count }} today={view.today} />
          <RackRows view={view} days={{ from, count }} />
        </div>
      )}
    </div>
  );
}
