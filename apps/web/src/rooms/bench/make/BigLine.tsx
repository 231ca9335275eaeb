import { Button } from 'antd';
import { useState } from 'react';
import { weighableLine } from '@kleur/core/day';
import { type SheetLine } from '@kleur/core/sheet';
import { usePrinter } from '../../../shared/hooks/useSettings.ts';
import { PotSwatch } from '../PotSwatch.tsx';
import { usePlan } from '../state/useDerived.ts';
import styles from './make.module.css';
import { MassAct } from './MassAct.tsx';
import { type BenchLogOfBatch } from './useBenchLog.ts';

/** What to weigh or do; of lye and oils also what it really weighed. */
export function BigLine(props: {
  readonly line: SheetLine;
  /** What it really weighed, g. */
  readonly weighed: number | undefined;
  readonly onSay: BenchLogOfBatch['say'];
  /** Whether it is asked what it weighed. */
  readonly isOpen?: boolean;
}) {
  const { line, weighed, onSay, isOpen = false } = props;
  const print = usePrinter();
  const pot = usePlan().pots.find((p) => line.id === `pour:${p.id}` || line.id.startsWith(`pour:${p.id}:`));
  const [other, setOther] = useState(isOpen);
  return (
    <li>
      {pot && <PotSwatch potId={pot.id} stage="fresh" label={pot.name} className={styles.chip} />}
      {line.amount !== '' && <b className="figure">{line.amount}</b>}
      <span>
        {line.what}
        {line.note !== '' && <span className="soft"> {line.note}</span>}
        {line.running !== '' && <span className="soft figure"> (scale shows {line.running})</span>}
        {weighed !== undefined && <b className={styles.weighed}> {print.mass(weighed)} weighed</b>}
      </span>
      {weighableLine(line.id) &&
        (other ? (
          <span className={styles.taps}>
            <MassAct
              label={`What ${line.what} weighed`}
              act="It weighed this"
              onSay={(value, from) => {
                onSay({ kind: 'weighed', target: line.id, by: 'grams', value, ...from });
                setOther(false);
              }}
            />
          </span>
        ) : (
          <Button
            aria-label={`${line.what} weighed otherwise`}
            onClick={() => {
              setOther(true);
            }}
          >
            Weighed otherwise…
          </Button>
        ))}
    </li>
  );
}
