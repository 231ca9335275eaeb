import { Button } from 'antd';
import { type ReactNode, Suspense, useState } from 'react';

/** A part of the page that is rarely wanted: what it shows is loaded when it is opened. */
export function Fold(props: {
  readonly title: string;
  readonly open?: boolean;
  readonly children: ReactNode;
}) {
  const { title, children } = props;
  const [open, setOpen] = useState(props.open ?? false);
  return (
    <section aria-label={title}>
      <h3>
        <Button
          aria-expanded={open}
          onClick={() => {
            setOpen(!open);
          }}
        >
          {title}
        </Button>
      </h3>
      {open && <Suspense fallback={<p role="status">Opening…</p>}>{children}</Suspense>}
    </section>
  );
}
