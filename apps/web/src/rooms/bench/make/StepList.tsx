import { type Progress, type RunStep } from '@kleur/core/day';
import { CheckOutlined } from '../../../shared/ui/icons.tsx';
import styles from './make.module.css';

/** All steps of the day, each with how it stands; pressed, one is shown large. */
export function StepList(props: {
  readonly steps: readonly RunStep[];
  readonly progress: Progress;
  readonly current: string | null;
  readonly onPick: (id: string) => void;
}) {
  const { steps, progress, current, onPick } = props;
  const behind = steps.filter((s) => progress.done.has(s.id) || progress.skipped.has(s.id)).length;
  return (
    <section aria-label="All steps">
      <h3>
        All steps: {behind} of {steps.length} done or left out
      </h3>
      <ol className={styles.steps}>
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
