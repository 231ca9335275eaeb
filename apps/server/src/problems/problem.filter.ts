import { randomUUID } from 'node:crypto';
import { type ArgumentsHost, Catch, type ExceptionFilter, HttpException } from '@nestjs/common';
import { BODY_LIMIT_BYTES } from '@kleur/contract';
import { type Response } from 'express';
import { type Logger } from 'pino';
import { ThrottlerException } from '@nestjs/throttler';
import { ProblemError, tooMany } from './problem.ts';

/** After too many attempts to sign in. */
const TRY_AGAIN_S = 60;

/** Turns whatever was thrown into a coded problem; the unexpected becomes a 500 with an id and no stack. */
@Catch()
export class ProblemFilter implements ExceptionFilter {
  constructor(private readonly log: Logger) {}

  catch(error: unknown, host: ArgumentsHost): void {
    const http = host.switchToHttp();
    const response = http.getResponse<Response>();
    if (response.headersSent) return;
    const { id = randomUUID() } = http.getRequest<{ id?: string }>();
    const known = this.translate(error, id);
    const { retryAfter } = known.problem;
    if (retryAfter !== undefined) response.setHeader('Retry-After', retryAfter);
    response.status(known.getStatus()).json(known.problem);
  }

  private translate(error: unknown, id: string): ProblemError {
    if (error instanceof ProblemError) return error;
    const { code } = error as { code?: string };
    // Database codes are translated here and nowhere else.
    if (code && /^SQLITE_(READONLY|FULL|IOERR|CANTOPEN)/.test(code)) {
      this.log.error({ err: error, id }, 'storage failed');
      return new ProblemError('storage-unwritable', 'The data file cannot be written. Nothing was saved.');
    }
    if (code && /^SQLITE_(BUSY|LOCKED)/.test(code)) {
      this.log.warn({ err: error, id }, 'storage busy');
      return new ProblemError(
        'storage-busy',
        'Another program is using the data file. Nothing was saved; try again in a moment.',
      );
    }
    if (error instanceof ThrottlerException)
      return tooMany('Too many attempts. Wait a minute and try again.', TRY_AGAIN_S);
    if (error instanceof HttpException && error.getStatus() < 500) return fromFramework(error);
    this.log.error({ err: error, id }, 'unexpected failure');
    return new ProblemError('internal', 'Something went wrong on the server. Nothing was saved.', [], { id });
  }
}

/** What the framework refused before a controller saw it. */
function fromFramework(error: HttpException): ProblemError {
  switch (error.getStatus()) {
    case 404:
      return new ProblemError('not-found', 'There is nothing at this address.');
    case 413:
      return new ProblemError('body-too-large', `The request is larger than ${BODY_LIMIT_BYTES} bytes.`);
    default:
      return error.cause instanceof Error && error.cause.name === 'SyntaxError'
        ? new ProblemError('malformed-json', 'The request is not readable JSON.')
        : new ProblemError('invalid-input', 'The request could not be read.');
  }
}
