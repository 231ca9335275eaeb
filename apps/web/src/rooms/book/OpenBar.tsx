import { Button } from 'antd';
import { lazy, Suspense, useState } from 'react';
import { Link } from 'react-router';
import { type BookEntry, type MaterialWire } from '@kleur/contract';
import { failureOf } from '../../data/api.ts';
import { useBarQuery } from '../../data/book.ts';
import { RemoveBar } from './RemoveBar.tsx';

const AddBar = lazy(() => import('./AddBar.tsx').then((m) => ({ default: m.AddBar })));

/** The ways into a bar: to its batch, or to what was told of it, which can be corrected or taken out of the book. */
export function OpenBar({
  bar,
  shelf,
}: {
  readonly bar: BookEntry;
  readonly shelf: readonly MaterialWire[];
}) {
  const [open, setOpen] = useState(false);
  if (bar.batchId !== null) return <Link to={`/batches/${bar.batchId}/result`}>Open batch</Link>;
  return (
    <>
      <Button
        size="small"
        aria-label={`Open the bar ${bar.potName}`}
        onClick={() => {
          setOpen(true);
        }}
      >
        Open
      </Button>
      <RemoveBar bar={bar} />
      {open && (
        <Suspense>
          <Opened
            id={bar.id}
            shelf={shelf}
            onClose={() => {
              setOpen(false);
            }}
          />
        </Suspense>
      )}
    </>
  );
}

function Opened(props: {
  readonly id: string;
  readonly shelf: readonly MaterialWire[];
  readonly onClose: () => void;
}) {
  const { id, shelf, onClose } = props;
  const { data: bar, error } = useBarQuery(id);
  if (error) return <p role="alert">{failureOf(error).message}</p>;
  return bar ? <AddBar key={id} shelf={shelf} of={null} bar={bar} onClose={onClose} /> : null;
}
