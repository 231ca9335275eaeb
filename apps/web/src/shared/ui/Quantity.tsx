import { type ReactNode } from 'react';
import {
  LENGTH_DIGITS,
  lengthFromUnit,
  lengthInUnit,
  MASS_DIGITS,
  massFromUnit,
  massInUnit,
  poundsOf,
  temperatureFromUnit,
  temperatureInUnit,
  VOLUME_DIGITS,
  volumeFromUnit,
  volumeInUnit,
  volumeUnitOf,
} from '@kleur/core/units';
import { useSettings } from '../hooks/useSettings.ts';
import { NumberField, type NumberFieldProps } from './NumberField.tsx';

type QuantityProps = Omit<NumberFieldProps, 'suffix' | 'digits'>;

interface View {
  readonly unit: string;
  readonly digits: number;
  readonly into: (value: number) => number;
  readonly outOf: (value: number) => number;
  readonly read?: ((text: string) => number | null) | undefined;
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

/** A mass held in g. */
export function MassField(props: QuantityProps) {
  const { mass } = useSettings().units;
  return (
    <Quantity
      {...props}
      view={{
        unit: mass,
        digits: MASS_DIGITS[mass],
        into: (g) => massInUnit(g, mass),
        outOf: (v) => massFromUnit(v, mass),
        read: mass === 'lb' ? poundsOf : undefined,
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
