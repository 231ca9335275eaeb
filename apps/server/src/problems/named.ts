import { ProblemError } from './problem.ts';

/** The input with its name as it is stored. @throws ProblemError `invalid-input` for a blank one. */
export function named<T extends { readonly name: string }>(input: T, label: string): T {
  const name = input.name.trim();
  if (name === '') {
    throw new ProblemError('invalid-input', `${label} needs a name.`, [
      { path: 'name', message: 'name may not be empty' },
    ]);
  }
  return { ...input, name };
}
