import { Input } from 'antd';
import { type KeyboardEvent, memo, type ReactNode, useId, useState } from 'react';
import { inRange, type NumberProblem, parseNumber } from '@kleur/core/units';
import { problemText } from '../form/numberProblem.ts';
import { useStable } from '../hooks/useStable.ts';
import { usePrinter } from '../hooks/useSettings.ts';

export interface NumberFieldProps {
  readonly label: string;
  readonly value: number | null;
  readonly onCommit: (value: number) => void;
  /** Called for an emptied field where that is allowed; without it an empty field is an error. */
  readonly onClear?: (() => void) | undefined;
  readonly min: number;
  readonly max: number;
  readonly digits?: number;
  /** Arrow keys move by this. */
  readonly step?: number;
  readonly suffix?: ReactNode;
  /** What stands in an empty field: the figure that counts without one. */
  readonly placeholder?: string | undefined;
  readonly hideLabel?: boolean;
  readonly width?: number | string;
  readonly disabled?: boolean;
  /** What other texts mean, in the unit of the field: null for what is read as a number. */
  readonly read?: ((text: string) => number | null) | undefined;
  /** How a value stands in the field, where that is more than a number. */
  readonly write?: ((value: number) => string) | undefined;
  readonly error?: string;
}

interface Draft {
  readonly text: string;
  /** The value the draft was typed over: when another arrives (undo), the draft is out of date. */
  readonly over: number | null;
  /** The value before anything was typed. */
  readonly start: number | null;
  readonly problem: NumberProblem | null;
}

/**
 * A number as text, with comma or point. A usable number is committed at once; one that is not stays in the
 * field with the reason beside it, and the last good value stands. Escape brings that back.
 */
export function NumberField(props: NumberFieldProps) {
  const onCommit = useStable(props.onCommit);
  const clear = useStable(() => props.onClear?.());
  return <Field {...props} onCommit={onCommit} onClear={props.onClear ? clear : undefined} />;
}

/** Rendered again only when what it shows has changed. */
const Field = memo(function Field(props: NumberFieldProps) {
  const { label, value, min, max, digits = 2, step, hideLabel, width, disabled, error } = props;
  const print = usePrinter();
  const id = useId();
  const [draft, setDraft] = useState<Draft | null>(null);
  const current = draft?.over === value ? draft : null;
  const written = (v: number): string => props.write?.(v) ?? print.number(v, digits).replace('−', '-');
  const shown = current ? current.text : value === null ? '' : written(value);

  const message = current?.problem ? problemText(current.problem, { min, max }, print) : error;

  const change = (text: string): void => {
    const meant = props.read?.(text) ?? null;
    const parsed =
      meant === null
        ? parseNumber(text, { min, max }, print.units.decimalMark)
        : inRange(meant, { min, max });
    const start = current ? current.start : value;
    if (parsed.ok) {
      setDraft({ text, over: parsed.value, start, problem: null });
      if (parsed.value !== value) props.onCommit(parsed.value);
    } else if (parsed.problem === 'empty' && props.onClear) {
      setDraft({ text, over: null, start, problem: null });
      if (value !== null) props.onClear();
    } else if (parsed.problem === 'ambiguous') {
      // What its first figures said was never meant.
      setDraft({ text, over: start, start, problem: parsed.problem });
      if (start !== null && start !== value) props.onCommit(start);
    } else {
      setDraft({ text, over: value, start, problem: parsed.problem });
    }
  };

  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.key === 'Escape' && current) {
      event.stopPropagation();
      setDraft(null);
    }
    const direction = { ArrowUp: 1, ArrowDown: -1 }[event.key];
    if (step === undefined || direction === undefined) return;
    event.preventDefault();
    const next = Math.min(max, Math.max(min, (value ?? 0) + direction * step));
    setDraft(null);
    props.onCommit(Number(next.toFixed(digits)));
  };

  return (
    <div className="field" style={{ width }}>
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'field-label'}>
        {label}
      </label>
      <Input
        id={id}
        className="figure"
        inputMode="decimal"
        autoComplete="off"
        value={shown}
        disabled={disabled}
        suffix={props.write ? undefined : props.suffix}
        placeholder={props.placeholder}
        status={message ? 'error' : ''}
        aria-invalid={message ? true : undefined}
        aria-describedby={message ? `${id}-problem` : undefined}
        onChange={(e) => {
          change(e.target.value);
        }}
        onBlur={() => {
          if (current && !current.problem) setDraft(null);
        }}
        onKeyDown={onKeyDown}
      />
      {message && (
        <div id={`${id}-problem`} className="field-problem" role="alert">
          {message}
        </div>
      )}
    </div>
  );
});
