import { Button } from 'antd';
import { type RefObject, useEffect, useState } from 'react';
import {
  missingBefore,
  neededBy,
  neededLater,
  type Progress,
  type RunStep,
  type WARMTHS,
} from '@kleur/core/day';
import { usePrinter } from '../../../shared/hooks/useSettings.ts';
import { useStable } from '../../../shared/hooks/useStable.ts';
import { PotSwatch } from '../PotSwatch.tsx';
import { usePrep } from '../state/useDerived.ts';
import { BigLine } from './BigLine.tsx';
import { lyeDoubtTexts as t } from './lyeDoubtTexts.ts';
import { LastLook } from './LastLook.tsx';
import styles from './make.module.css';
import { MediaActs } from './MediaActs.tsx';
import { PotMinutes } from './PotMinutes.tsx';
import { ReadAloud } from './ReadAloud.tsx';
import { type BenchLogOfBatch, SAME_TOUCH_MS } from './useBenchLog.ts';
import { WarmthActs } from './WarmthActs.tsx';

const REASONS = ['Not needed', 'Done already', 'No time', 'Something is missing'];

/** Fields that move by keys of their own. */
const FIELDS = 'input, textarea, select, [role=combobox], [role=slider]';
/** What Enter or Space would press. */
const PRESSED = `${FIELDS}, button, a, summary`;

/** Done by a pedal, a page turner or a key, unless the key has a use where the focus is. */
function useDoneKeys(done: (at: number) => void): void {
  const act = useStable(done);
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const taken = { PageDown: FIELDS, Enter: PRESSED, ' ': PRESSED }[event.key];
      if (taken === undefined || event.repeat || event.defaultPrevented) return;
      if (document.activeElement?.matches(taken) || document.querySelector('[role=dialog]')) return;
      event.preventDefault();
      act(event.timeStamp);
    };
    document.addEventListener('keydown', onKey);
    return () => {
      document.removeEventListener('keydown', onKey);
    };
  }, [act]);
}

/** Steps in which it counts how long the pots still last. */
const isTimed = ({ id, kind }: RunStep): boolean =>
  kind === 'decide' || id.startsWith('pour/') || id.startsWith('colour/');

/** What a thermometer is held into at a step; null for nothing. */
const warmthOf = ({ id }: RunStep): (typeof WARMTHS)[number] | null =>
  id.startsWith('lye/')
    ? 'lye'
    : id.startsWith('oils/')
      ? 'oils'
      : id.startsWith('combine/combine')
        ? 'batter'
        : null;

/** One step, large: amounts first, then what to see to; done with one touch of its lower third. */
export function BigStep(props: {
  readonly step: RunStep;
  readonly batchId: string;
  readonly steps: readonly RunStep[];
  readonly progress: Progress;
  readonly log: BenchLogOfBatch;
  readonly onDone: () => void;
  readonly onPot: (potId: string) => void;
  /** When a step was done by a touch last, by the clock of events, ms. */
  readonly touchedRef: RefObject<number>;
  /** Whether a weight before it has to be answered for first. */
  readonly isBlocked?: boolean;
  /** The line that is to be weighed again. */
  readonly again?: string | null;
}) {
  const {
    step,
    batchId,
    steps,
    progress,
    log,
    onDone,
    onPot,
    touchedRef,
    isBlocked = false,
    again = null,
  } = props;
  const { pots } = usePrep();
  const print = usePrinter();
  const pours = Math.max(...steps.map((s) => (s.sitting ?? 0) + 1));
  const late = neededLater(step, steps);
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const [leaving, setLeaving] = useState(false);
  const missing = missingBefore(step, steps, progress);
  // No lye amount before the checklist is ticked.
  const isHidden = missing.some((s) => s.kind === 'safety');
  const isReady = step.kind !== 'safety' || step.lines.every((l) => ticked.has(l.id));
  const isDone = progress.done.has(step.id);
  const pot = pots.find((p) => p.pot.id === step.potId);
  const done = (at: number): void => {
    // A second knock on the same place is the same knock, though another step stands there by now.
    if (at - touchedRef.current < SAME_TOUCH_MS) return;
    if (isHidden || isBlocked || !isReady || isDone || step.kind === 'decide') return;
    touchedRef.current = at;
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
        <p className="soft figure">
          {[
            step.sitting !== null && pours > 1 ? `Pour ${step.sitting + 1} of ${pours}` : '',
            step.minutes > 0 ? `about ${print.number(step.minutes, 0)} min` : '',
            step.helper === '' ? '' : `done by ${step.helper}`,
            step.tools,
          ]
            .filter(Boolean)
            .join(' · ')}
        </p>
        {late.length > 0 && (
          <p role="alert" className={styles.doubt}>
            It was moved before what it needs: {late.map((s) => s.title).join(', ')}.
          </p>
        )}
        {missing.length > 0 && (
          <p role="alert" className={styles.doubt}>
            Not done yet: {missing.map((s) => s.title).join(', ')}.
          </p>
        )}
        {step.id.startsWith('pour/') && progress.full === false && (
          <p className={styles.hint}>Decided: the simpler design. This is how it is poured.</p>
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
              <BigLine
                key={`${l.id} ${again === l.id}`}
                isOpen={again === l.id}
                line={l}
                weighed={progress.weighed.get(l.id)}
                onSay={log.say}
              />
            ))}
          </ul>
        )}
        {step.sign !== '' && <p className="soft">Right when: {step.sign}</p>}
        {step.reason !== '' && <p className="soft">Why: {step.reason}</p>}
        {isTimed(step) && !isHidden && <PotMinutes progress={progress} />}
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
          <ReadAloud step={isHidden ? { ...step, lines: [] } : step} />
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
        <LastLook batchId={batchId} stepId={step.id} />
        <MediaActs step={step.id} log={log} />
        {warmthOf(step) !== null && !isHidden && <WarmthActs of={warmthOf(step)!} onSay={log.say} />}
        {step.kind === 'decide' ? (
          <div className={styles.decide}>
            <Button
              type="primary"
              disabled={isBlocked}
              onClick={() => {
                decide(1);
              }}
            >
              Full design
            </Button>
            <Button
              disabled={isBlocked}
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
            disabled={isHidden || isBlocked || !isReady || isDone}
            onClick={(event) => {
              done(event.timeStamp);
            }}
          >
            {isDone ? 'Done already' : isBlocked ? t.blocked : 'Done'}
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
