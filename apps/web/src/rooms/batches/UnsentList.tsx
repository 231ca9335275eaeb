import { Button } from 'antd';
import { Link } from 'react-router';
import { batchSaves } from '../../data/batchSaves.ts';
import { type Saving } from '../../data/saveQueue.ts';
import { useAppSelector } from '../../data/store.ts';
import { selectUnsent } from '../../data/unsent.ts';
import { UnsentActs } from '../../shared/batches/UnsentActs.tsx';
import styles from './UnsentList.module.css';

/** Batches with work that is not on the server yet, each with how it stands and the way on. */
export function UnsentList() {
  const batches = useAppSelector((s) => selectUnsent(s).batches);
  const rows = Object.entries(batches);
  if (rows.length === 0) return null;
  return (
    <section className={styles.list} aria-label="Not on the server yet">
      <h2>Not on the server yet</h2>
      <ul>
        {rows.map(([id, { name, saving }]) => (
          <li key={id}>
            {saving.status === 'gone' ? <b>{name}</b> : <Link to={`/batches/${id}`}>{name}</Link>}
            <span className="soft">{told(saving)}</span>
            <span className={styles.acts}>
              <Acts id={id} saving={saving} />
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function told(saving: Saving): string {
  switch (saving.status) {
    case 'conflict':
      return 'was changed elsewhere meanwhile. Open it to choose.';
    case 'gone':
      return 'was deleted elsewhere. Your changes are still in this browser.';
    case 'failed':
      return saving.retrying
        ? `${saving.message} It is safe in this browser and will be sent again.`
        : `${saving.message} It is safe in this browser and is not sent again by itself.`;
    default:
      return 'is being sent…';
  }
}

function Acts({ id, saving }: { readonly id: string; readonly saving: Saving }) {
  if (saving.status === 'gone') return <UnsentActs id={id} isGone size="small" onGivenUp={() => undefined} />;
  if (saving.status !== 'failed') return null;
  return saving.retrying ? (
    <Button size="small" onClick={() => void batchSaves.flush(id)}>
      Try now
    </Button>
  ) : (
    <UnsentActs id={id} isGone={false} size="small" onGivenUp={() => undefined} />
  );
}
