import { Button } from 'antd';
import { lazy, Suspense, useState } from 'react';
import { type Progress, type RunStep } from '@kleur/core/day';
import { CheckOutlined } from '../../../shared/ui/icons.tsx';
import styles from './make.module.css';

const DayEditor = lazy(() => import('./DayEditor.tsx').then((m) => ({ default: m.DayEditor })));

/** All steps of the day, each with how it stands; pressed, one is shown large. */
export function StepList(props: {
  readonly steps: readonly RunStep[];
  readonly progress: Progress;
  readonly current: string | null;
  readonly onPick: (id: string) => void;
}) {
  const { steps, progress, current, onPick } = props;
  const [changes, setChanges] = useState(false);
  const minutes = steps
    .filter((s) => !progress.done.has(s.id) && !progress.skipped.has(s.id))
    .reduce((sum, s) => sum + s.minutes, 0);
  const behind = steps.filter((s) => progress.done.has(s.id) || progress.skipped.has(s.id)).length;
  return (
    <section aria-label="All steps">
      <h3>
        All steps: {behind} of {steps.length} done or left out, about {sayMinutes(minutes)} of work to come
      </h3>
      <Button
        aria-expanded={changes}
        onClick={() => {
          setChanges(!changes);
        }}
      >
        {changes ? 'Back to the steps' : 'Move or add steps'}
      </Button>
      {changes && (
        <Suspense fallback={<p role="status">Opening…</p>}>
          <DayEditor steps={steps} />
        </Suspense>
      )}
      <ol hidden={changes} className={styles.steps}>
        {steps.map((s) => (
          <li key={s.id}>
            <button
              type="button"
              aria-current={s.id === current ? 'step' : undefined}
              onClick={() => {
                onPick(s.id);
              }}
            >
              <span aria-hidden>{progress.done.has(s.id) && <CheckOutlined />}</span>
              {s.title}
              {s.helper !== '' && <span className="soft"> {s.helper}</span>}
              <span className="soft">
                {progress.done.has(s.id) && ' done'}
                {progress.skipped.has(s.id) && ` left out: ${progress.skipped.get(s.id)!}`}
              </span>
            </button>
          </li>
        ))}
      </ol>
    </section>
  );
}

/** Minutes as hours and minutes. */
function sayMinutes(minutes: number): string {
  const whole = Math.round(minutes);
  const hours = Math.floor(whole / 60);
  return hours === 0 ? `${whole} min` : `${hours} h ${whole % 60} min`;
}
