import { HttpException } from '@nestjs/common';
import { type Problem, type ProblemCode, type ProblemField } from '@kleur/contract';

const STATUS: Readonly<Record<ProblemCode, number>> = {
  'invalid-input': 400,
  'malformed-json': 400,
  'body-too-large': 413,
  'foreign-host': 403,
  'foreign-origin': 403,
  'not-found': 404,
  'stale-version': 409,
  'unknown-material': 422,
  'inconsistent-plan': 422,
  'storage-unwritable': 503,
  'storage-busy': 503,
  internal: 500,
};

/** An expected failure, told to the client by its code. */
export class ProblemError extends HttpException {
  constructor(code: ProblemCode, message: string, fields: readonly ProblemField[] = [], id?: string) {
    const problem: Problem = { code, message, fields, ...(id ? { id } : {}) };
    super(problem, STATUS[code]);
  }

  get problem(): Problem {
    return this.getResponse() as Problem;
  }
}

export const notFound = (what: string): ProblemError =>
  new ProblemError('not-found', `${what} was not found.`);

export const staleVersion = (what: string): ProblemError =>
  new ProblemError('stale-version', `${what} was changed elsewhere since you opened it.`);
