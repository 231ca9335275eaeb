import { type Printer } from '@kleur/core/units';
import { type NumberEntry } from './NumberInput.tsx';

/** What a number field takes. */
export interface Range {
  readonly min: number;
  readonly max: number;
  /** Whether the field may be empty. */
  readonly optional?: boolean;
}

/** What is wrong with an entry; null for nothing. */
export function entryProblem(value: NumberEntry | undefined, range: Range, print: Printer): string | null {
  if (value === null || value === undefined) return range.optional ? null : 'Enter a number';
  if (typeof value === 'string') return 'Not a number';
  if (value < range.min) return `At least ${print.number(range.min, 3)}`;
  if (value > range.max) return `At most ${print.number(range.max, 3)}`;
  return null;
}
