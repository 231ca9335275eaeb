import { Link, useParams } from 'react-router';
import { type PastOf, type PastResult } from '@kleur/contract';
import { faultById } from '@kleur/core/record';
import { usePastQuery } from '../../data/ledger.ts';
import { useDays } from '../../shared/hooks/useDays.ts';
import { verdictText } from '../../shared/verdictText.ts';
import styles from './PastResults.module.css';

/** How the last batches with a scent, a colourant, a technique or a mould came out; nothing where there is none. */
export default function PastResults(props: {
  readonly of: PastOf;
  readonly refId: string;
  readonly name: string;
}) {
  const { of, refId, name } = props;
  const { id = '' } = useParams();
  const { data = [] } = usePastQuery({ of, ref: refId, besides: id });
  if (data.length === 0) return null;
  return (
    <ul className={styles.past} aria-label={`Last results with ${name}`}>
      {data.map((p) => (
        <PastRow key={p.batchId} past={p} />
      ))}
    </ul>
  );
}

function PastRow({ past }: { readonly past: PastResult }) {
  const days = useDays();
  const { face, seen, verdict, faults } = past;
  const shown =
    seen.length >= face.length && seen.length > 0 ? seen.map((s) => ({ hex: s.hex, share: 1 })) : face;
  return (
    <li>
      <span className={styles.face} aria-hidden>
        {shown.map((f, i) => (
          <i key={i} style={{ background: f.hex, flexGrow: f.share }} />
        ))}
      </span>
      <span>
        <Link to={`/batches/${past.batchId}/result`}>{past.name}</Link>
        {past.madeOn && <span className="soft"> {days.text(past.madeOn)}</span>}
        {verdict && `: ${verdictText(verdict)}`}
        {faults.length > 0 && (
          <span className="soft"> · {faults.map((f) => faultById(f).name.toLowerCase()).join(', ')}</span>
        )}
      </span>
    </li>
  );
}
