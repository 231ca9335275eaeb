import { type NextFunction, type Request, type RequestHandler, type Response } from 'express';
import { ProblemError } from './problem.ts';

/** What a body may be made of. A plan that is full of the fullest materials of the shelf lies within (tested). */
export const BODY_LIMITS = { depth: 20, nodes: 50_000, array: 300 } as const;

interface Node {
  readonly value: unknown;
  readonly path: string;
  readonly depth: number;
}

/** What is too much in a parsed body, with the path to it; null when nothing is. Works through it without recursion. */
export function excessOf(body: unknown): { readonly path: string; readonly message: string } | null {
  let nodes = 0;
  const waiting: Node[] = [{ value: body, path: '', depth: 0 }];
  for (let node = waiting.pop(); node; node = waiting.pop()) {
    const { value, path, depth } = node;
    if (++nodes > BODY_LIMITS.nodes) return { path, message: `holds more than ${BODY_LIMITS.nodes} values` };
    if (typeof value !== 'object' || value === null) continue;
    if (depth >= BODY_LIMITS.depth) return { path, message: `is nested deeper than ${BODY_LIMITS.depth}` };
    if (Array.isArray(value) && value.length > BODY_LIMITS.array)
      return { path, message: `holds more than ${BODY_LIMITS.array} entries` };
    for (const [key, child] of Object.entries(value)) {
      waiting.push({ value: child, path: path === '' ? key : `${path}.${key}`, depth: depth + 1 });
    }
  }
  return null;
}

/** Refuses bodies that cost more to look at than any real one, before they become objects of ours. */
export const boundedBody: RequestHandler = (request: Request, _response: Response, next: NextFunction) => {
  // The bytes of a file are bounded as they are read.
  const excess = Buffer.isBuffer(request.body) ? null : excessOf(request.body);
  if (excess === null) next();
  else {
    const path = excess.path.slice(0, 200);
    next(
      new ProblemError('invalid-input', `The request cannot be used: it ${excess.message}.`, [
        { path, message: excess.message },
      ]),
    );
  }
};
