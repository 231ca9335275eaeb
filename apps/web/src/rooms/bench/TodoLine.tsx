import { Button } from 'antd';
import { memo, useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { type TodoPart, todoOf } from '@kleur/core/start';
import { CheckOutlined, CloseOutlined } from '../../shared/ui/icons.tsx';
import { useHead, usePlanPart } from './state/useDerived.ts';

const PARTS: Readonly<
  Record<TodoPart, { readonly label: string; readonly path: string; readonly part?: string }>
> = {
  oils: { label: 'Oils', path: 'base', part: 'oils' },
  mould: { label: 'Mould', path: 'base', part: 'mould' },
  pots: { label: 'Pots', path: 'pots' },
  scent: { label: 'Scent, if any', path: 'base', part: 'scent' },
  print: { label: 'Print the sheet', path: 'prep', part: 'sheet' },
};

/** What an open plan still lacks, each with the way there. It can be put away, and is gone once the batch is poured. */
export const TodoLine = memo(function TodoLine() {
  // As one text, so that it is rendered again only when something is done.
  const done = usePlanPart((p) => [...todoOf(p)].map(([part, is]) => `${part}${is ? '+' : ''}`).join());
  const { state } = useHead();
  const [away, setAway] = useState(false);
  const navigate = useNavigate();
  const [params] = useSearchParams();
  if (away || (state !== 'idea' && state !== 'planned')) return null;
  const items = done.split(',').map((text) => ({
    part: text.replace('+', '') as TodoPart,
    done: text.endsWith('+'),
  }));
  const next = items.find((i) => !i.done && i.part !== 'scent')!.part;
  return (
    <nav className="todo no-print" aria-label="Still to do">
      <ol>
        {items.map(({ part, done: isDone }) => {
          const { label, path, part: section } = PARTS[part];
          return (
            <li key={part} className={part === next ? 'todo-next' : ''}>
              <button
                type="button"
                aria-current={part === next ? 'step' : undefined}
                onClick={() => {
                  const search = new URLSearchParams(params);
                  if (section) search.set('part', section);
                  else search.delete('part');
                  void navigate({ pathname: path, search: search.toString() });
                }}
              >
                {isDone && <CheckOutlined aria-label="done:" />} {label}
              </button>
            </li>
          );
        })}
      </ol>
      <Button
        type="text"
        size="small"
        icon={<CloseOutlined />}
        aria-label="Hide this line"
        title="Hide"
        onClick={() => {
          setAway(true);
        }}
      />
    </nav>
  );
});
