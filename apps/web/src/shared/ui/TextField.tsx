import { Input } from 'antd';
import { useId } from 'react';

/** One line of text with its label, and its problem below it. */
export function TextField(props: {
  readonly label: string;
  readonly value: string;
  readonly maxLength: number;
  readonly error?: string;
  /** Takes the room that is left in its row. */
  readonly grow?: boolean;
  readonly onChange: (value: string) => void;
}) {
  const { label, value, maxLength, error } = props;
  const id = useId();
  return (
    <div className={props.grow ? 'field grow' : 'field'}>
      <label className="field-label" htmlFor={id}>
        {label}
      </label>
      <Input
        id={id}
        value={value}
        maxLength={maxLength}
        status={error ? 'error' : ''}
        aria-invalid={error ? true : undefined}
        aria-describedby={error ? `${id}-problem` : undefined}
        onChange={(e) => {
          props.onChange(e.target.value);
        }}
      />
      {error && (
        <div className="field-problem" role="alert" id={`${id}-problem`}>
          {error}
        </div>
      )}
    </div>
  );
}
