import { Button } from 'antd';
import { type Instrument, scale, type Source, thermometer } from '../../../data/instrument.ts';
import {
  hasSerial,
  serialScale,
  serialThermometer,
  simulatedScale,
  simulatedThermometer,
} from '../../../data/instrumentSources.ts';
import { usePrinter, useSettings } from '../../../shared/hooks/useSettings.ts';
import styles from './make.module.css';
import { useInstrument } from './useInstrument.ts';

/** What is put onto the simulated scale, g. */
const LOADS = [1, 10, 100, 500, -100];
/** What the simulated thermometer is held into, °C. */
const WARMTHS = [24, 32, 38, 60];

/** The scale and the thermometer at the bench: real ones by a serial port, or simulated. */
export function Instruments() {
  const print = usePrinter();
  return (
    <>
      <One
        name="Scale"
        instrument={scale}
        simulated={simulatedScale}
        real={serialScale}
        print={(v) => print.mass(v)}
        puts={LOADS.map((g) => [g > 0 ? `+ ${print.mass(g)}` : `− ${print.mass(-g)}`, g])}
      />
      <One
        name="Thermometer"
        instrument={thermometer}
        simulated={simulatedThermometer}
        real={serialThermometer}
        print={(v) => print.temperature(v)}
        puts={WARMTHS.map((c) => [print.temperature(c), c])}
      />
    </>
  );
}

function One(props: {
  readonly name: string;
  readonly instrument: Instrument;
  readonly simulated: () => Source;
  readonly real: () => Source;
  readonly print: (value: number) => string;
  readonly puts: readonly (readonly [label: string, value: number])[];
}) {
  const { name, instrument, simulated, real, print, puts } = props;
  const { status, reading, isSimulated, canTare } = useInstrument(instrument);
  const { simulated: offersSimulated } = useSettings();
  const isOn = status === 'live' || status === 'opening';
  return (
    <div role="group" aria-label={name} className={styles.taps}>
      <span>
        {name}:{' '}
        <b className="figure">
          {reading === null
            ? {
                off: 'none',
                opening: 'looking for it…',
                live: '',
                lost: 'unplugged',
                refused: 'cannot be opened',
              }[status]
            : reading.overload
              ? 'too much on it'
              : print(reading.value)}
        </b>
        {reading && !reading.overload && (
          <span className="soft"> {reading.steady ? 'at rest' : 'moving'}</span>
        )}
        {isSimulated && <span className="soft"> (simulated)</span>}
      </span>
      {!isOn && (
        <>
          {hasSerial() && <Button onClick={() => void instrument.connect(real())}>Connect by USB</Button>}
          {offersSimulated && (
            <Button onClick={() => void instrument.connect(simulated())}>Simulate one</Button>
          )}
        </>
      )}
      {isOn && canTare && (
        <Button
          onClick={() => {
            instrument.tare();
          }}
        >
          Tare
        </Button>
      )}
      {isOn &&
        isSimulated &&
        puts.map(([label, value]) => (
          <Button
            key={label}
            onClick={() => {
              instrument.put(value);
            }}
          >
            {label}
          </Button>
        ))}
      {status !== 'off' && (
        <Button
          onClick={() => {
            instrument.disconnect();
          }}
        >
          {isOn ? 'Disconnect' : 'Forget it'}
        </Button>
      )}
    </div>
  );
}
