import { Button } from 'antd';
import { type MaterialWire } from '@kleur/contract';
import { useLearningsQuery } from '../../data/book.ts';
import { useDays } from '../../shared/hooks/useDays.ts';
import { usePrinter } from '../../shared/hooks/useSettings.ts';
import styles from './book.module.css';
import { percent } from './bookOf.ts';
import { type TakeOver } from './useTakeOver.ts';

/** The curves that were taken over of a colourant so far, and the way back to each. */
export function Learnings(props: { readonly material: MaterialWire; readonly takeOver: TakeOver }) {
  const { material, takeOver } = props;
  const { data = [] } = useLearningsQuery();
  const print = usePrinter();
  const days = useDays();
  const origin = material.curve?.origin;
  const own = data.flatMap(({ version, at, curves }) => {
    const curve = curves.find((c) => c.materialId === material.id);
    return curve ? [{ ...curve, version, at }] : [];
  });
  if (own.length === 0) return null;
  return (
    <>
      <h2>Taken over so far</h2>
      <ul className={styles.learnings}>
        {own.map(({ version, at, readings, spread, typicalMiss }) => (
          <li key={version}>
            <span>
              {days.text(days.dayOf(Date.parse(at)))}: from {readings === 1 ? 'one bar' : `${readings} bars`}
              {typicalMiss !== null && `, typical miss ΔE ${print.number(typicalMiss, 1)}`}, strength ±{' '}
              {percent(spread)}
            </span>
            {origin?.kind === 'fitted' && origin.version === version ? (
              <span className="soft">in use</span>
            ) : (
              <Button loading={takeOver.busy} onClick={() => void takeOver.back(version, material)}>
                Take this one back
              </Button>
            )}
          </li>
        ))}
      </ul>
    </>
  );
}
