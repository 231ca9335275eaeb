import { Button, Select } from 'antd';
import { useSyncExternalStore } from 'react';
import { useBatchesQuery } from '../../../data/batches.ts';
import { beside, MOST_BESIDE } from '../../../data/beside.ts';
import styles from './make.module.css';
import { type DayBeside } from './useDaysBeside.ts';

/** Which other batches are made on the same day, and how far they are. */
export function BesidePicker(props: { readonly batchId: string; readonly days: readonly DayBeside[] }) {
  const { batchId, days } = props;
  const ids = useSyncExternalStore(beside.subscribe, beside.get);
  const mine = ids.includes(batchId) ? ids : [batchId];
  const { data } = useBatchesQuery({ page: 1, q: '', state: '' });
  const choices = (data?.items ?? []).filter((b) => !mine.includes(b.id));
  return (
    <>
      {days.length > 0 && (
        <ul className={styles.beside}>
          {days.map((d) => (
            <li key={d.batchId}>
              <b>{d.name}</b>
              <span className="soft">
                {d.progress.current ? `next: ${d.progress.current.title}` : 'all done'}
              </span>
              <Button
                aria-label={`Leave out ${d.name}`}
                onClick={() => {
                  beside.set(mine.filter((id) => id !== d.batchId));
                }}
              >
                Leave out
              </Button>
            </li>
          ))}
        </ul>
      )}
      <div className={styles.taps}>
        <Select
          aria-label="Another batch of today"
          placeholder="Another batch of today"
          value={null}
          style={{ minWidth: 240 }}
          disabled={mine.length >= MOST_BESIDE}
          options={choices.map((b) => ({ value: b.id, label: b.name }))}
          onChange={(id: string | null) => {
            if (id !== null) beside.set([...mine, id]);
          }}
        />
        <span className="soft small">
          Weighing, one checklist, lye and oils come for all of them; then each is poured by itself.
        </span>
      </div>
    </>
  );
}
