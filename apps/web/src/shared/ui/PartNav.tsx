import { type ReactNode } from 'react';
import { useSearchParams } from 'react-router';

export interface Part<K extends string> {
  readonly key: K;
  readonly label: string;
  readonly mark?: ReactNode;
}

/** The parts of a step, one open at a time. */
export function PartNav<K extends string>({
  label,
  parts,
  current,
}: {
  readonly label: string;
  readonly parts: readonly Part<K>[];
  readonly current: K;
}) {
  const [, setParams] = useSearchParams();
  return (
    <nav className="parts no-print" aria-label={label}>
      {parts.map((p) => (
        <button
          type="button"
          key={p.key}
          className="part"
          aria-current={p.key === current ? 'page' : undefined}
          onClick={() => {
            setParams(
              (before) => {
                before.set('part', p.key);
                return before;
              },
              { replace: true },
            );
          }}
        >
          {p.label}
          {p.mark}
        </button>
      ))}
    </nav>
  );
}
