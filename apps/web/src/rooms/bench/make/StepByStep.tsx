import { lazy, Suspense, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { useStore } from 'react-redux';
import { Button } from 'antd';
import {
  alsoTicked,
  doubtsBefore,
  lyeDoubts,
  nextSideBySide,
  openDoubts,
  progressOf,
  type RunStep,
} from '@kleur/core/day';
import { logOf } from '../../../data/benchLogs.ts';
import { beside } from '../../../data/beside.ts';
import { type AppStore } from '../../../data/store.ts';
import { useSettings } from '../../../shared/hooks/useSettings.ts';
import { usePlan } from '../state/useDerived.ts';
import { BigStep } from './BigStep.tsx';
import { Fold } from './Fold.tsx';
import styles from './make.module.css';
import { StepList } from './StepList.tsx';
import { Timers } from './Timers.tsx';
import { type BenchLogOfBatch } from './useBenchLog.ts';
import { useDaysBeside } from './useDaysBeside.ts';
import { useWakeLock } from './useWakeLock.ts';

const LyeDoubtPanel = lazy(() => import('./LyeDoubtPanel.tsx').then((m) => ({ default: m.LyeDoubtPanel })));
const BesidePicker = lazy(() => import('./BesidePicker.tsx').then((m) => ({ default: m.BesidePicker })));

/** One step of the day at a time: what to do, how much, what it should look like; done with one touch or one key. */
export function StepByStep(props: {
  readonly batchId: string;
  readonly steps: readonly RunStep[];
  readonly log: BenchLogOfBatch;
  /** Shows one pot with its cups. */
  readonly onPot: (potId: string) => void;
}) {
  const { batchId, steps, log, onPot } = props;
  const progress = progressOf(steps, log.entries);
  const [picked, setPicked] = useState<string | null>(null);
  const [again, setAgain] = useState<string | null>(null);
  const touchedRef = useRef(-Infinity);
  const plan = usePlan();
  const { measuring } = useSettings();
  const doubts = openDoubts(lyeDoubts(plan, measuring.scaleDivision, log.entries));
  const step = steps.find((s) => s.id === picked) ?? progress.current;
  const awake = useWakeLock();
  const navigate = useNavigate();
  const store = useStore() as unknown as AppStore;
  const others = useDaysBeside(batchId);
  // In one order on every page, so that all of them agree on whose turn it is.
  const order = beside.get();
  const days = [{ batchId, steps, progress }, ...others].toSorted(
    (a, b) => order.indexOf(a.batchId) - order.indexOf(b.batchId),
  );
  const turn = others.length > 0 ? nextSideBySide(days) : null;
  const elsewhere = picked === null && turn ? others.find((o) => o.batchId === turn.batchId) : undefined;
  const say: BenchLogOfBatch['say'] = (entry) => {
    log.say(entry);
    if (entry.kind === 'done' && step?.kind === 'safety' && entry.target === step.id)
      for (const also of alsoTicked(days, batchId))
        void logOf(also.batchId, store).say({ kind: 'done', target: also.step.id });
  };
  return (
    <>
      <Timers
        timers={progress.timers}
        onHide={(id) => {
          log.say({ kind: 'voided', target: id });
        }}
      />
      <Suspense fallback={null}>
        {doubts.map((d) => (
          <LyeDoubtPanel
            key={d.lye}
            doubt={d}
            entries={log.entries}
            say={log.say}
            onAgain={(line) => {
              setPicked(steps.find((s) => s.lines.some((l) => l.id === line))?.id ?? null);
              setAgain(line);
            }}
          />
        ))}
      </Suspense>
      {elsewhere && turn ? (
        <article className={styles.turn} aria-label={`Next in ${elsewhere.name}`}>
          <h2 className={styles.stepTitle}>{elsewhere.name}</h2>
          <p>Next: {turn.step.title}</p>
          <Button
            type="primary"
            className={styles.doneButton}
            onClick={() => void navigate(`/batches/${elsewhere.batchId}/make`)}
          >
            Go on with {elsewhere.name}
          </Button>
        </article>
      ) : step ? (
        <BigStep
          key={step.id}
          step={step}
          batchId={batchId}
          steps={steps}
          progress={progress}
          log={{ ...log, say }}
          onDone={() => {
            setPicked(null);
          }}
          onPot={onPot}
          touchedRef={touchedRef}
          isBlocked={doubtsBefore(plan, steps, step, doubts).length > 0}
          again={again}
        />
      ) : (
        <p className={styles.sentence} role="status">
          Everything is done.
        </p>
      )}
      {progress.next && picked === null && !elsewhere && (
        <p className="soft">
          Next: <b>{progress.next.title}</b>
        </p>
      )}
      {!awake && <p className="soft small">This browser does not keep the screen awake here.</p>}
      <StepList steps={steps} progress={progress} current={step?.id ?? null} onPick={setPicked} />
      <Fold
        title="Batches made side by side"
        open={others.length > 0}
        key={others.length > 0 ? 'some' : 'none'}
      >
        <BesidePicker batchId={batchId} days={others} />
      </Fold>
    </>
  );
}
