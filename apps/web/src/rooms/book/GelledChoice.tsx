import { Segmented } from 'antd';

/** Whether a bar gelled. */
export function GelledChoice(props: {
  readonly label: string;
  readonly gelled: boolean;
  readonly onChange: (gelled: boolean) => void;
}) {
  return (
    <Segmented<boolean>
      aria-label={props.label}
      value={props.gelled}
      onChange={props.onChange}
      options={[
        { value: true, label: 'gelled' },
        { value: false, label: 'did not gel' },
      ]}
    />
  );
}
