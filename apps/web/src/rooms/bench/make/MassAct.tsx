import { Button } from 'antd';
import { useState } from 'react';
import { PLAN_LIMITS } from '@kleur/core/plan';
import { scale } from '../../../data/instrument.ts';
import { usePrinter } from '../../../shared/hooks/useSettings.ts';
import { MassField } from '../../../shared/ui/Quantity.tsx';
import { type ReadFrom, TakeReading } from './TakeReading.tsx';

/** A mass that counts once it is confirmed. */
export function MassAct({
  label,
  act,
  onSay,
  usual,
}: {
  readonly label: string;
  readonly act: string;
  readonly onSay: (grams: number, from: ReadFrom) => void;
  /** About how much it will be, g. */
  readonly usual?: number;
}) {
  const print = usePrinter();
  const [mass, setMass] = useState<number | null>(null);
  return (
    <>
      <TakeReading from={scale} label={label} print={(g) => print.mass(g)} onTake={onSay} />
      <MassField
        label={label}
        hideLabel
        width={150}
        value={mass}
        {...(usual !== undefined && { usual })}
        min={0}
        max={PLAN_LIMITS.mass.max}
        placeholder={label.toLowerCase()}
        onCommit={setMass}
        onClear={() => {
          setMass(null);
        }}
      />
      <Button
        disabled={mass === null}
        onClick={() => {
          onSay(mass!, {});
          setMass(null);
        }}
      >
        {act}
      </Button>
    </>
  );
}
