import { Button, Checkbox, Input } from 'antd';
import { useState } from 'react';
import { type CalendarHabits } from '@kleur/core/calendar';
import { failureOf } from '../../data/api.ts';
import { settingsApi } from '../../data/settings.ts';
import { useAppDispatch } from '../../data/store.ts';
import { useNotices } from '../../shared/hooks/useNotices.ts';
import { useSettings } from '../../shared/hooks/useSettings.ts';
import { NumberField } from '../../shared/ui/NumberField.tsx';
import styles from './calendar.module.css';

const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

/** How long things take, how many moulds there are, when nobody works. */
export function HabitsPanel() {
  const { calendar } = useSettings();
  const dispatch = useAppDispatch();
  const { message } = useNotices();
  const [name, setName] = useState('');
  const save = async (change: Partial<CalendarHabits>): Promise<void> => {
    try {
      const { version, ...settings } = await dispatch(
        settingsApi.endpoints.settings.initiate(undefined, { subscribe: false }),
      ).unwrap();
      const next = { ...settings, calendar: { ...settings.calendar, ...change } };
      await dispatch(settingsApi.endpoints.saveSettings.initiate({ version, settings: next })).unwrap();
    } catch (error) {
      message.error(failureOf(error).message);
    }
  };
  const number = (
    label: string,
    value: number,
    min: number,
    max: number,
    digits: number,
    set: (v: number) => Partial<CalendarHabits>,
  ) => (
    <NumberField
      label={label}
      value={value}
      min={min}
      max={max}
      digits={digits}
      width={110}
      onCommit={(v) => void save(set(digits === 0 ? Math.round(v) : v))}
    />
  );
  const { unmouldHours } = calendar;
  return (
    <section className={styles.panel} aria-label="Cure, hours, moulds">
      <div className={styles.fields}>
        {number('Cure, days', calendar.cureDays, 1, 400, 0, (cureDays) => ({ cureDays }))}
        {number('To finish, days', calendar.finishDays, 0, 60, 0, (finishDays) => ({ finishDays }))}
        {number('Making hours a day', calendar.hoursADay, 0.25, 24, 2, (hoursADay) => ({ hoursADay }))}
        {number('Hours a batch', calendar.hoursABatch, 0.25, 24, 2, (hoursABatch) => ({ hoursABatch }))}
        {number('In the mould kept warm, h', unmouldHours.warm, 1, 500, 0, (warm) => ({
          unmouldHours: { ...unmouldHours, warm },
        }))}
        {number('Let be, h', unmouldHours.let, 1, 500, 0, (v) => ({
          unmouldHours: { ...unmouldHours, let: v },
        }))}
        {number('Kept cold, h', unmouldHours.cold, 1, 500, 0, (cold) => ({
          unmouldHours: { ...unmouldHours, cold },
        }))}
      </div>
      <div className={styles.row} role="group" aria-label="Days on which nothing is made">
        <span>Nothing is made on</span>
        {WEEKDAYS.map((day, i) => (
          <Checkbox
            key={day}
            checked={calendar.daysOff.includes(i)}
            onChange={(e) =>
              void save({
                daysOff: e.target.checked
                  ? [...calendar.daysOff, i]
                  : calendar.daysOff.filter((d) => d !== i),
              })
            }
          >
            {day}
          </Checkbox>
        ))}
      </div>
      <div className={styles.fields}>
        {calendar.moulds.map((m) => (
          <NumberField
            key={m.name}
            label={`There are of ${m.name}`}
            value={m.count}
            min={1}
            max={100}
            digits={0}
            width={110}
            onCommit={(v) =>
              void save({
                moulds: calendar.moulds.map((x) => (x.name === m.name ? { ...x, count: Math.round(v) } : x)),
              })
            }
          />
        ))}
        <span className={styles.row}>
          <Input
            aria-label="Name of a mould of which there are several"
            placeholder="A mould you have several of"
            value={name}
            maxLength={80}
            style={{ width: 230 }}
            onChange={(e) => {
              setName(e.target.value);
            }}
          />
          <Button
            disabled={name.trim() === '' || calendar.moulds.some((m) => m.name === name.trim())}
            onClick={() => {
              void save({ moulds: [...calendar.moulds, { name: name.trim(), count: 2 }] });
              setName('');
            }}
          >
            Add
          </Button>
        </span>
      </div>
    </section>
  );
}
