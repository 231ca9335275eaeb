import { Input } from 'antd';
import { type ComponentProps, type KeyboardEvent, type ReactNode, useRef, useState } from 'react';
import { parseNumber } from '@kleur/core/units';
import { usePrinter } from '../hooks/useSettings.ts';

/** What a number field of a form holds: a number, nothing, or a text that is no number. */
export type NumberEntry = number | null | string;

/**
 * A number as text, with comma or point: the control of a form's field. What is no number is told as it was typed, for
 * the rules to refuse.
 */
export function NumberInput(
  props: Omit<ComponentProps<typeof Input>, 'value' | 'onChange' | 'suffix'> & {
    readonly value?: NumberEntry;
    readonly onChange?: (value: NumberEntry) => void;
    readonly digits?: number;
    /** Arrow keys move by this. */
    readonly step?: number | undefined;
    readonly min?: number;
    readonly max?: number;
    readonly suffix?: ReactNode;
  },
) {
  const { value = null, onChange, digits = 2, step, min = -Infinity, max = Infinity, ...rest } = props;
  const print = usePrinter();
  // The text as typed: “2.” and “2,0” are the same number, and must not change under the fingers.
  const [typed, setTyped] = useState<{ readonly text: string; readonly value: NumberEntry } | null>(null);
  const written = (v: NumberEntry): string =>
    v === null ? '' : typeof v === 'string' ? v : print.number(v, digits).replace('−', '-');
  const shown = typed && isSame(typed.value, value) ? typed.text : written(value);

  const change = (text: string): void => {
    const parsed = parseNumber(text, { min: -Infinity, max: Infinity }, print.units.decimalMark);
    const next = parsed.ok ? parsed.value : parsed.problem === 'empty' ? null : text;
    setTyped({ text, value: next });
    onChange?.(next);
  };
  // What Escape brings back: the field as it was when it was entered.
  const before = useRef<NumberEntry>(null);
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.key === 'Escape' && typed) {
      event.stopPropagation();
      setTyped(null);
      onChange?.(before.current);
    }
    const direction = { ArrowUp: 1, ArrowDown: -1 }[event.key];
    if (step === undefined || direction === undefined || typeof value === 'string') return;
    event.preventDefault();
    setTyped(null);
    onChange?.(Number(Math.min(max, Math.max(min, (value ?? 0) + direction * step)).toFixed(digits)));
  };
  return (
    <Input
      {...rest}
      className="figure"
      inputMode="decimal"
      autoComplete="off"
      value={shown}
      onChange={(e) => {
        change(e.target.value);
      }}
      onFocus={() => {
        before.current = value;
      }}
      onBlur={() => {
        setTyped(null);
      }}
      onKeyDown={onKeyDown}
    />
  );
}

/** Equal but for what a change of units and back loses. */
const isSame = (a: NumberEntry, b: NumberEntry): boolean =>
  a === b ||
  (typeof a === 'number' && typeof b === 'number' && Math.abs(a - b) <= 1e-9 * Math.max(1, Math.abs(a)));
