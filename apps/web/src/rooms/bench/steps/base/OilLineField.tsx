import { Button, Input } from 'antd';
import { useId, useState } from 'react';
import { parseOilLine } from '@kleur/core/start';
import { PLAN_LIMITS, setBlend } from '@kleur/core/plan';
import { newId } from '../../../../data/newId.ts';
import { useEdit } from '../../state/useEdit.ts';
import { useShelf } from '../../useMatching.ts';

/** Longest text that is read. */
const MOST_TEXT = 2000;

/** The whole blend as one line of text, typed or pasted from a spreadsheet. What is not understood stays and is told. */
export function OilLineField() {
  const shelf = useShelf();
  const edit = useEdit();
  const id = useId();
  const [text, setText] = useState('');
  const [problem, setProblem] = useState('');
  const take = (said: string): void => {
    const { oils, total, unknown } = parseOilLine(said, [...shelf.values()]);
    if (unknown.length > 0 || oils.length === 0) {
      setProblem(
        unknown.length > 0
          ? `Not understood: ${unknown.join(', ')}. Write each oil by its name on the shelf and its share.`
          : 'Write the oils with their shares, such as olive 40, coconut 30, lard 25, castor 5.',
      );
      return;
    }
    if (oils.length > PLAN_LIMITS.oils) {
      setProblem(`At most ${PLAN_LIMITS.oils} oils.`);
      return;
    }
    edit((p) => setBlend(p, oils, total, () => newId()));
    setText('');
    setProblem('');
  };
  return (
    <div className="field">
      <label className="field-label" htmlFor={id}>
        Or the whole blend in one line
      </label>
      <div className="oil-line">
        <Input
          id={id}
          value={text}
          maxLength={MOST_TEXT}
          autoComplete="off"
          placeholder="olive 40, coconut 30, lard 25, castor 5"
          status={problem ? 'error' : ''}
          aria-invalid={problem ? true : undefined}
          aria-describedby={problem ? `${id}-problem` : undefined}
          onChange={(e) => {
            setText(e.target.value);
            setProblem('');
          }}
          onPaste={(e) => {
            // A single line would lose the rows of a spreadsheet.
            const pasted = e.clipboardData.getData('text');
            if (!/[\r\n\t]/.test(pasted.trim())) return;
            e.preventDefault();
            const line = pasted.trim().replace(/\r?\n/g, '; ').replaceAll('\t', ' ');
            setText(line.slice(0, MOST_TEXT));
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
          Use this blend
        </Button>
      </div>
      {problem && (
        <div id={`${id}-problem`} className="field-problem" role="alert">
          {problem}
        </div>
      )}
    </div>
  );
}
