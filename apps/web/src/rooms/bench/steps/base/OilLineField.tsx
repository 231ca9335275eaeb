import { Button, Input } from 'antd';
import { useId, useState } from 'react';
import { type OilAnswers, type OilLine, parseOilLine } from '@kleur/core/start';
import { PLAN_LIMITS, setBlend } from '@kleur/core/plan';
import { newId } from '../../../../data/newId.ts';
import { useEdit } from '../../state/useEdit.ts';
import { useShelf } from '../../useMatching.ts';
import styles from './OilLineField.module.css';
import { oilLineTexts as t } from './oilLineTexts.ts';

/** Longest text that is read. */
const MOST_TEXT = 2000;

/** The whole blend as one line of text, typed or pasted from a spreadsheet. What is not clear is asked below it. */
export function OilLineField() {
  const shelf = useShelf();
  const edit = useEdit();
  const id = useId();
  const [text, setText] = useState('');
  const [problem, setProblem] = useState('');
  /** The text as it was used, while parts of it are not clear yet, and the oils chosen for them. */
  const [asked, setAsked] = useState<{ readonly said: string; readonly answers: OilAnswers } | null>(null);
  const read = (said: string, answers: OilAnswers): OilLine =>
    parseOilLine(said, [...shelf.values()], answers);
  const questions = asked ? read(asked.said, asked.answers).questions : [];

  const take = (said: string, answers: OilAnswers = new Map()): void => {
    const line = read(said, answers);
    const refused =
      line.oils.length === 0 && line.questions.length === 0
        ? t.example
        : line.oils.length > PLAN_LIMITS.oils
          ? t.atMost({ oils: PLAN_LIMITS.oils })
          : '';
    setProblem(refused);
    if (refused) return;
    if (line.oils.length > 0) edit((p) => setBlend(p, line.oils, line.total, () => newId()));
    setAsked(line.questions.length > 0 ? { said, answers } : null);
    if (line.questions.length === 0) setText('');
  };
  const change = (typed: string): void => {
    setText(typed);
    setProblem('');
    setAsked(null);
  };
  return (
    <div className="field">
      <label className="field-label" htmlFor={id}>
        {t.label}
      </label>
      <div className="oil-line">
        <Input
          id={id}
          value={text}
          maxLength={MOST_TEXT}
          autoComplete="off"
          placeholder="olive 40, coconut 30, lard 25, castor 5"
          status={problem ? 'error' : questions.length > 0 ? 'warning' : ''}
          aria-invalid={problem ? true : undefined}
          aria-describedby={problem || questions.length > 0 ? `${id}-problem` : undefined}
          onChange={(e) => {
            change(e.target.value);
          }}
          onPaste={(e) => {
            // A single line would lose the rows of a spreadsheet.
            const pasted = e.clipboardData.getData('text');
            if (!/[\r\n\t]/.test(pasted.trim())) return;
            e.preventDefault();
            const line = pasted.trim().replace(/\r?\n/g, '; ').replaceAll('\t', ' ');
            change(line.slice(0, MOST_TEXT));
            take(pasted);
          }}
          onPressEnter={() => {
            take(text);
          }}
        />
        <Button
          disabled={text.trim() === ''}
          onClick={() => {
            take(text);
          }}
        >
          {t.use}
        </Button>
      </div>
      {problem && (
        <div id={`${id}-problem`} className="field-problem" role="alert">
          {problem}
        </div>
      )}
      {asked && questions.length > 0 && (
        <ul id={`${id}-problem`} className={styles.questions} role="alert" aria-label={t.questions}>
          {questions.map((q) => (
            <li key={q.part}>
              <span>{t.ask(q)}</span>
              {q.nearest.map((m) => (
                <Button
                  key={m.id}
                  size="small"
                  onClick={() => {
                    take(asked.said, new Map(asked.answers).set(q.part, m));
                  }}
                >
                  {m.name}
                </Button>
              ))}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
