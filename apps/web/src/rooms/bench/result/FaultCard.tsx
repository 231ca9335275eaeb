import { Button, Input } from 'antd';
import { useState } from 'react';
import { type BatchFacts, causesOf, type NextTime, type RankedCause, RESCUES } from '@kleur/core/causes';
import { type Pot } from '@kleur/core/plan';
import { faultById, type FaultSeen, RECORD_LIMITS } from '@kleur/core/record';
import { CloseOutlined } from '../../../shared/ui/icons.tsx';
import { FaultPicture } from './FaultPicture.tsx';
import styles from './result.module.css';

const LIKELY: Readonly<Record<RankedCause['likely'], string>> = {
  likely: 'Likely',
  possible: 'Possible',
  unlikely: 'Hardly',
};
/** So many causes are shown at first, if they are no mere possibilities. */
const FIRST = 3;

/** One fault that was seen: where, why most likely, what helps now and next time. */
export function FaultCard(props: {
  readonly seen: FaultSeen;
  readonly facts: BatchFacts;
  readonly pots: readonly Pot[];
  readonly busy: boolean;
  readonly onChange: (change: Partial<Pick<FaultSeen, 'potIds' | 'text'>>) => void;
  readonly onRemove: () => void;
  readonly onNext: (next: NextTime) => void;
}) {
  const { seen, facts, pots, busy, onChange, onRemove, onNext } = props;
  const [all, setAll] = useState(false);
  const [text, setText] = useState(seen.text);
  const fault = faultById(seen.fault);
  const ranked = causesOf(facts, seen);
  const worth = ranked.filter((c, i) => i === 0 || c.likely !== 'unlikely').slice(0, FIRST);
  const shown = all ? ranked : worth;
  const toggle = (id: string): void => {
    onChange({
      potIds: seen.potIds.includes(id) ? seen.potIds.filter((p) => p !== id) : [...seen.potIds, id],
    });
  };
  return (
    <article className={styles.faultCard} aria-label={fault.name}>
      <header>
        <FaultPicture fault={seen.fault} />
        <div>
          <h3>{fault.name}</h3>
          <p className="soft">{fault.looks}</p>
        </div>
        <Button
          type="text"
          icon={<CloseOutlined />}
          aria-label={`Take back: ${fault.name}`}
          onClick={onRemove}
        />
      </header>
      {fault.ofPots && pots.length > 1 && (
        <div className={styles.row} role="group" aria-label={`Pots that show it: ${fault.name}`}>
          <span className="soft">In</span>
          {pots.map((p) => (
            <Button
              key={p.id}
              size="small"
              aria-pressed={seen.potIds.includes(p.id)}
              type={seen.potIds.includes(p.id) ? 'primary' : 'default'}
              onClick={() => {
                toggle(p.id);
              }}
            >
              {p.name}
            </Button>
          ))}
        </div>
      )}
      <ol className={styles.causes} aria-label={`Causes of: ${fault.name}`}>
        {shown.map((c) => (
          <li key={c.id}>
            <p>
              <span className={styles.likely}>{LIKELY[c.likely]}</span> <b>{c.title}</b>
            </p>
            {c.speaksFor.length > 0 && (
              <p className="small">
                <span className="soft">For it:</span> {c.speaksFor.join(' · ')}
              </p>
            )}
            {c.against.length > 0 && (
              <p className="small soft">
                {c.speaksFor.length > 0 ? 'Against it: ' : ''}
                {c.against.join(' · ')}
              </p>
            )}
            <ul className={styles.next}>
              {c.next.map((n) => (
                <li key={n.text}>
                  <span>Next time: {n.text}</span>
                  {n.apply && (
                    <Button
                      size="small"
                      disabled={busy}
                      onClick={() => {
                        onNext(n);
                      }}
                    >
                      Into the next version
                    </Button>
                  )}
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ol>
      {ranked.length > worth.length && (
        <Button
          type="link"
          size="small"
          className={styles.more}
          aria-expanded={all}
          onClick={() => {
            setAll(!all);
          }}
        >
          {all ? 'Only the likeliest' : `All ${ranked.length} that are known`}
        </Button>
      )}
      <p>
        <b>This batch:</b> {RESCUES[seen.fault].join(' ')}
      </p>
      <Input
        aria-label={`Remark on: ${fault.name}`}
        placeholder="A remark"
        value={text}
        maxLength={RECORD_LIMITS.text}
        onChange={(e) => {
          setText(e.target.value);
        }}
        onBlur={() => {
          if (text !== seen.text) onChange({ text });
        }}
      />
    </article>
  );
}
