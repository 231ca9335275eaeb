import { type KeyboardEvent, type ReactNode, useRef } from 'react';
import styles from './start.module.css';

export interface Choice {
  readonly key: string;
  readonly name: string;
  readonly about: string;
  readonly picture?: ReactNode;
}

/** One of a few things, each shown as a card. The arrow keys go from card to card, as in any radio group. */
export function ChoiceCards(props: {
  readonly label: string;
  readonly choices: readonly Choice[];
  readonly value: string;
  readonly onChoose: (key: string) => void;
}) {
  const { label, choices, value, onChoose } = props;
  const group = useRef<HTMLDivElement>(null);
  const onKeyDown = (event: KeyboardEvent): void => {
    const by = { ArrowLeft: -1, ArrowUp: -1, ArrowRight: 1, ArrowDown: 1 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    const at = choices.findIndex((c) => c.key === value);
    const next = (at + by + choices.length) % choices.length;
    onChoose(choices[next]!.key);
    group.current?.querySelectorAll<HTMLElement>('[role=radio]')[next]?.focus();
  };
  return (
    <div role="radiogroup" aria-label={label} className={styles.cards} ref={group} onKeyDown={onKeyDown}>
      {choices.map((c) => (
        <button
          key={c.key}
          type="button"
          role="radio"
          aria-checked={c.key === value}
          tabIndex={c.key === value ? 0 : -1}
          className={styles.card}
          onClick={() => {
            onChoose(c.key);
          }}
        >
          {c.picture}
          <b>{c.name}</b>
          <span className="soft small">{c.about}</span>
        </button>
      ))}
    </div>
  );
}
