import { Button } from 'antd';
import { routes } from '@kleur/contract';
import { colourWords, screenColourFromLabD65 } from '@kleur/core/colour';
import { type Reading } from '@kleur/core/evidence';
import { failureOf } from '../../../data/api.ts';
import { useRemoveReadingMutation, useRestoreReadingMutation } from '../../../data/record.ts';
import { useDays } from '../../../shared/hooks/useDays.ts';
import { useNotices } from '../../../shared/hooks/useNotices.ts';
import { usePrinter } from '../../../shared/hooks/useSettings.ts';
import { useUndoNotice } from '../../../shared/hooks/useUndoNotice.tsx';
import { DeleteOutlined } from '../../../shared/ui/icons.tsx';
import styles from './result.module.css';
import { ageWords, faceName, howName } from './words.ts';

/** What was read of this batch, the latest first; a wrong one is taken back. */
export function ReadingList(props: {
  readonly batchId: string;
  readonly readings: readonly Reading[];
  readonly potName: (id: string) => string;
}) {
  const { batchId, readings, potName } = props;
  const [remove] = useRemoveReadingMutation();
  const [restore] = useRestoreReadingMutation();
  const tellDeleted = useUndoNotice();
  const { message } = useNotices();
  const days = useDays();
  const print = usePrinter();
  const attempt = async (work: Promise<unknown>): Promise<boolean> => {
    try {
      await work;
      return true;
    } catch (error) {
      message.error(failureOf(error).message);
      return false;
    }
  };
  const take = async (reading: Reading): Promise<void> => {
    if (!(await attempt(remove({ batchId, id: reading.id }).unwrap()))) return;
    tellDeleted({
      key: `reading-${reading.id}`,
      title: `A reading of ${potName(reading.potId)} was deleted`,
      undo: () => void attempt(restore({ batchId, id: reading.id }).unwrap()),
    });
  };
  if (readings.length === 0) return null;
  return (
    <section aria-label="Readings">
      <h2>Readings</h2>
      <ul className={styles.readings}>
        {readings
          .toSorted((a, b) => b.hours - a.hours)
          .map((r) => {
            const { hex } = screenColourFromLabD65(r.lab);
            return (
              <li key={r.id}>
                <i
                  className={styles.chip}
                  style={{ background: hex }}
                  role="img"
                  aria-label={`${colourWords(r.lab)}, ${hex}`}
                />
                <span>
                  <b>{potName(r.potId)}</b> {faceName[r.face].toLowerCase()}, {ageWords(r.hours)}
                  <span className="soft small">
                    {' '}
                    {days.text(r.on)} · {howName[r.how]}
                    {r.simulated && ' (simulated)'}, ± {print.number(r.doubt, 1)}
                    {r.note && ` · ${r.note}`}
                  </span>
                </span>
                <span className="figure">
                  {r.lab.map((v) => print.number(v, 1)).join('  ')} <span className="soft">{hex}</span>
                </span>
                {r.file ? (
                  <a href={routes.file(batchId, r.file)} target="_blank" rel="noreferrer">
                    Photo
                  </a>
                ) : (
                  <span />
                )}
                <Button
                  type="text"
                  icon={<DeleteOutlined />}
                  aria-label={`Delete the reading of ${potName(r.potId)}, ${faceName[r.face].toLowerCase()}, ${days.text(r.on)}`}
                  onClick={() => void take(r)}
                />
              </li>
            );
          })}
      </ul>
    </section>
  );
}
