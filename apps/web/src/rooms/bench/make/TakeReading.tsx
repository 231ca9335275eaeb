import { Button } from 'antd';
import { type LogEntry } from '@kleur/core/day';
import { type Instrument } from '../../../data/instrument.ts';
import { useInstrument } from './useInstrument.ts';

/** What an entry says of where its value comes from. */
export type ReadFrom = Pick<LogEntry, 'simulated'>;

/** Takes what an instrument shows, once it is at rest; nothing without one. */
export function TakeReading(props: {
  readonly from: Instrument;
  readonly label: string;
  readonly print: (value: number) => string;
  readonly onTake: (value: number, from: ReadFrom) => void;
}) {
  const { from, label, print, onTake } = props;
  const { reading, isSimulated } = useInstrument(from);
  if (!reading) return null;
  const isUsable = reading.steady && !reading.overload && reading.value >= 0;
  return (
    <Button
      disabled={!isUsable}
      aria-label={`${label}: take what the instrument shows`}
      onClick={() => {
        onTake(reading.value, isSimulated ? { simulated: true } : {});
      }}
    >
      {reading.overload ? 'Too much on it' : isUsable ? `Take ${print(reading.value)}` : 'Waiting for rest…'}
      {isSimulated && ' (simulated)'}
    </Button>
  );
}
