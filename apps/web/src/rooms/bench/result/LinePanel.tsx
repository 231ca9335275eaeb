import { Button } from 'antd';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { type LineBatch } from '@kleur/contract';
import { labD65FromHex } from '@kleur/core/colour';
import { differenceWords } from '@kleur/core/evidence';
import { faultById } from '@kleur/core/record';
import { differences } from '@kleur/core/why';
import { useBatchQuery } from '../../../data/batches.ts';
import { useLineQuery } from '../../../data/record.ts';
import { useDays } from '../../../shared/hooks/useDays.ts';
import { usePrinter } from '../../../shared/hooks/useSettings.ts';
import { PlainTable } from '../../../shared/ui/PlainTable.tsx';
import { stateText } from '../../../shared/ui/stateName.ts';
import styles from './result.module.css';
import { type Result } from './useResult.ts';
import { verdictText } from '../../../shared/verdictText.ts';

/** The versions that were made from each other, with their faces, and what each changed. */
export function LinePanel({ result }: { readonly result: Result }) {
  const { batchId } = result;
  const { data: line = [] } = useLineQuery(batchId);
  const [open, setOpen] = useState<string | null>(null);
  const days = useDays();
  if (line.length < 2)
    return (
      <section aria-label="Versions">
        <h2>Versions</h2>
        <p className="soft">This is the only one so far.</p>
      </section>
    );
  return (
    <section aria-label="Versions">
      <h2>Versions</h2>
      <ol className={styles.line}>
        {line.map((v) => {
          const parent = line.find((p) => p.id === v.parentId);
          return (
            <li key={v.id} aria-label={v.name} aria-current={v.id === batchId ? 'true' : undefined}>
              <LineFace version={v} />
              <div>
                {v.id === batchId ? <b>{v.name}</b> : <Link to={`/batches/${v.id}`}>{v.name}</Link>}
                <span className="soft">
                  {' '}
                  {stateText(v).toLowerCase()}
                  {v.madeOn && `, ${days.text(v.madeOn)}`}
                  {parent && ` · from ${parent.name}`}
                </span>
                {(v.verdict !== null || v.faults.length > 0) && (
                  <p className="small">
                    {v.verdict && `Verdict: ${verdictText(v.verdict)}. `}
                    {v.faults.length > 0 && v.faults.map((f) => faultById(f).name).join(', ')}
                  </p>
                )}
              </div>
              {parent && (
                <Button
                  size="small"
                  aria-expanded={open === v.id}
                  aria-label={`What changed in ${v.name}`}
                  onClick={() => {
                    setOpen(open === v.id ? null : v.id);
                  }}
                >
                  What changed
                </Button>
              )}
              {parent && open === v.id && <Changed from={parent} to={v} />}
            </li>
          );
        })}
      </ol>
    </section>
  );
}

/** A version as its bar: what was seen of each pot, else what is foretold. */
function LineFace({ version }: { readonly version: LineBatch }) {
  const { face, seen } = version;
  // A pot that was read stands for the stripe at its place in the plan.
  const shown =
    seen.length >= face.length && seen.length > 0 ? seen.map((s) => ({ hex: s.hex, share: 1 })) : face;
  return (
    <span className={styles.lineFace} role="img" aria-label={seen.length > 0 ? 'As seen' : 'As foretold'}>
      {shown.map((f, i) => (
        <i key={i} style={{ background: f.hex, flexGrow: f.share }} />
      ))}
    </span>
  );
}

/** What one version changed, and what that did. */
function Changed({ from, to }: { readonly from: LineBatch; readonly to: LineBatch }) {
  const { data: before } = useBatchQuery(from.id);
  const { data: after } = useBatchQuery(to.id);
  const print = usePrinter();
  const found = useMemo(
    () => (before && after ? differences(before.plan, after.plan, print) : null),
    [before, after, print],
  );
  if (!found || !before) return <p role="status">Comparing…</p>;
  const did = to.seen.flatMap(({ potId, hex }) => {
    const was = from.seen.find((s) => s.potId === potId);
    const name = before.plan.pots.find((p) => p.id === potId)?.name;
    if (!was || !name) return [];
    const words = differenceWords(labD65FromHex(was.hex), labD65FromHex(hex));
    return [`${name}: ${words === 'the same' ? 'as before' : `${words} than before`}`];
  });
  const gone = from.faults.filter((f) => !to.faults.includes(f)).map((f) => faultById(f).name);
  const came = to.faults.filter((f) => !from.faults.includes(f)).map((f) => faultById(f).name);
  return (
    <div className={styles.changed}>
      <PlainTable
        label={`Changes of ${to.name}`}
        heads={[{ text: 'What changed' }, { text: from.name }, { text: to.name }]}
      >
        {found.map((d, i) => (
          <tr key={i}>
            <td>{d.what}</td>
            <td>{d.mine ?? '–'}</td>
            <td>{d.theirs ?? '–'}</td>
          </tr>
        ))}
      </PlainTable>
      {found.length === 0 && <p className="soft">Nothing was changed in the plan.</p>}
      <p>
        <b>What it did:</b>{' '}
        {[
          ...did,
          ...(gone.length > 0 ? [`gone: ${gone.join(', ')}`] : []),
          ...(came.length > 0 ? [`new: ${came.join(', ')}`] : []),
        ].join('; ') || 'not seen yet; readings of both versions would tell.'}
      </p>
    </div>
  );
}
