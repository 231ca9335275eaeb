import { Button } from 'antd';
import { lazy, Suspense, useMemo, useState } from 'react';
import { type RunStep, sayEntry, standing } from '@kleur/core/day';
import { usePrinter } from '../../../shared/hooks/useSettings.ts';
import styles from './make.module.css';
import { type BenchLogOfBatch } from './useBenchLog.ts';
import { type Made } from './useMade.ts';

const LogFile = lazy(() => import('./LogFile.tsx').then((m) => ({ default: m.LogFile })));

/** So many are shown at first. */
const LATEST = 20;
const CLOCK = new Intl.DateTimeFormat(undefined, { hour: '2-digit', minute: '2-digit' });

/** What was said so far, the latest first; each can be taken back. */
export function LogList(props: {
  readonly made: Made;
  readonly steps: readonly RunStep[];
  readonly log: Pick<BenchLogOfBatch, 'entries' | 'waiting' | 'refused' | 'say'>;
  readonly batchId: string;
}) {
  const { log, batchId, made, steps } = props;
  const { entries, waiting, refused, say } = log;
  const print = usePrinter();
  const names = useMemo(
    () => ({
      pot: (id: string) =>
        id === '' ? '' : (made.plan.pots.find((p) => p.id === id)?.name ?? 'A pot that is gone'),
      cup: (id: string) => made.cups.find((c) => c.id === id)?.material.name ?? 'a cup that is gone',
      line: (id: string) =>
        steps.flatMap((s) => s.lines).find((l) => l.id === id)?.what ?? 'a line that is gone',
      step: (id: string) => steps.find((s) => s.id === id)?.title ?? 'a step that is gone',
    }),
    [made, steps],
  );
  const [all, setAll] = useState(false);
  const counted = standing(entries).reverse();
  const shown = all ? counted : counted.slice(0, LATEST);
  return (
    <section aria-label="Log" className={styles.log}>
      <h2>Log</h2>
      {shown.length === 0 && <p className="soft">Nothing was logged yet: everything counts as planned.</p>}
      <ol>
        {shown.map((e) => (
          <li key={e.id}>
            <time dateTime={new Date(e.at).toISOString()} className="soft figure">
              {CLOCK.format(new Date(e.at))}
            </time>
            <span>
              {sayEntry(e, names, print)}
              {(e.kind === 'pictured' || e.kind === 'spoken') && (
                <Suspense fallback={null}>
                  <LogFile
                    batchId={batchId}
                    entry={e}
                    waits={waiting.has(e.id)}
                    label={sayEntry(e, names, print)}
                  />
                </Suspense>
              )}
              {made.unplaced.has(e.id) && <b> — not counted: what it is of is not in the plan</b>}
              {refused.has(e.id) && <b> — kept on this device only: {refused.get(e.id)}</b>}
            </span>
            <Button
              aria-label={`Take back: ${sayEntry(e, names, print)}`}
              onClick={() => {
                say({ kind: 'voided', target: e.id });
              }}
            >
              Take back
            </Button>
          </li>
        ))}
      </ol>
      {shown.length < counted.length && (
        <Button
          onClick={() => {
            setAll(true);
          }}
        >
          Show {counted.length - shown.length} earlier ones
        </Button>
      )}
    </section>
  );
}
