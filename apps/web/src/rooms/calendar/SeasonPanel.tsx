import { Button, Checkbox } from 'antd';
import { useState } from 'react';
import { planBackwards, type Missed, type SeasonBatch } from '@kleur/core/calendar';
import { dayNumber, dayText } from '@kleur/core/units';
import { failureOf } from '../../data/api.ts';
import { useSetDaysMutation } from '../../data/calendar.ts';
import { useDays } from '../../shared/hooks/useDays.ts';
import { useNotices } from '../../shared/hooks/useNotices.ts';
import { DayField } from '../../shared/ui/DayField.tsx';
import styles from './calendar.module.css';
import { type CalendarView } from './useCalendar.ts';

const STEPS: Readonly<Record<Missed['step'], string>> = {
  cure: 'too few days of cure are left',
  mould: 'its mould is taken on every day that would do',
  hours: 'the hours of every day that would do are taken',
};

/** Batches planned backwards from the day of a sale. */
export function SeasonPanel({ view }: { readonly view: CalendarView }) {
  const { spans, undated, habits, today } = view;
  const [sale, setSale] = useState<string | null>(null);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [setDays, { isLoading }] = useSetDaysMutation();
  const { message } = useNotices();
  const days = useDays();
  const open = [...undated, ...spans.filter((s) => !s.batch.poured).map((s) => s.batch)];
  const batches = open.filter((b) => chosen.has(b.id));
  const season =
    sale === null || batches.length === 0
      ? null
      : planBackwards({
          batches: batches.map(({ id, name, moulds, kept, pourHours }): SeasonBatch => ({
            id,
            name,
            moulds,
            kept,
            pourHours,
          })),
          sale: dayNumber(sale),
          today,
          habits,
          others: spans.filter((s) => !chosen.has(s.batch.id)),
        });
  const take = async (): Promise<void> => {
    if (!season) return;
    const next = [...season.days].flatMap(([id, day]) => {
      const batch = open.find((b) => b.id === id);
      return batch ? [{ id, version: batch.version, madeOn: dayText(day) }] : [];
    });
    try {
      await setDays({ days: next }).unwrap();
      message.success(next.length === 1 ? '1 batch has its day.' : `${next.length} batches have their days.`);
    } catch (error) {
      message.error(failureOf(error).message);
    }
  };
  return (
    <section className={styles.panel} aria-label="Plan back from a sale">
      <div className={styles.row}>
        <span>Ready for the sale on</span>
        <DayField label="Day of the sale" value={sale} onPick={setSale} />
        <span className="soft">
          {habits.cureDays} days of cure, {habits.finishDays} to finish, {habits.hoursABatch} h a batch of{' '}
          {habits.hoursADay} h a day
        </span>
      </div>
      {open.length === 0 ? (
        <p className="soft">No batch is waiting to be made: plan one, or make one again.</p>
      ) : (
        <ul className={styles.choose} aria-label="Batches for the sale">
          {open.map((b) => {
            const day = season?.days.get(b.id);
            const missed = season?.missed.find((m) => m.batch.id === b.id);
            return (
              <li key={b.id} aria-label={b.name}>
                <Checkbox
                  checked={chosen.has(b.id)}
                  onChange={(e) => {
                    setChosen((before) => {
                      const next = new Set(before);
                      if (e.target.checked) next.add(b.id);
                      else next.delete(b.id);
                      return next;
                    });
                  }}
                >
                  {b.name}
                </Checkbox>
                <span className="soft small">
                  {b.moulds.map((m) => (m.count > 1 ? `${m.count} × ${m.name}` : m.name)).join(', ')}
                </span>
                {day !== undefined && <b>pour on {days.text(dayText(day))}</b>}
                {missed && <MissedWords missed={missed} />}
              </li>
            );
          })}
        </ul>
      )}
      {season && season.days.size > 0 && (
        <Button type="primary" loading={isLoading} onClick={() => void take()}>
          {season.days.size === 1 ? 'Set this day' : `Set these ${season.days.size} days`}
        </Button>
      )}
    </section>
  );
}

/** Why a batch cannot be ready, and what could give way. */
function MissedWords({ missed }: { readonly missed: Missed }) {
  const days = useDays();
  const { step, earliest, saleOn, cureDays } = missed;
  return (
    <span className={styles.missed}>
      Cannot be ready: {STEPS[step]}.{earliest !== null && ` Poured on ${days.text(dayText(earliest))} it`}
      {saleOn !== null && ` is ready for a sale on ${days.text(dayText(saleOn))}`}
      {cureDays !== null && `, or for this one after ${cureDays} days of cure`}
      {saleOn !== null && '.'}
      {step === 'mould' && ' A further mould of its kind would do, too.'}
      {step === 'hours' && ' More hours on a day would do, too.'}
    </span>
  );
}
