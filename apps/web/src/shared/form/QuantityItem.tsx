import {
  LENGTH_DIGITS,
  lengthInUnit,
  massDigits,
  massInUnit,
  VOLUME_DIGITS,
  volumeInUnit,
  volumeUnitOf,
} from '@kleur/core/units';
import { useSettings } from '../hooks/useSettings.ts';
import { NumberItem } from './NumberItem.tsx';

interface QuantityItemProps {
  readonly name: string;
  readonly label: string;
  readonly width: number;
  /** In the unit that is stored. */
  readonly min: number;
  readonly max: number;
  readonly optional?: boolean;
}

/** A quantity in a form, stored in one unit and shown in the maker's: so many of it are one stored unit. */
function QuantityItem(
  props: QuantityItemProps & {
    readonly unit: string;
    readonly scale: number;
    readonly digits: number;
    readonly step: number;
  },
) {
  const { unit, scale, min, max, ...rest } = props;
  return (
    <NumberItem
      // Another unit is another field: what is half typed in one is not read in the other.
      key={unit}
      {...rest}
      min={min * scale}
      max={max * scale}
      scale={scale}
      suffix={unit}
    />
  );
}

/** A length in a form, held in mm. */
export function LengthItem(props: QuantityItemProps) {
  const { length: unit } = useSettings().units;
  const step = unit === 'mm' ? 1 : 0.05;
  return (
    <QuantityItem
      {...props}
      unit={unit}
      scale={lengthInUnit(1, unit)}
      digits={LENGTH_DIGITS[unit]}
      step={step}
    />
  );
}

/** A volume in a form, held in ml. */
export function VolumeItem(props: QuantityItemProps) {
  const unit = volumeUnitOf(useSettings().units.mass);
  const step = unit === 'ml' ? 5 : 0.1;
  return (
    <QuantityItem
      {...props}
      unit={unit}
      scale={volumeInUnit(1, unit)}
      digits={VOLUME_DIGITS[unit]}
      step={step}
    />
  );
}

/** A mass in a form, held in g. */
export function MassItem(props: QuantityItemProps) {
  const { units, measuring } = useSettings();
  // Pounds are never told in decimals.
  const unit = units.mass === 'lb' ? 'oz' : units.mass;
  const digits = massDigits(unit, measuring.scaleDivision);
  return (
    <QuantityItem
      {...props}
      unit={unit}
      scale={massInUnit(1, unit)}
      digits={digits}
      step={unit === 'g' ? 0.1 : 10 ** (1 - digits)}
    />
  );
}
