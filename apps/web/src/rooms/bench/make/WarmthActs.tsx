import { Button } from 'antd';
import { type WARMTHS } from '@kleur/core/day';
import { PLAN_LIMITS } from '@kleur/core/plan';
import { useState } from 'react';
import { usePrinter } from '../../../shared/hooks/useSettings.ts';
import { TemperatureField } from '../../../shared/ui/Quantity.tsx';
import { thermometer } from '../../../data/instrument.ts';
import { usePlan } from '../state/useDerived.ts';
import styles from './make.module.css';
import { type ReadFrom, TakeReading } from './TakeReading.tsx';
import { type BenchLogOfBatch } from './useBenchLog.ts';

/** Offered beside what is planned, °C. */
const BESIDE = [-4, -2, 0, 2, 4];

/** How warm something is, by one touch near what was planned or typed. */
export function WarmthActs(props: {
  readonly of: (typeof WARMTHS)[number];
  readonly onSay: BenchLogOfBatch['say'];
}) {
  const { of, onSay } = props;
  const { base } = usePlan();
  const print = usePrinter();
  const [other, setOther] = useState<number | null>(null);
  const say = (value: number, from: ReadFrom = {}): void => {
    onSay({ kind: 'warmth', target: of, value, ...from });
  };
  return (
    <div className={styles.taps} role="group" aria-label={`Temperature of the ${of}`}>
      <span className="soft">Thermometer in the {of}:</span>
      {BESIDE.map((by) => base.temperature + by)
        .filter((c) => c >= 0)
        .map((c) => (
          <Button
            key={c}
            onClick={() => {
              say(c);
            }}
          >
            {print.temperature(c)}
          </Button>
        ))}
      <TakeReading
        from={thermometer}
        label={`Temperature of the ${of}`}
        print={(c) => print.temperature(c)}
        onTake={say}
      />
      <TemperatureField
        label={`Temperature of the ${of}`}
        hideLabel
        width={110}
        value={other}
        {...PLAN_LIMITS.temperature}
        placeholder="other"
        onCommit={setOther}
        onClear={() => {
          setOther(null);
        }}
      />
      <Button
        disabled={other === null}
        onClick={() => {
          say(other!);
          setOther(null);
        }}
      >
        Note it
      </Button>
    </div>
  );
}
