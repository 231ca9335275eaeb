import { type KeyboardEvent, type ReactNode } from 'react';
import { useSearchParams } from 'react-router';
import { useKeys } from '../hooks/useKeys.ts';
import { KEYS } from '../keys.ts';

export interface Part<K extends string> {
  readonly key: K;
  readonly label: string;
  readonly mark?: ReactNode;
}

const PANEL = 'part-panel';
const tabId = (key: string): string => `part-${key}`;
/** Where an arrow, Home or End leads from one tab of a row. */
const MOVES: Readonly<Record<string, (at: number, count: number) => number>> = {
  ArrowRight: (at, count) => (at + 1) % count,
  ArrowLeft: (at, count) => (at + count - 1) % count,
  Home: () => 0,
  End: (_, count) => count - 1,
};

/** The parts of a step as tabs, the open one kept in the address; its content are the children. */
export function PartTabs<K extends string>(props: {
  readonly label: string;
  readonly parts: readonly Part<K>[];
  readonly current: K;
  /** Acts that belong to all the parts, at the end of the row. */
  readonly acts?: ReactNode;
  readonly children?: ReactNode;
}) {
  const { label, parts, current, acts, children } = props;
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
  const at = parts.findIndex((p) => p.key === current);
  useKeys({
    [KEYS.nextPart.key]: () => {
      open(parts[(at + 1) % parts.length]!.key);
    },
  });
  const onKeyDown = (event: KeyboardEvent): void => {
    const next = MOVES[event.key]?.(at, parts.length);
    if (next === undefined) return;
    event.preventDefault();
    const { key } = parts[next]!;
    open(key);
    document.getElementById(tabId(key))?.focus();
  };
  return (
    <>
      <div className="parts no-print">
        <div className="part-tabs" role="tablist" aria-label={label} onKeyDown={onKeyDown}>
          {parts.map((p) => (
            <button
              type="button"
              role="tab"
              key={p.key}
              id={tabId(p.key)}
              className="part"
              aria-selected={p.key === current}
              aria-controls={p.key === current ? PANEL : undefined}
              tabIndex={p.key === current ? 0 : -1}
              onClick={() => {
                open(p.key);
              }}
            >
              {p.label}
              {p.mark}
            </button>
          ))}
        </div>
        {acts && <span className="part-acts">{acts}</span>}
      </div>
      <div role="tabpanel" id={PANEL} aria-labelledby={tabId(current)}>
        {children}
      </div>
    </>
  );
}
