import { QuestionCircleOutlined } from '@ant-design/icons';
import { Popover } from 'antd';
import { type ReactNode } from 'react';

/** A figure's arithmetic, one tap away. The lines are only worked out when it is opened. */
export function Why({ of, lines }: { readonly of: string; readonly lines: () => readonly string[] }) {
  return (
    <Popover
      trigger="click"
      destroyOnHidden
      title={`Why: ${of}`}
      content={<WhyLines lines={lines} />}
      styles={{ root: { maxWidth: 520 } }}
    >
      <button type="button" className="why no-print" aria-label={`Why: ${of}`} title="Why?">
        <QuestionCircleOutlined />
      </button>
    </Popover>
  );
}

function WhyLines({ lines }: { readonly lines: () => readonly string[] }) {
  return (
    <ol className="why-lines figure">
      {lines().map((line, i) => (
        <li key={i}>{line}</li>
      ))}
    </ol>
  );
}

/** A named figure with its arithmetic. */
export function Figure(props: {
  readonly label: string;
  readonly children: ReactNode;
  readonly why?: () => readonly string[];
}) {
  return (
    <div>
      <dt>
        {props.label}
        {props.why && <Why of={props.label} lines={props.why} />}
      </dt>
      <dd>{props.children}</dd>
    </div>
  );
}
