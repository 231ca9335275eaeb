import { type KeyboardEvent, type ReactNode, useEffect, useId, useRef, useState } from 'react';
import styles from './EditableSentence.module.css';

/** A phrase of the sentence, and the fields that change it. */
export interface SentencePart {
  readonly key: string;
  /** What the phrase is about, for those who do not see the sentence as a whole. */
  readonly label: string;
  readonly text: string;
  readonly editor: ReactNode;
}

/**
 * Settings as one sentence: a phrase, pressed, opens its fields below the sentence and gives them the focus; pressed
 * again or left with Escape, they close and the focus returns to the phrase. One is open at a time.
 */
export function EditableSentence({
  label,
  parts,
}: {
  readonly label: string;
  readonly parts: readonly SentencePart[];
}) {
  const id = useId();
  const [open, setOpen] = useState<string | null>(null);
  const fields = useRef<HTMLDivElement>(null);
  const phrases = useRef(new Map<string, HTMLButtonElement>());
  const shown = parts.find((p) => p.key === open);
  const shownKey = shown?.key;
  useEffect(() => {
    if (shownKey !== undefined)
      fields.current?.querySelector<HTMLElement>('input, button, [tabindex="0"]')?.focus();
  }, [shownKey]);
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.key !== 'Escape' || event.defaultPrevented) return;
    event.stopPropagation();
    setOpen(null);
    if (open !== null) phrases.current.get(open)?.focus();
  };
  return (
    <div role="group" aria-label={label}>
      <p className={styles.sentence}>
        {parts.map(({ key, label: about, text }, i) => (
          <span key={key}>
            {i > 0 && <span aria-hidden> · </span>}
            <button
              ref={(el) => {
                if (el) phrases.current.set(key, el);
                else phrases.current.delete(key);
              }}
              type="button"
              className={styles.phrase}
              title={about}
              aria-label={`${about}: ${text}`}
              aria-expanded={key === open}
              aria-controls={key === open ? id : undefined}
              onClick={() => {
                setOpen(key === open ? null : key);
              }}
            >
              {i === 0 ? text.charAt(0).toUpperCase() + text.slice(1) : text}
            </button>
          </span>
        ))}
      </p>
      {shown && (
        <div ref={fields} id={id} className={styles.fields} onKeyDown={onKeyDown}>
          {shown.editor}
        </div>
      )}
    </div>
  );
}
