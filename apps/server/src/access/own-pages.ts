import { type NextFunction, type Request, type RequestHandler, type Response } from 'express';
import { ProblemError } from '../problems/problem.ts';
import { LOOPBACK } from './hosts.ts';

/** `name:port` without the port. */
const nameOf = (host: string): string => host.toLowerCase().replace(/:\d+$/, '');

const hostOf = (origin: string): string | null => {
  try {
    return new URL(origin).host.toLowerCase();
  } catch {
    // "null", as a sandboxed page sends it.
    return null;
  }
};

/**
 * Lets in requests of the application's own pages and of programs, and nobody else's. A page from elsewhere could
 * otherwise make the browser write here; and a name from elsewhere that resolves to this machine would make the
 * browser take that page for ours.
 * @param names host names besides loopback under which the application is reached.
 */
export function ownPagesOnly(names: readonly string[] = []): RequestHandler {
  const allowed = new Set<string>([...LOOPBACK, ...names.map((n) => n.toLowerCase())]);
  return (request: Request, _response: Response, next: NextFunction): void => {
    const host = request.headers.host ?? '';
    if (!allowed.has(nameOf(host))) {
      next(new ProblemError('foreign-host', 'Kleur is not served under this name.'));
      return;
    }
    const { origin } = request.headers;
    const site = request.headers['sec-fetch-site'];
    // A link or a typed address may come from anywhere; it shows a page, which asks for data by itself.
    const opensPage = request.headers['sec-fetch-mode'] === 'navigate' && request.method === 'GET';
    const isForeign =
      (origin !== undefined && hostOf(origin) !== host.toLowerCase()) ||
      (site !== undefined && site !== 'same-origin' && site !== 'none' && !opensPage);
    if (isForeign) next(new ProblemError('foreign-origin', 'Another page asked for this. Nothing was done.'));
    else next();
  };
}
