import { Input } from 'antd';
import { useId, useState } from 'react';
import { PLAN_LIMITS } from '@kleur/core/plan';
import { LENGTH_DIGITS, lengthFromUnit, lengthInUnit, parseNumber } from '@kleur/core/units';
import { problemText } from '../../../../shared/form/numberProblem.ts';
import { usePrinter, useSettings } from '../../../../shared/hooks/useSettings.ts';

const RANGE = { min: 0.1, max: PLAN_LIMITS.millimetres.max } as const;

/** Lengths of the sections of a slab, in order, typed as one list. */
export function SectionsField(props: {
  readonly sections: readonly number[];
  readonly onCommit: (sections: readonly number[]) => void;
}) {
  const { units } = useSettings();
  const print = usePrinter();
  const id = useId();
  const [text, setText] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const shown = props.sections
    .map((s) => print.number(lengthInUnit(s, units.length), LENGTH_DIGITS[units.length]))
    .join(' + ');
  const change = (typed: string): void => {
    setText(typed);
    const parts = typed.trim() === '' ? [] : typed.split(/[\s+;]+/).filter((p) => p !== '');
    const values = parts.map((p) => parseNumber(p, RANGE, units.decimalMark));
    const ambiguous = values.some((v) => !v.ok && v.problem === 'ambiguous');
    if (parts.length > PLAN_LIMITS.sections) setProblem(`At most ${PLAN_LIMITS.sections} sections`);
    else if (ambiguous) setProblem(problemText('ambiguous', RANGE, print));
    else if (values.some((v) => !v.ok)) setProblem('Lengths with + between them, as 115 + 82 + 82 + 112');
    else {
      setProblem(null);
      props.onCommit(values.map((v) => lengthFromUnit(v.ok ? v.value : 0, units.length)));
    }
  };
  return (
    <div className="field grow">
      <label className="field-label" htmlFor={id}>
        Sections between dividers, in order
      </label>
      <Input
        id={id}
        className="figure"
        placeholder="none: an open slab"
        value={text ?? shown}
        suffix={units.length}
        status={problem ? 'error' : ''}
        aria-invalid={problem ? true : undefined}
        aria-describedby={problem ? `${id}-problem` : undefined}
        onChange={(e) => {
          change(e.target.value);
        }}
        onBlur={() => {
          if (!problem) setText(null);
        }}
      />
      {problem && (
        <div id={`${id}-problem`} className="field-problem" role="alert">
          {problem}
        </div>
      )}
    </div>
  );
}
