import { Button } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { type Timer } from '@kleur/core/day';
import styles from './make.module.css';
import { ring } from './ring.ts';

/** A timer that is over is shown for so long, ms, unless it is hidden. */
const SHOWN_AFTER = 30 * 60_000;
const RADIUS = 26;
const AROUND = 2 * Math.PI * RADIUS;

const clock = (ms: number): string => {
  const seconds = Math.max(0, Math.ceil(ms / 1000));
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
};

/** Every timer that runs or is just over, as a ring with the time that is left; the end is heard. */
export function Timers(props: { readonly timers: readonly Timer[]; readonly onHide: (id: string) => void }) {
  const { timers, onHide } = props;
  const [now, setNow] = useState(() => Date.now());
  const shown = timers.filter((t) => now < t.ends + SHOWN_AFTER);
  const runs = shown.length > 0;
  useEffect(() => {
    if (!runs) return;
    const timer = setInterval(() => {
      setNow(Date.now());
    }, 250);
    return () => {
      clearInterval(timer);
    };
  }, [runs]);
  // Only what ends while somebody is here is rung for.
  const waited = useRef(new Set<string>());
  useEffect(() => {
    for (const t of shown) {
      if (now < t.ends) waited.current.add(t.id);
      else if (waited.current.delete(t.id)) ring();
    }
  }, [now, shown]);
  if (!runs) return null;
  return (
    <ul className={styles.timers} aria-label="Timers">
      {shown.map((t) => {
        const left = t.ends - now;
        const part = Math.min(1, Math.max(0, left / (t.minutes * 60_000)));
        return (
          <li key={t.id} className={left <= 0 ? styles.over : undefined}>
            <svg viewBox="0 0 64 64" width="64" height="64" aria-hidden>
              <circle cx="32" cy="32" r={RADIUS} className={styles.ringBack} />
              <circle
                cx="32"
                cy="32"
                r={RADIUS}
                className={styles.ring}
                strokeDasharray={`${part * AROUND} ${AROUND}`}
                transform="rotate(-90 32 32)"
              />
            </svg>
            <span>
              {t.label}
              <b className="figure" role="timer">
                {left > 0 ? clock(left) : 'Time is up'}
              </b>
            </span>
            <Button
              onClick={() => {
                onHide(t.id);
              }}
            >
              {left > 0 ? 'Stop' : 'Hide'}
            </Button>
          </li>
        );
      })}
    </ul>
  );
}
