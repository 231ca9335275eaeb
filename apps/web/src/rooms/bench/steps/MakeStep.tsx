import { lazy, Suspense, useMemo } from 'react';
import { useParams, useSearchParams } from 'react-router';
import { runSheetOf, standing } from '@kleur/core/day';
import { cured } from '@kleur/core/pigment';
import { withFallback } from '@kleur/core/work';
import { usePart } from '../../../shared/hooks/usePart.ts';
import { EmptyState } from '../../../shared/ui/EmptyState.tsx';
import { PartTabs } from '../../../shared/ui/PartTabs.tsx';
import { Fold } from '../make/Fold.tsx';
import { LogList } from '../make/LogList.tsx';
import styles from '../make/make.module.css';
import { OfflineWords } from '../make/OfflineWords.tsx';
import { StepByStep } from '../make/StepByStep.tsx';
import { TooFast } from '../make/TooFast.tsx';
import { type BenchLogOfBatch, useBenchLog } from '../make/useBenchLog.ts';
import { useMade } from '../make/useMade.ts';
import { useChecks, usePlan, usePlanGel } from '../state/useDerived.ts';
import { useSheetOf } from './prep/useSheet.ts';

const Instruments = lazy(() => import('../make/Instruments.tsx').then((m) => ({ default: m.Instruments })));
const PotPart = lazy(() => import('../make/PotPart.tsx').then((m) => ({ default: m.PotPart })));

/** The batch while it is being made: what went in, pot by pot, and what that makes of it. */
export function MakeStep() {
  const { id = '' } = useParams();
  const plan = usePlan();
  if (plan.base.oils.length === 0)
    return (
      <EmptyState title="Nothing to make yet">
        Add oils in Base, or begin with a base; colours can follow while the day goes on.
      </EmptyState>
    );
  return <AtTheBench batchId={id} />;
}

const PARTS = [
  { key: 'steps', label: 'Step by step' },
  { key: 'pots', label: 'At the pot' },
] as const;
const KEYS = PARTS.map((p) => p.key);

function AtTheBench({ batchId }: { readonly batchId: string }) {
  const log = useBenchLog(batchId);
  const part = usePart(KEYS);
  const [, setParams] = useSearchParams();
  const plan = usePlan();
  // Once the simpler design is decided on, the steps are those of it.
  const isSimpler = standing(log.entries).findLast((e) => e.kind === 'decided')?.value === 0;
  const poured = useMemo(() => (isSimpler ? withFallback(plan) : plan), [isSimpler, plan]);
  const sheet = useSheetOf(poured);
  const steps = useMemo(() => runSheetOf(poured, sheet), [poured, sheet]);
  const gel = usePlanGel();
  const stage = useMemo(() => cured(gel), [gel]);
  const made = useMade(log.entries, stage);
  return (
    <div className={styles.make}>
      <PartTabs label="Parts of the making day" parts={PARTS} current={part} acts={<TooFast steps={steps} />}>
        <Stops />
        <Sent log={log} />
        {part === 'steps' && (
          <StepByStep
            batchId={batchId}
            steps={steps}
            log={log}
            onPot={(pot) => {
              setParams({ part: 'pots', pot }, { replace: true });
            }}
          />
        )}
        {part === 'pots' && made.pots.length === 0 && (
          <EmptyState title="No pots yet">Add a colour in Pots: it stands here at once.</EmptyState>
        )}
        {part === 'pots' && made.pots.length > 0 && (
          <Suspense fallback={<p role="status">Opening…</p>}>
            <PotPart made={made} log={log} stage={stage} />
          </Suspense>
        )}
        <Fold title="Scale and thermometer">
          <Instruments />
        </Fold>
        <OfflineWords batchId={batchId} />
        <LogList log={log} batchId={batchId} made={made} steps={steps} />
      </PartTabs>
    </div>
  );
}

/** A stop that has come up is told loudly; what was done stays on record, and the maker decides. */
function Stops() {
  const stops = useChecks().filter((c) => c.level === 'stop');
  if (stops.length === 0) return null;
  return (
    <div role="alert" className={styles.heavy}>
      <p>
        A stop holds, so the lye amounts are hidden. What was done stays in the log; you decide how to go on.
      </p>
      <ul>
        {stops.map((c) => (
          <li key={`${c.id} ${c.sentence}`}>
            {c.sentence} {c.remedy}
          </li>
        ))}
      </ul>
    </div>
  );
}

/** Where the entries are: nothing that was said may be lost unnoticed. */
function Sent({ log: { waiting, refused, online, kept } }: { readonly log: BenchLogOfBatch }) {
  const due = waiting.size - refused.size;
  if (due === 0 && online) return null;
  const many = due === 1 ? '1 entry waits' : `${due} entries wait`;
  return (
    <p role="status" className="soft">
      {!online && 'The server cannot be reached. '}
      {due > 0 && `${many} ${kept ? 'on this device' : 'in this page only: keep it open'} to be sent.`}
    </p>
  );
}
