import { Input } from 'antd';
import { useId, useState } from 'react';
import { PLAN_LIMITS } from '@kleur/core/plan';
import { OWN_UNDO } from '../hooks/useKeys.ts';

/**
 * The name of a thing. Every usable text is committed as it is typed; an empty one stays in the field with the reason
 * and the last name stands, which comes back when the field is left.
 */
export function NameField(props: {
  readonly label: string;
  readonly value: string;
  readonly onCommit: (name: string) => void;
  readonly hideLabel?: boolean;
  /** How it looks where it is no field among others. */
  readonly bare?: boolean;
  readonly size?: 'small';
  readonly className?: string;
  readonly width?: number;
  /** Takes the room that is left in its row. */
  readonly grow?: boolean;
}) {
  const { label, value, onCommit, hideLabel, bare, size, className, width, grow } = props;
  const id = useId();
  const [text, setText] = useState<string | null>(null);
  const empty = text?.trim() === '';
  return (
    <div className={['field', grow && 'grow', className].filter(Boolean).join(' ')} style={{ width }}>
      <label className={hideLabel ? 'sr-only' : 'field-label'} htmlFor={id}>
        {label}
      </label>
      <Input
        {...OWN_UNDO}
        id={id}
        variant={bare ? 'borderless' : 'outlined'}
        {...(size && { size })}
        value={text ?? value}
        maxLength={PLAN_LIMITS.name}
        status={empty ? 'error' : ''}
        aria-invalid={empty ? true : undefined}
        aria-describedby={empty ? `${id}-problem` : undefined}
        onChange={(e) => {
          setText(e.target.value);
          if (e.target.value.trim() !== '') onCommit(e.target.value);
        }}
        onBlur={() => {
          setText(null);
        }}
      />
      {empty && (
        <div id={`${id}-problem`} className="field-problem" role="alert">
          A name is needed
        </div>
      )}
    </div>
  );
}
