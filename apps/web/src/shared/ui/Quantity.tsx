import { type ReactNode, useState } from 'react';
import {
  LENGTH_DIGITS,
  lengthFromUnit,
  lengthInUnit,
  massDigits,
  massFromUnit,
  massInUnit,
  type MassUnit,
  poundsOf,
  temperatureFromUnit,
  temperatureInUnit,
  VOLUME_DIGITS,
  volumeFromUnit,
  volumeInUnit,
  volumeUnitOf,
} from '@kleur/core/units';
import { usePrinter, useSettings } from '../hooks/useSettings.ts';
import { NumberField, type NumberFieldProps } from './NumberField.tsx';

type QuantityProps = Omit<NumberFieldProps, 'suffix' | 'digits'>;

interface View {
  readonly unit: string;
  readonly digits: number;
  readonly into: (value: number) => number;
  readonly outOf: (value: number) => number;
  readonly read?: ((text: string) => number | null) | undefined;
  readonly write?: ((value: number) => string) | undefined;
}

/** A number field in the maker's unit over a value that is kept in the program's. */
function Quantity({ view, ...props }: QuantityProps & { readonly view: View }): ReactNode {
  const { value, min, max, step, onCommit } = props;
  return (
    <NumberField
      {...props}
      // Another unit is another field: what is half typed in one is not read in the other.
      key={view.unit}
      value={value === null ? null : view.into(value)}
      min={view.into(min)}
      max={view.into(max)}
      digits={view.digits}
      step={step === undefined ? undefined : niceStep(Math.abs(view.into(step) - view.into(0)))}
      suffix={view.unit}
      read={view.read}
      write={view.write}
      onCommit={(v) => {
        onCommit(view.outOf(v));
      }}
    />
  );
}

/** 1, 2 or 5 times a power of ten, the nearest below. */
function niceStep(step: number): number {
  const power = 10 ** Math.floor(Math.log10(step));
  const lead = step / power;
  return power * (lead >= 5 ? 5 : lead >= 2 ? 2 : 1);
}

const GRAMS_PER_KILO = 1000;

/** The unit of a field: who reads kilograms types less than one of them in grams, as the scale shows it. */
const fieldUnit = (mass: MassUnit, grams: number | null): MassUnit =>
  mass === 'kg' && grams !== null && Math.abs(grams) < GRAMS_PER_KILO ? 'g' : mass;

/**
 * A mass held in g.
 * @param usual about how much it will be, where the field is empty yet.
 */
export function MassField({ usual, ...props }: QuantityProps & { readonly usual?: number }) {
  const { units, measuring } = useSettings();
  const print = usePrinter();
  // Chosen once: a unit must not change under the fingers.
  const [first] = useState(props.value ?? usual ?? null);
  const unit = fieldUnit(units.mass, first);
  const isPounds = unit === 'lb';
  return (
    <Quantity
      {...props}
      view={{
        unit,
        digits: isPounds ? 4 : massDigits(unit, measuring.scaleDivision),
        into: (g) => massInUnit(g, unit),
        outOf: (v) => massFromUnit(v, unit),
        read: isPounds ? poundsOf : undefined,
        write: isPounds ? (v) => print.mass(massFromUnit(v, unit)) : undefined,
      }}
    />
  );
}

/** A volume held in ml. */
export function VolumeField(props: QuantityProps) {
  const unit = volumeUnitOf(useSettings().units.mass);
  return (
    <Quantity
      {...props}
      view={{
        unit,
        digits: VOLUME_DIGITS[unit],
        into: (ml) => volumeInUnit(ml, unit),
        outOf: (v) => volumeFromUnit(v, unit),
      }}
    />
  );
}

/** A length held in mm. */
export function LengthField(props: QuantityProps) {
  const { length } = useSettings().units;
  return (
    <Quantity
      {...props}
      view={{
        unit: length,
        digits: LENGTH_DIGITS[length],
        into: (mm) => lengthInUnit(mm, length),
        outOf: (v) => lengthFromUnit(v, length),
      }}
    />
  );
}

/** A temperature held in °C. */
export function TemperatureField(props: QuantityProps) {
  const { temperature } = useSettings().units;
  return (
    <Quantity
      {...props}
      view={{
        unit: `°${temperature}`,
        digits: 0,
        into: (c) => temperatureInUnit(c, temperature),
        outOf: (v) => temperatureFromUnit(v, temperature),
      }}
    />
  );
}
