import { Button } from 'antd';
import { useEffect, useRef, useState } from 'react';
import {
  missingBefore,
  neededBy,
  type Progress,
  progressOf,
  type RunStep,
  weighableLine,
} from '@kleur/core/day';
import { type SheetLine } from '@kleur/core/sheet';
import { usePrinter } from '../../../shared/hooks/useSettings.ts';
import { useStable } from '../../../shared/hooks/useStable.ts';
import { PotSwatch } from '../PotSwatch.tsx';
import { usePrep } from '../state/useDerived.ts';
import styles from './make.module.css';
import { MassAct } from './MassAct.tsx';
import { StepList } from './StepList.tsx';
import { Timers } from './Timers.tsx';
import { type BenchLogOfBatch, SAME_TOUCH_MS } from './useBenchLog.ts';
import { useWakeLock } from './useWakeLock.ts';

const REASONS = ['Not needed', 'Done already', 'No time', 'Something is missing'];

/** One step of the day at a time: what to do, how much, what it should look like; done with one touch or one key. */
export function StepByStep(props: {
  readonly steps: readonly RunStep[];
  readonly log: BenchLogOfBatch;
  /** Shows one pot with its cups. */
  readonly onPot: (potId: string) => void;
}) {
  const { steps, log, onPot } = props;
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

/** Fields that move by keys of their own. */
const FIELDS = 'input, textarea, select, [role=combobox], [role=slider]';
/** What Enter or Space would press. */
const PRESSED = `${FIELDS}, button, a, summary`;

/** Done by a pedal, a page turner or a key, unless the key has a use where the focus is. */
function useDoneKeys(done: () => void): void {
  const act = useStable(done);
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const taken = { PageDown: FIELDS, Enter: PRESSED, ' ': PRESSED }[event.key];
      if (taken === undefined || event.repeat || event.defaultPrevented) return;
      if (document.activeElement?.matches(taken) || document.querySelector('[role=dialog]')) return;
      event.preventDefault();
      act();
    };
    document.addEventListener('keydown', onKey);
    return () => {
      document.removeEventListener('keydown', onKey);
    };
  }, [act]);
}

function BigStep(props: {
  readonly step: RunStep;
  readonly steps: readonly RunStep[];
  readonly progress: Progress;
  readonly log: BenchLogOfBatch;
  readonly onDone: () => void;
  readonly onPot: (potId: string) => void;
}) {
  const { step, steps, progress, log, onDone, onPot } = props;
  const { pots } = usePrep();
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const [leaving, setLeaving] = useState(false);
  const missing = missingBefore(step, steps, progress);
  // No lye amount before the checklist is ticked.
  const isHidden = missing.some((s) => s.kind === 'safety');
  const isReady = step.kind !== 'safety' || step.lines.every((l) => ticked.has(l.id));
  const isDone = progress.done.has(step.id);
  const pot = pots.find((p) => p.pot.id === step.potId);
  // A second knock on the same place is the same knock, though another step stands there by now.
  const shownAt = useRef(0);
  useEffect(() => {
    shownAt.current = performance.now();
  }, []);
  const done = (): void => {
    if (performance.now() - shownAt.current < SAME_TOUCH_MS) return;
    if (isHidden || !isReady || isDone || step.kind === 'decide') return;
    log.say({ kind: 'done', target: step.id });
    onDone();
  };
  useDoneKeys(done);
  const decide = (value: number): void => {
    log.say({ kind: 'decided', value });
    log.say({ kind: 'done', target: step.id });
    onDone();
  };
  return (
    <article className={styles.step} aria-label={step.title}>
      <div className={styles.band}>
        {pot && <PotSwatch potId={pot.pot.id} stage="fresh" label={pot.pot.name} />}
      </div>
      <div className={styles.stepBody}>
        <h2 className={styles.stepTitle}>{step.title}</h2>
        {missing.length > 0 && (
          <p role="alert" className={styles.doubt}>
            Not done yet: {missing.map((s) => s.title).join(', ')}.
          </p>
        )}
        {step.id.startsWith('pour/') && progress.full === false && (
          <p className={styles.hint}>Decided: the simpler design, not the full one.</p>
        )}
        {isHidden ? (
          <p>The amounts are shown once the checklist before the lye is ticked.</p>
        ) : step.kind === 'safety' ? (
          <ul className={styles.checklist}>
            {step.lines.map((l) => (
              <li key={l.id}>
                <label>
                  <input
                    type="checkbox"
                    checked={ticked.has(l.id)}
                    onChange={(e) => {
                      const next = new Set(ticked);
                      if (e.target.checked) next.add(l.id);
                      else next.delete(l.id);
                      setTicked(next);
                    }}
                  />
                  {l.what}
                </label>
              </li>
            ))}
          </ul>
        ) : (
          <ul className={styles.lines}>
            {step.lines.map((l) => (
              <BigLine key={l.id} line={l} weighed={progress.weighed.get(l.id)} onSay={log.say} />
            ))}
          </ul>
        )}
        {step.sign !== '' && <p className="soft">Right when: {step.sign}</p>}
        {step.cautions.length > 0 && (
          <ul className={styles.cautions}>
            {step.cautions.map((c) => (
              <li key={c}>{c}</li>
            ))}
          </ul>
        )}
        <div className={styles.taps}>
          {step.potId !== null && (
            <Button
              onClick={() => {
                onPot(step.potId!);
              }}
            >
              At the pot
            </Button>
          )}
          {step.waits.map((w) => (
            <Button
              key={w.label}
              onClick={() => {
                log.say({ kind: 'timed', target: step.id, value: w.minutes, text: w.label });
              }}
            >
              Start {w.minutes} min: {w.label}
            </Button>
          ))}
          {[5, 10, 20].map((minutes) => (
            <Button
              key={minutes}
              onClick={() => {
                log.say({ kind: 'timed', target: step.id, value: minutes, text: step.title });
              }}
            >
              Timer {minutes} min
            </Button>
          ))}
        </div>
        {step.kind === 'decide' ? (
          <div className={styles.decide}>
            <Button
              type="primary"
              onClick={() => {
                decide(1);
              }}
            >
              Full design
            </Button>
            <Button
              onClick={() => {
                decide(0);
              }}
            >
              Simpler one
            </Button>
          </div>
        ) : (
          <Button
            type="primary"
            className={styles.doneButton}
            disabled={isHidden || !isReady || isDone}
            onClick={done}
          >
            {isDone ? 'Done already' : 'Done'}
          </Button>
        )}
        {!isDone &&
          (leaving ? (
            <div className={styles.doubt} role="group" aria-label="Why it is left out">
              {neededBy(step, steps, progress).length > 0 && (
                <p>
                  Needed by:{' '}
                  {neededBy(step, steps, progress)
                    .map((s) => s.title)
                    .join(', ')}
                  .
                </p>
              )}
              {REASONS.map((text) => (
                <Button
                  key={text}
                  onClick={() => {
                    log.say({ kind: 'skipped', target: step.id, text });
                    onDone();
                  }}
                >
                  {text}
                </Button>
              ))}
            </div>
          ) : (
            step.kind !== 'safety' && (
              <Button
                type="text"
                onClick={() => {
                  setLeaving(true);
                }}
              >
                Leave it out…
              </Button>
            )
          ))}
      </div>
    </article>
  );
}

/** What to weigh or do; of lye and oils also what it really weighed. */
function BigLine(props: {
  readonly line: SheetLine;
  /** What it really weighed, g. */
  readonly weighed: number | undefined;
  readonly onSay: BenchLogOfBatch['say'];
}) {
  const { line, weighed, onSay } = props;
  const print = usePrinter();
  const [other, setOther] = useState(false);
  return (
    <li>
      {line.amount !== '' && <b className="figure">{line.amount}</b>}
      <span>
        {line.what}
        {line.note !== '' && <span className="soft"> {line.note}</span>}
        {line.running !== '' && <span className="soft figure"> (scale shows {line.running})</span>}
        {weighed !== undefined && <b className={styles.weighed}> {print.mass(weighed)} weighed</b>}
      </span>
      {weighableLine(line.id) &&
        (other ? (
          <span className={styles.taps}>
            <MassAct
              label={`What ${line.what} weighed`}
              act="It weighed this"
              onSay={(value) => {
                onSay({ kind: 'weighed', target: line.id, by: 'grams', value });
                setOther(false);
              }}
            />
          </span>
        ) : (
          <Button
            aria-label={`${line.what} weighed otherwise`}
            onClick={() => {
              setOther(true);
            }}
          >
            Weighed otherwise…
          </Button>
        ))}
    </li>
  );
}
