import { useState } from 'react';
import { progressOf, type RunStep } from '@kleur/core/day';
import { BigStep } from './BigStep.tsx';
import styles from './make.module.css';
import { StepList } from './StepList.tsx';
import { Timers } from './Timers.tsx';
import { type BenchLogOfBatch } from './useBenchLog.ts';
import { useWakeLock } from './useWakeLock.ts';

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
  const step = steps.find((s) => s.id === picked) ?? progress.current;
  const awake = useWakeLock();
  return (
    <>
      <Timers
        timers={progress.timers}
        onHide={(id) => {
          log.say({ kind: 'voided', target: id });
        }}
      />
      {step ? (
        <BigStep
          key={step.id}
          step={step}
          batchId={batchId}
          steps={steps}
          progress={progress}
          log={log}
          onDone={() => {
            setPicked(null);
          }}
          onPot={onPot}
        />
      ) : (
        <p className={styles.sentence} role="status">
          Everything is done.
        </p>
      )}
      {progress.next && picked === null && (
        <p className="soft">
          Next: <b>{progress.next.title}</b>
        </p>
      )}
      {!awake && <p className="soft small">This browser does not keep the screen awake here.</p>}
      <StepList steps={steps} progress={progress} current={step?.id ?? null} onPick={setPicked} />
    </>
  );
}
