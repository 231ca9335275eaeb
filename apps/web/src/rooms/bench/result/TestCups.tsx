import { type LogEntry, standing, testCupsOf } from '@kleur/core/day';
import { type Reading } from '@kleur/core/evidence';
import { TestCupWords } from '../TestCupWords.tsx';
import styles from './result.module.css';

/** Cups of the batter that were kept for the swatch book, and when they are read. */
export function TestCups(props: {
  readonly log: readonly LogEntry[];
  readonly readings: readonly Reading[];
}) {
  const cups = testCupsOf(standing(props.log));
  if (cups.length === 0) return null;
  return (
    <section aria-label="Test cups">
      <h2>Test cups</h2>
      <ul className={styles.cups}>
        {cups.map((cup) => {
          const count = props.readings.filter((r) => r.potId === cup.potId).length;
          return (
            <li key={cup.potId}>
              <TestCupWords cup={cup} />{' '}
              <span className="soft">
                {count === 0 ? 'Not read yet.' : count === 1 ? 'Read once.' : `Read ${count} times.`}
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
