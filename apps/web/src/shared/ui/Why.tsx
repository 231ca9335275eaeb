import { memo } from 'react';
import { useStable } from '../hooks/useStable.ts';
import { QuestionCircleOutlined } from './icons.tsx';
import { Popover } from 'antd';
import { type ReactNode } from 'react';

/** A figure's arithmetic, one tap away. The lines are only worked out when it is opened. */
export function Why({ of, lines }: WhyProps) {
  return <WhyButton of={of} lines={useStable(lines)} />;
}

interface WhyProps {
  readonly of: string;
  readonly lines: () => readonly string[];
}

/** Rendered once: the lines are asked for when it is opened. */
const WhyButton = memo(function WhyButton({ of, lines }: WhyProps) {
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
});

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
export function Figure(props: FigureProps) {
  const why = useStable(() => props.why?.() ?? []);
  return (
    <FigureBody label={props.label} weighed={props.weighed} why={props.why ? why : undefined}>
      {props.children}
    </FigureBody>
  );
}

interface FigureProps {
  readonly label: string;
  readonly children: ReactNode;
  /** What is put on the scale: the largest figure of its panel. */
  readonly weighed?: boolean | undefined;
  readonly why?: (() => readonly string[]) | undefined;
}

const FigureBody = memo(function FigureBody({ label, weighed, why, children }: FigureProps) {
  return (
    <div className={weighed ? 'weighed' : undefined}>
      <dt>
        {label}
        {why && <Why of={label} lines={why} />}
      </dt>
      <dd>{children}</dd>
    </div>
  );
});
