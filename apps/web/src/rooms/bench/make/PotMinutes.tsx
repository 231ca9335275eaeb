import { useEffect, useState } from 'react';
import { type Progress, timeLeft } from '@kleur/core/day';
import { usePrinter } from '../../../shared/hooks/useSettings.ts';
import { usePlan } from '../state/useDerived.ts';
import styles from './make.module.css';

/** How often the minutes are counted anew, ms. */
const COUNT_EVERY = 15_000;

/** How long each pot still lasts for what is planned with it, the shortest first. */
export function PotMinutes({ progress }: { readonly progress: Progress }) {
  const plan = usePlan();
  const print = usePrinter();
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => {
      setNow(Date.now());
    }, COUNT_EVERY);
    return () => {
      clearInterval(timer);
    };
  }, []);
  const pots = timeLeft(plan, progress, now);
  if (pots.length === 0) return null;
  return (
    <ul className={styles.minutes} aria-label="Time left of each pot">
      {pots.map((p) => (
        <li key={p.potId} className={p.minutes < 3 ? styles.short : undefined}>
          {p.name}:{' '}
          <b className="figure">
            {p.minutes < 0.5 ? 'too thick by now' : `${print.number(p.minutes, 0)} min left`}
          </b>
        </li>
      ))}
    </ul>
  );
}
