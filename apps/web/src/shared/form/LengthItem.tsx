import { lengthInUnit, LENGTH_DIGITS } from '@kleur/core/units';
import { useSettings } from '../hooks/useSettings.ts';
import { NumberItem } from './NumberItem.tsx';

/** A length in a form, held in mm and shown in the maker's unit. */
export function LengthItem(props: {
  readonly name: string;
  readonly label: string;
  readonly width: number;
  /** In mm. */
  readonly min: number;
  readonly max: number;
}) {
  const { length: unit } = useSettings().units;
  const scale = lengthInUnit(1, unit);
  return (
    <NumberItem
      // Another unit is another field: what is half typed in one is not read in the other.
      key={unit}
      {...props}
      min={props.min * scale}
      max={props.max * scale}
      scale={scale}
      digits={LENGTH_DIGITS[unit]}
      step={unit === 'mm' ? 1 : 0.05}
      suffix={unit}
    />
  );
}
