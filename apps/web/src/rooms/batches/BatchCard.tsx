import { CopyOutlined, DeleteOutlined } from '../../shared/ui/icons.tsx';
import { Button } from 'antd';
import { Link } from 'react-router';
import { type BatchSummary, type LedgerBatch } from '@kleur/contract';
import { useDays } from '../../shared/hooks/useDays.ts';
import { usePrinter } from '../../shared/hooks/useSettings.ts';
import { stateText } from '../../shared/ui/stateName.ts';

/** A batch as a bar seen from its cut face: each pot a band as high as its share, at cure. */
export function BatchCard(props: {
  readonly batch: BatchSummary;
  /** The pot that comes nearest to the colour that was asked for. */
  readonly nearest: LedgerBatch['nearest'];
  /** Whether it is marked to be compared; null while nothing is. */
  readonly marked: boolean | null;
  readonly onMark: (marked: boolean) => void;
  readonly onCopy: () => void;
  readonly onDelete: () => void;
}) {
  const { batch, nearest, marked } = props;
  const print = usePrinter();
  const days = useDays();
  const colours = batch.face.map((f) => f.name).join(', ');
  return (
    <article className="card">
      <Link to={`/batches/${batch.id}`} className="card-link">
        <div
          className="card-bar"
          role="img"
          aria-label={colours ? `Cured colours: ${colours}` : 'No colours yet'}
        >
          {batch.face.map((f, i) => (
            <i key={i} style={{ background: f.hex, flexGrow: f.share }} title={f.name} />
          ))}
        </div>
        <h2>{batch.name}</h2>
      </Link>
      {nearest && (
        <p className="soft small">
          <i className="chip" style={{ background: nearest.hex }} /> {nearest.name}, ΔE{' '}
          {print.number(nearest.deltaE, 1)}
        </p>
      )}
      {marked !== null && (
        <Button
          aria-pressed={marked}
          type={marked ? 'primary' : 'default'}
          aria-label={`Compare ${batch.name}`}
          onClick={() => {
            props.onMark(!marked);
          }}
        >
          {marked ? 'Marked' : 'Mark to compare'}
        </Button>
      )}
      <div className="card-foot">
        <span className={`state state-${batch.onHold ? 'held' : batch.state}`}>{stateText(batch)}</span>
        <span className="soft figure">
          {batch.madeOn ? days.text(batch.madeOn) : 'no date'} · {print.mass(batch.totalOils, true)}
        </span>
        <span className="card-acts">
          <Button
            type="text"
            size="small"
            icon={<CopyOutlined />}
            aria-label={`Duplicate ${batch.name}`}
            title="Duplicate"
            onClick={props.onCopy}
          />
          <Button
            type="text"
            size="small"
            icon={<DeleteOutlined />}
            aria-label={`Delete ${batch.name}`}
            title="Delete"
            onClick={props.onDelete}
          />
        </span>
      </div>
    </article>
  );
}
