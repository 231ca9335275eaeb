import { type KeyboardEvent, useRef } from 'react';
import { useSideways } from '../hooks/useSideways.ts';
import styles from './Slide.module.css';

/**
 * A range along a track. Keys and assistive tools use the input; pointers lie on the layer above it, where a finger
 * that scrolls the page changes nothing.
 */
export function Slide(props: {
  readonly label: string;
  readonly valueText?: string;
  readonly min?: number;
  readonly max?: number;
  readonly step: number;
  readonly value: number;
  readonly onChange: (value: number) => void;
  /** A pointer takes hold; a finger that has moved it lets go; the drag was taken away and has to be undone. */
  readonly onHold?: () => void;
  readonly onTouched?: () => void;
  readonly onCancel?: () => void;
  readonly onKeyDown?: (event: KeyboardEvent) => void;
}) {
  const { label, valueText, min = 0, max = 1, step, value, onChange } = props;
  const input = useRef<HTMLInputElement>(null);
  const before = useRef(value);
  const span = max - min;
  const digits = Math.max(0, Math.ceil(-Math.log10(step)));
  const valueAt = (at: number): number =>
    Number((min + Math.round((at * span) / step) * step).toFixed(digits));
  const pointers = useSideways({
    at: (value - min) / span,
    onMove: (at) => {
      const next = valueAt(at);
      if (next !== value) onChange(next);
    },
    onHold: () => {
      before.current = value;
      input.current?.focus({ preventScroll: true });
      props.onHold?.();
    },
    onTouched: () => props.onTouched?.(),
    onCancel: () => {
      if (props.onCancel) props.onCancel();
      else onChange(before.current);
    },
  });
  return (
    <div className={styles.slide}>
      <input
        ref={input}
        type="range"
        aria-label={label}
        aria-valuetext={valueText}
        min={min}
        max={max}
        step={step}
        value={value}
        onKeyDown={props.onKeyDown}
        onChange={(e) => {
          onChange(Number(e.target.value));
        }}
      />
      <div className={styles.pointers} {...pointers} />
    </div>
  );
}
