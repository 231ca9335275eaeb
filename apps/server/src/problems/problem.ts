import { HttpException } from '@nestjs/common';
import { type Problem, type ProblemCode, type ProblemField } from '@kleur/contract';

const STATUS: Readonly<Record<ProblemCode, number>> = {
  'invalid-input': 400,
  'malformed-json': 400,
  'body-too-large': 413,
  'foreign-host': 403,
  'foreign-origin': 403,
  'sign-in-needed': 401,
  'wrong-passphrase': 403,
  'too-many-requests': 429,
  'not-found': 404,
  'stale-version': 409,
  'unknown-material': 422,
  'inconsistent-plan': 422,
  'unreadable-row': 422,
  'storage-unwritable': 503,
  'storage-busy': 503,
  internal: 500,
};

/** An expected failure, told to the client by its code. */
export class ProblemError extends HttpException {
  constructor(
    code: ProblemCode,
    message: string,
    fields: readonly ProblemField[] = [],
    more: Pick<Problem, 'id' | 'retryAfter'> = {},
  ) {
    const problem: Problem = { code, message, fields, ...more };
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

/** @param retryAfter seconds. */
export const tooMany = (message: string, retryAfter: number): ProblemError =>
  new ProblemError('too-many-requests', message, [], { retryAfter });
