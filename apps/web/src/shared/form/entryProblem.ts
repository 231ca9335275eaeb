import { type NumberProblem, parseNumber, type Printer } from '@kleur/core/units';
import { problemText, type Range } from './numberProblem.ts';
import { type NumberEntry } from './NumberInput.tsx';

/** What a number field of a form takes. */
export interface EntryRange extends Range {
  /** Whether the field may be empty. */
  readonly optional?: boolean;
}

function kindOf(
  value: NumberEntry | undefined,
  { min, max, optional }: EntryRange,
  print: Printer,
): NumberProblem | null {
  if (value === null || value === undefined) return optional ? null : 'empty';
  if (typeof value === 'string') {
    const parsed = parseNumber(value, { min, max }, print.units.decimalMark);
    return !parsed.ok && parsed.problem === 'ambiguous' ? 'ambiguous' : 'not-a-number';
  }
  if (value < min) return 'too-small';
  return value > max ? 'too-large' : null;
}

/** What is wrong with an entry; null for nothing. */
export function entryProblem(
  value: NumberEntry | undefined,
  range: EntryRange,
  print: Printer,
): string | null {
  const problem = kindOf(value, range, print);
  return problem && problemText(problem, range, print);
}
