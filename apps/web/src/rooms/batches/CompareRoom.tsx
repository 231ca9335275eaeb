import { type CSSProperties } from 'react';
import { Link, useSearchParams } from 'react-router';
import { screenColourFromLabD65 } from '@kleur/core/colour';
import { foretold } from '@kleur/core/evidence';
import { designText } from '@kleur/core/palette';
import { CURED_HOURS } from '@kleur/core/pigment';
import { faultById, verdictOn } from '@kleur/core/record';
import { differences } from '@kleur/core/why';
import { useBatchQuery } from '../../data/batches.ts';
import { usePouredQuery, useReadingsQuery, useRecordQuery } from '../../data/record.ts';
import { useDays } from '../../shared/hooks/useDays.ts';
import { usePrinter } from '../../shared/hooks/useSettings.ts';
import { EmptyState } from '../../shared/ui/EmptyState.tsx';
import { PlainTable } from '../../shared/ui/PlainTable.tsx';
import { stateText } from '../../shared/ui/stateName.ts';
import { verdictText } from '../../shared/verdictText.ts';
import styles from './Ledger.module.css';

const MOST = 4;

/** Two to four batches side by side. */
export function CompareRoom() {
  const [params] = useSearchParams();
  const ids = [...new Set((params.get('ids') ?? '').split(',').filter((id) => id !== ''))].slice(0, MOST);
  return (
    <div>
      <title>Compare · Kleur</title>
      <header className={styles.row}>
        <h1>Side by side</h1>
        <span className="soft">
          Of each pot, what was foretold on the left and what was seen on the right
        </span>
        <span className="spring" />
        <Link to="/batches" className={styles.download}>
          To the batches
        </Link>
      </header>
      {ids.length < 2 ? (
        <EmptyState title="Choose two to four batches" action={<Link to="/batches">To the batches</Link>}>
          Mark them in the list, then compare.
        </EmptyState>
      ) : (
        <div className={styles.compare} style={{ '--many': ids.length } as CSSProperties}>
          {ids.map((id) => (
            <Column key={id} id={id} first={ids[0]!} />
          ))}
        </div>
      )}
    </div>
  );
}

function Column({ id, first }: { readonly id: string; readonly first: string }) {
  const { data: batch, error } = useBatchQuery(id);
  const { data: other } = useBatchQuery(first);
  const { data: poured } = usePouredQuery(id);
  const { data: wire } = useRecordQuery(id);
  const { data: readings = [] } = useReadingsQuery(id);
  const print = usePrinter();
  const days = useDays();
  if (error) return <p role="alert">This batch could not be loaded.</p>;
  if (!batch || !poured || !wire) return <p role="status">Opening…</p>;
  const { record } = wire;
  const verdict = verdictOn(record, 'batch', '');
  const pots = poured.predicted.pots.map((pot) => {
    const read = readings.findLast((r) => r.potId === pot.potId && r.face !== 'scrape');
    const planned = foretold(poured.predicted, pot, record.gel, 'cut', read?.hours ?? CURED_HOURS);
    return {
      id: pot.potId,
      name: pot.name,
      share: pot.share,
      planned: screenColourFromLabD65(planned).hex,
      seen: read ? screenColourFromLabD65(read.lab).hex : null,
    };
  });
  const found = id === first || !other ? [] : differences(other.plan, batch.plan, print);
  const facts: readonly (readonly [string, string])[] = [
    ['State', `${stateText(batch)}${batch.madeOn ? `, ${days.text(batch.madeOn)}` : ''}`],
    ['Oils', print.mass(batch.plan.base.totalOils)],
    ['Design', designText(batch.plan.idea.design) || 'open'],
    ['Faults', record.faults.map((f) => faultById(f.fault).name).join(', ') || 'none noted'],
    ['Verdict', verdict ? verdictText(verdict) : 'none yet'],
  ];
  return (
    <section className={styles.column} aria-label={batch.name}>
      <div className={styles.bar} role="img" aria-label="As it was seen, else as foretold">
        {pots.map((p) => (
          <i key={p.id} style={{ background: p.seen ?? p.planned, flexGrow: Math.max(0.01, p.share) }} />
        ))}
      </div>
      <h2>
        <Link to={`/batches/${id}`}>{batch.name}</Link>
      </h2>
      <ul className={styles.pots} aria-label={`Pots of ${batch.name}: foretold, seen`}>
        {pots.map((p) => (
          <li key={p.id}>
            <i style={{ background: p.planned }} title={`Foretold ${p.planned}`} />
            <i
              className={p.seen ? undefined : styles.none}
              style={p.seen ? { background: p.seen } : undefined}
              title={p.seen ? `Seen ${p.seen}` : 'Not read yet'}
            />
            <span>{p.name}</span>
          </li>
        ))}
      </ul>
      <dl className={styles.facts}>
        {facts.map(([what, is]) => (
          <div key={what}>
            <dt>{what}</dt>
            <dd>{is}</dd>
          </div>
        ))}
      </dl>
      {found.length > 0 && (
        <PlainTable
          label={`What ${batch.name} has otherwise than the first`}
          heads={[{ text: 'What' }, { text: 'First' }, { text: 'Here' }]}
        >
          {found.slice(0, 30).map((d, i) => (
            <tr key={i}>
              <td>{d.what}</td>
              <td>{d.mine ?? '–'}</td>
              <td>{d.theirs ?? '–'}</td>
            </tr>
          ))}
        </PlainTable>
      )}
    </section>
  );
}
