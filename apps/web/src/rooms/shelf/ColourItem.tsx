import { ColourPicker } from '../../shared/ui/ColourPicker.tsx';

/** The colour picker as the control of a form's field, which hands in value and handler. */
export function ColourItem(props: {
  readonly label?: string;
  readonly value?: string;
  readonly onPick?: (hex: string) => void;
}) {
  const { label = 'Colour', value = '#000000', onPick } = props;
  return (
    <ColourPicker
      value={value}
      label={`${label} ${value}: change it`}
      settled
      onPick={(hex) => onPick?.(hex)}
    />
  );
}
