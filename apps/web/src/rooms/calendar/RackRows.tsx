import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { addDays, dayText } from '@kleur/core/units';
import { failureOf } from '../../data/api.ts';
import { useSetDaysMutation } from '../../data/calendar.ts';
import { useDays } from '../../shared/hooks/useDays.ts';
import { useMedia } from '../../shared/hooks/useMedia.ts';
import { useNotices } from '../../shared/hooks/useNotices.ts';
import { useUndoNotice } from '../../shared/hooks/useUndoNotice.tsx';
import styles from './calendar.module.css';
import { at, type Days, percent, stacked } from './timeRow.ts';
import { type CalendarView, type ShownSpan } from './useCalendar.ts';

/** A short strip still needs room for its name, as a part of what is shown. */
const NAME_ROOM = { wide: 0.28, narrow: 0.4 };

const NARROW = '(max-width: 760px)';

/** Rows of the moulds, then of the rack: a batch is its own strip, first here, then there. */
export function RackRows({ view, days }: { readonly view: CalendarView; readonly days: Days }) {
  const { spans, habits } = view;
  const [setDays] = useSetDaysMutation();
  const { message } = useNotices();
  const tellMoved = useUndoNotice();
  const names = useDays();
  const isShown = (from: number, to: number): boolean => to > days.from && from < days.from + days.count;
  const moulds = [...new Set(spans.flatMap((s) => s.batch.moulds.map((m) => m.name)))].sort();
  const without = spans.filter((s) => s.batch.moulds.length === 0);
  // What is on hold stays on the rack, however old it is.
  const leaves = (s: ShownSpan): number => (s.batch.onHold ? Math.max(s.ready, view.today + 1) : s.ready);
  const curing = spans.filter((s) => isShown(s.unmould, leaves(s)));

  const move = async ({ batch }: ShownSpan, by: number): Promise<void> => {
    if (by === 0) return;
    const madeOn = addDays(batch.madeOn, by);
    try {
      await setDays({ days: [{ id: batch.id, version: batch.version, madeOn }] }).unwrap();
      tellMoved({
        key: `moved-${batch.id}`,
        title: `“${batch.name}” is made on ${names.text(madeOn)}`,
        undo: () =>
          void setDays({ days: [{ id: batch.id, version: batch.version + 1, madeOn: batch.madeOn }] }),
      });
    } catch (error) {
      message.error(failureOf(error).message);
    }
  };

  const rowOf = (name: string, about: string, inRow: readonly ShownSpan[]) => (
    <MouldRow
      key={name}
      name={name}
      about={about}
      spans={inRow.filter((s) => isShown(s.from, s.unmould))}
      view={view}
      days={days}
      onMove={(span, by) => void move(span, by)}
    />
  );
  return (
    <>
      {moulds.map((name) =>
        rowOf(
          name,
          `${habits.moulds.find((m) => m.name === name)?.count ?? 1} there`,
          spans.filter((s) => s.batch.moulds.some((m) => m.name === name)),
        ),
      )}
      {without.length > 0 && rowOf('No mould yet', 'in the plan', without)}
      <section className={styles.rackRow} aria-label="Curing rack">
        <h2>
          Curing rack <span className="soft small">{curing.length} batches</span>
        </h2>
        <Lanes
          spans={curing}
          from={(s) => s.unmould}
          to={leaves}
          label={(s) =>
            s.batch.onHold
              ? `${s.batch.name} · on hold: test for lye`
              : `${s.batch.name} · ready ${names.text(dayText(s.ready))}`
          }
          view={view}
          days={days}
          onMove={null}
        />
      </section>
    </>
  );
}

function MouldRow(props: {
  readonly name: string;
  readonly about: string;
  readonly spans: readonly ShownSpan[];
  readonly view: CalendarView;
  readonly days: Days;
  readonly onMove: (span: ShownSpan, by: number) => void;
}) {
  const { name, about, spans, view, days, onMove } = props;
  const dates = useDays();
  const clashes = view.clashes.filter((c) => c.mould === name);
  return (
    <section className={styles.mouldRow} aria-label={name}>
      <h2>
        {name} <span className="soft small">{about}</span>
      </h2>
      <Lanes
        spans={spans}
        from={(s) => s.from}
        to={(s) => s.unmould}
        label={(s) =>
          `${s.batch.name} · ${s.batch.poured ? 'poured' : 'to pour'} ${dates.text(s.batch.madeOn)}`
        }
        view={view}
        days={days}
        isClash={(s) => clashes.some((c) => c.batchIds.includes(s.batch.id))}
        onMove={onMove}
      />
    </section>
  );
}

/** Strips below one another where they or their names would meet. */
function Lanes(props: {
  readonly spans: readonly ShownSpan[];
  readonly from: (span: ShownSpan) => number;
  readonly to: (span: ShownSpan) => number;
  readonly label: (span: ShownSpan) => string;
  readonly view: CalendarView;
  readonly days: Days;
  readonly isClash?: (span: ShownSpan) => boolean;
  /** By so many days; null where nothing can be moved. */
  readonly onMove: ((span: ShownSpan, by: number) => void) | null;
}) {
  const { spans, from, to, label, view, days, isClash, onMove } = props;
  const part = NAME_ROOM[useMedia(NARROW) ? 'narrow' : 'wide'];
  const room = Math.ceil(days.count * part);
  // A name that would run out at the right ends with its strip.
  const isLate = (s: ShownSpan): boolean => at(days, from(s)) > 1 - part;
  const start = (s: ShownSpan): number => (isLate(s) ? Math.min(from(s), to(s) - room) : from(s));
  const end = (s: ShownSpan): number => (isLate(s) ? to(s) : Math.max(to(s), from(s) + room));
  return (
    <div className={styles.lanes}>
      <TodayLine days={days} today={view.today} />
      {stacked(spans, start, end).map((lane, i) => (
        <div key={i} className={styles.lane}>
          {lane.map((span) => (
            <Strip
              key={span.batch.id}
              span={span}
              from={from(span)}
              to={to(span)}
              days={days}
              label={label(span)}
              isLate={isLate(span)}
              view={view}
              isClash={isClash?.(span) ?? false}
              onMove={
                onMove === null || span.batch.poured
                  ? null
                  : (by) => {
                      onMove(span, by);
                    }
              }
            />
          ))}
        </div>
      ))}
    </div>
  );
}

function TodayLine({ days, today }: { readonly days: Days; readonly today: number }) {
  if (today < days.from || today >= days.from + days.count) return null;
  return <i className={styles.todayLine} style={{ left: percent(at(days, today + 0.5)) }} />;
}

/** A batch as its own strip: a press opens it, a drag or the arrow keys move it to another day. */
function Strip(props: {
  readonly span: ShownSpan;
  readonly from: number;
  readonly to: number;
  readonly days: Days;
  readonly label: string;
  readonly isLate: boolean;
  readonly view: CalendarView;
  readonly isClash?: boolean;
  /** By so many days; null for what happened already. */
  readonly onMove: ((by: number) => void) | null;
}) {
  const { span, from, to, days, label, isLate, isClash = false, onMove } = props;
  const { batch, marks } = span;
  const navigate = useNavigate();
  const names = useDays();
  const [by, setBy] = useState(0);
  /** Whether the press that ends was a drag: then it opens nothing. */
  const moved = useRef(false);
  const drag = useRef<{ x: number; perDay: number; moved: boolean } | null>(null);
  const open = (): void => void navigate(`/batches/${batch.id}${batch.poured ? '/result' : ''}`);
  const down = (event: PointerEvent<HTMLButtonElement>): void => {
    if (!onMove || event.button !== 0) return;
    const lane = event.currentTarget.closest(`.${styles.lane}`)!.getBoundingClientRect().width;
    drag.current = { x: event.clientX, perDay: lane / days.count, moved: false };
    event.currentTarget.setPointerCapture(event.pointerId);
  };
  const moveTo = (event: PointerEvent<HTMLButtonElement>): void => {
    if (!drag.current) return;
    const next = Math.round((event.clientX - drag.current.x) / drag.current.perDay);
    if (next !== 0 || drag.current.moved) drag.current.moved = true;
    setBy(next);
  };
  const end = (isDone: boolean): void => {
    const was = drag.current;
    drag.current = null;
    if (isDone && was?.moved && onMove) onMove(by);
    setBy(0);
    if (was) moved.current = was.moved;
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (step === undefined || !onMove) return;
    event.preventDefault();
    onMove(step * (event.shiftKey ? 7 : 1));
  };
  const isNarrow = useMedia(NARROW);
  const shown = by === 0 ? label : `${batch.name} · ${names.text(addDays(batch.madeOn, by))}`;
  return (
    <div
      className={isClash ? `${styles.strip} ${styles.stripClash}` : styles.strip}
      style={{ left: percent(at(days, from + by)), width: percent((to - from) / days.count) }}
    >
      <span className={styles.stripFace} aria-hidden>
        {batch.face.map((f, i) => (
          <i key={i} style={{ background: f.hex, flexGrow: f.share }} />
        ))}
      </span>
      {marks
        .filter((m) => m.day >= from && m.day < to)
        .map((m) => (
          <i
            key={`${m.kind} ${m.after}`}
            className={m.done ? `${styles.mark} ${styles.markDone}` : styles.mark}
            style={{ left: percent((m.day - from) / (to - from)) }}
            title={m.kind === 'cut' ? 'Cut' : `Reading after ${m.after} days`}
          />
        ))}
      <button
        type="button"
        className={styles.stripPress}
        style={{ cursor: onMove ? 'grab' : 'pointer' }}
        aria-label={`${label}${isClash ? ', clashes with another batch' : ''}${onMove ? '; arrow keys move it by a day' : ''}`}
        title={shown}
        onPointerDown={down}
        onPointerMove={moveTo}
        onPointerUp={() => {
          end(true);
        }}
        onPointerCancel={() => {
          end(false);
        }}
        onKeyDown={onKeyDown}
        onClick={() => {
          if (moved.current) moved.current = false;
          else open();
        }}
      >
        <span className={isLate ? `${styles.stripName} ${styles.stripNameLate}` : styles.stripName}>
          {isNarrow && by === 0 ? batch.name : shown}
        </span>
      </button>
    </div>
  );
}
