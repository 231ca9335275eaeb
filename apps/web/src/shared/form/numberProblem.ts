import { type NumberProblem, type Printer } from '@kleur/core/units';

/** What a number field takes. */
export interface Range {
  readonly min: number;
  readonly max: number;
}

/** The reason beside a number field that cannot be used. */
export function problemText(problem: NumberProblem, { min, max }: Range, print: Printer): string {
  switch (problem) {
    case 'empty':
      return 'Enter a number';
    case 'not-a-number':
      return 'Not a number';
    case 'ambiguous':
      return 'One, or one thousand? Type it without the separator';
    case 'too-small':
      return `At least ${print.number(min, 3)}`;
    case 'too-large':
      return `At most ${print.number(max, 3)}`;
  }
}
