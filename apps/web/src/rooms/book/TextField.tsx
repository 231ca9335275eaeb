import { Input } from 'antd';

/** A line of text under its label. */
export function TextField(props: {
  readonly label: string;
  /** What it is called where the label alone says too little. */
  readonly name?: string;
  readonly maxLength: number;
  readonly placeholder?: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
}) {
  const { label, name = label, onChange, ...input } = props;
  return (
    <label>
      <span className="field-label">{label}</span>
      <Input
        aria-label={name}
        {...input}
        onChange={(e) => {
          onChange(e.target.value);
        }}
      />
    </label>
  );
}
