import { type ReactNode } from 'react';
import { useSearchParams } from 'react-router';
import { useKeys } from '../hooks/useKeys.ts';
import { KEYS } from '../keys.ts';

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
  children,
}: {
  readonly label: string;
  readonly parts: readonly Part<K>[];
  readonly current: K;
  /** Acts that belong to all the parts, at the end of the row. */
  readonly children?: ReactNode;
}) {
  const [, setParams] = useSearchParams();
  const open = (part: K): void => {
    setParams(
      (before) => {
        before.set('part', part);
        return before;
      },
      { replace: true },
    );
  };
  useKeys({
    [KEYS.nextPart.key]: () => {
      const at = parts.findIndex((p) => p.key === current);
      open(parts[(at + 1) % parts.length]!.key);
    },
  });
  return (
    <nav className="parts no-print" aria-label={label}>
      {parts.map((p) => (
        <button
          type="button"
          key={p.key}
          className="part"
          aria-current={p.key === current ? 'page' : undefined}
          onClick={() => {
            open(p.key);
          }}
        >
          {p.label}
          {p.mark}
        </button>
      ))}
      {children && <span className="part-acts">{children}</span>}
    </nav>
  );
}
