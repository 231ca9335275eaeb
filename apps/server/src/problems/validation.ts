import { ValidationPipe } from '@nestjs/common';
import { type ProblemField } from '@kleur/contract';
import { type ValidationError } from 'class-validator';
import { ProblemError } from './problem.ts';

/** Enough to mend a form; a hostile body does not get a megabyte of answers. */
const MOST_FIELDS = 50;

function fieldsOf(errors: readonly ValidationError[], prefix = ''): ProblemField[] {
  return errors.flatMap((e) => {
    const path = prefix + e.property;
    const own = Object.values(e.constraints ?? {}).map((message) => ({ path, message }));
    return [...own, ...fieldsOf(e.children ?? [], `${path}.`)];
  });
}

/** Checks bodies and queries against their DTO classes; unknown fields are refused. */
export const validationPipe = (): ValidationPipe =>
  new ValidationPipe({
    whitelist: true,
    forbidNonWhitelisted: true,
    transform: true,
    exceptionFactory: (errors) => {
      const fields = fieldsOf(errors).slice(0, MOST_FIELDS);
      const first = fields[0];
      return new ProblemError(
        'invalid-input',
        first ? `Some of the input cannot be used: ${first.message}.` : 'Some of the input cannot be used.',
        fields,
      );
    },
  });
