import { type NextFunction, type Request, type RequestHandler, type Response } from 'express';
import { routes } from '@kleur/contract';
import { ProblemError } from '../problems/problem.ts';
import { type AccessService, SESSION_MS } from './access.service.ts';

const COOKIE = 'kleur-session';
/** What tells nothing of the workspace, or leads into it. */
const OPEN: readonly string[] = [routes.access, routes.signIn, routes.health];

/** Id of the session that a request carries, if it was signed here; it may be over. */
export function sessionOf(request: Request): string | null {
  const value = (request.signedCookies as Record<string, unknown> | undefined)?.[COOKIE];
  return typeof value === 'string' ? value : null;
}

export function setSession(response: Response, id: string | null): void {
  const options = {
    httpOnly: true,
    sameSite: 'strict',
    signed: true,
    path: '/',
    secure: response.req.secure,
  } as const;
  if (id === null) response.clearCookie(COOKIE, options);
  else response.cookie(COOKIE, id, { ...options, maxAge: SESSION_MS });
}

/** Lets nobody past who has not signed in, once a passphrase is set. */
export function signedInOnly(access: AccessService): RequestHandler {
  return (request: Request, _response: Response, next: NextFunction): void => {
    // As the router reads it, which takes capitals and a slash at the end for the same.
    const path = request.path.toLowerCase().replace(/\/$/, '');
    const isOpen = !path.startsWith('/api') || OPEN.includes(path);
    const session = sessionOf(request);
    if (isOpen || !access.isProtected || (session !== null && access.isOpen(session))) next();
    else next(new ProblemError('sign-in-needed', 'Sign in with the passphrase of this workspace.'));
  };
}
