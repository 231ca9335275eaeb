import { type BatchWrite } from '@kleur/contract';
import { type Difference, differences } from '@kleur/core/why';
import { useMemo } from 'react';
import { useDays } from '../../shared/hooks/useDays.ts';
import { usePrinter } from '../../shared/hooks/useSettings.ts';
import { PlainTable } from '../../shared/ui/PlainTable.tsx';
import { stateName } from '../../shared/ui/stateName.ts';
import styles from './DifferenceTable.module.css';

/** Most differences that are listed; more than these nobody compares one by one. */
const MOST = 12;

/** What two versions of a batch do not agree on, side by side. */
export function DifferenceTable(props: { readonly mine: BatchWrite; readonly theirs: BatchWrite }) {
  const { mine, theirs } = props;
  const print = usePrinter();
  const days = useDays();
  const found = useMemo(() => {
    const day = (b: BatchWrite): string => (b.madeOn === null ? 'no date' : days.text(b.madeOn));
    const heads: readonly (readonly [string, string, string])[] = [
      ['Name', mine.name, theirs.name],
      ['State', stateName[mine.state], stateName[theirs.state]],
      ['Day of making', day(mine), day(theirs)],
    ];
    return [
      ...heads.flatMap(([what, a, b]): Difference[] => (a === b ? [] : [{ what, mine: a, theirs: b }])),
      ...differences(mine.plan, theirs.plan, print),
    ];
  }, [mine, theirs, print, days]);

  if (found.length === 0) return <p className="soft">Both versions are the same now.</p>;
  const more = found.length - MOST;
  return (
    <div className={styles.frame}>
      <PlainTable
        label="What differs"
        heads={[{ text: 'What differs' }, { text: 'Mine' }, { text: 'The other' }]}
      >
        {found.slice(0, MOST).map((d, i) => (
          <tr key={i}>
            <th scope="row">{d.what}</th>
            <td>{d.mine ?? '–'}</td>
            <td>{d.theirs ?? '–'}</td>
          </tr>
        ))}
      </PlainTable>
      {more > 0 && <p className="soft small">And {more} more.</p>}
    </div>
  );
}
