import { Button } from 'antd';
import { useState } from 'react';
import { type Cup } from '@kleur/core/day';
import { PLAN_LIMITS } from '@kleur/core/plan';
import { type NewEntry } from '../../../data/benchLog.ts';
import { scale } from '../../../data/instrument.ts';
import { usePrinter } from '../../../shared/hooks/useSettings.ts';
import { NumberField } from '../../../shared/ui/NumberField.tsx';
import styles from './make.module.css';
import { TakeReading } from './TakeReading.tsx';

const PARTS = [
  [0.25, '¼'],
  [0.5, '½'],
  [0.75, '¾'],
] as const;
/** More of a cup than this was left, as a fraction of it, is asked about. */
const ASK_BEYOND = 0.02;
/** Another amount than the whole cup is told from here on, as a fraction of it. */
const TELL_BEYOND = 0.03;

type Amount = Pick<NewEntry, 'by' | 'value' | 'simulated'>;

/** One prepared cup: how much of it is left, and what was taken of it, by one touch. */
export function CupCard(props: {
  readonly cup: Cup;
  readonly left: number;
  /** Fraction of the cup that the pot needs as it is now; null once anything of it was used. */
  readonly needed: number | null;
  readonly onSay: (amount: Amount) => void;
}) {
  const { cup, left, needed, onSay } = props;
  const print = usePrinter();
  const [doubt, setDoubt] = useState<Amount | null>(null);
  const [weighs, setWeighs] = useState<number | null>(null);
  const full = cup.powder + cup.liquid;
  const say = (amount: Amount, part: number): void => {
    if (part > left + ASK_BEYOND) setDoubt(amount);
    else onSay(amount);
  };
  const drops = (n: number): void => {
    say({ by: 'drops', value: n }, (n * cup.dropMass) / full);
  };
  return (
    <li className={styles.cup} aria-label={`Cup of ${cup.material.name}`}>
      <span className={styles.glass} aria-hidden>
        <i style={{ height: `${100 * Math.min(1, Math.max(0, left))}%` }} />
      </span>
      <div>
        <b>{cup.material.name}</b>{' '}
        <span className="soft figure">
          {print.grams(cup.powder)}
          {cup.liquid > 0 && ` in ${print.grams(cup.liquid)}`} · {print.percent(Math.max(0, left) * 100, 0)}{' '}
          left
        </span>
        {needed !== null && Math.abs(needed - 1) > TELL_BEYOND && (
          <p className={styles.hint}>
            {needed < 1
              ? `Use about ${print.percent(needed * 100, 0)} of it: the pot is smaller than planned.`
              : `The pot needs ${print.percent((needed - 1) * 100, 0)} more than this cup: it is larger than planned.`}
          </p>
        )}
        {doubt ? (
          <div role="alert" className={styles.doubt}>
            <p>That is more than was left in this cup. Did it all go in?</p>
            <Button
              onClick={() => {
                onSay(doubt);
                setDoubt(null);
              }}
            >
              Yes, it went in
            </Button>
            <Button
              onClick={() => {
                setDoubt(null);
              }}
            >
              No
            </Button>
          </div>
        ) : (
          <div className={styles.taps} role="group" aria-label={`Added from the cup of ${cup.material.name}`}>
            {PARTS.map(([part, label]) => (
              <Button
                key={part}
                aria-label={`${label} of the cup`}
                onClick={() => {
                  say({ by: 'part', value: part }, part);
                }}
              >
                + {label}
              </Button>
            ))}
            <Button
              disabled={left <= 0}
              onClick={() => {
                onSay({ by: 'rest', value: 0 });
              }}
            >
              The rest
            </Button>
            {cup.liquid > 0 && (
              <>
                <Button
                  onClick={() => {
                    drops(1);
                  }}
                >
                  + 1 drop
                </Button>
                <Button
                  onClick={() => {
                    drops(5);
                  }}
                >
                  + 5 drops
                </Button>
              </>
            )}
            <TakeReading
              from={scale}
              label={`Cup of ${cup.material.name} weighs now`}
              print={(g) => print.grams(g)}
              onTake={(value, from) => {
                onSay({ by: 'left', value, ...from });
              }}
            />
            <NumberField
              label={`Cup of ${cup.material.name} weighs now`}
              hideLabel
              width={150}
              value={weighs}
              digits={2}
              min={0}
              max={PLAN_LIMITS.mass.max}
              placeholder="weighs now"
              suffix="g"
              onCommit={setWeighs}
              onClear={() => {
                setWeighs(null);
              }}
            />
            <Button
              disabled={weighs === null}
              onClick={() => {
                onSay({ by: 'left', value: weighs! });
                setWeighs(null);
              }}
            >
              Weighed back
            </Button>
          </div>
        )}
      </div>
    </li>
  );
}
