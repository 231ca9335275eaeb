import { Form } from 'antd';
import { type ReactNode } from 'react';
import { usePrinter } from '../hooks/useSettings.ts';
import { entryProblem, type EntryRange } from './entryProblem.ts';
import { type NumberEntry, NumberInput } from './NumberInput.tsx';

/** A number in a form, with its label, its range, and the reason below it when it is refused. */
export function NumberItem(
  props: EntryRange & {
    readonly name: string | (string | number)[];
    readonly label: string;
    readonly digits?: number;
    readonly step?: number;
    readonly suffix?: ReactNode;
    readonly width?: number;
    readonly hideLabel?: boolean;
    /** The stored value is shown times this: 100 for a share shown in per cent. */
    readonly scale?: number;
  },
) {
  const {
    name,
    label,
    min,
    max,
    optional = false,
    digits,
    step,
    suffix,
    width,
    hideLabel,
    scale = 1,
  } = props;
  const print = usePrinter();
  const times = (v: NumberEntry | undefined, factor: number): NumberEntry =>
    typeof v === 'number' ? v * factor : (v ?? null);
  return (
    <Form.Item
      name={name}
      {...(hideLabel ? {} : { label })}
      style={{ width }}
      validateFirst
      rules={[
        {
          validator: (_rule, value: NumberEntry | undefined) => {
            const problem = entryProblem(times(value, scale), { min, max, optional }, print);
            return problem === null ? Promise.resolve() : Promise.reject(new Error(problem));
          },
        },
      ]}
      getValueProps={(value: NumberEntry | undefined) => ({ value: times(value, scale) })}
      getValueFromEvent={(value: NumberEntry) => times(value, 1 / scale)}
    >
      <NumberInput
        min={min}
        max={max}
        {...(digits !== undefined && { digits })}
        {...(hideLabel && { 'aria-label': label })}
        step={step}
        suffix={suffix}
      />
    </Form.Item>
  );
}
