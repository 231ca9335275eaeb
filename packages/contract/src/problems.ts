/** Every failure the API answers with, by stable code. */
export const PROBLEM_CODES = [
  'invalid-input',
  'malformed-json',
  'body-too-large',
  'foreign-host',
  'foreign-origin',
  'sign-in-needed',
  'wrong-passphrase',
  'too-many-requests',
  'not-found',
  'stale-version',
  'unknown-material',
  'inconsistent-plan',
  'unreadable-row',
  'storage-unwritable',
  'storage-busy',
  'internal',
] as const;
export type ProblemCode = (typeof PROBLEM_CODES)[number];

export interface ProblemField {
  /** Path into the request body, as `plan.pots.0.parts`. */
  readonly path: string;
  readonly message: string;
}

export interface Problem {
  readonly code: ProblemCode;
  /** One plain sentence for the person at the screen. */
  readonly message: string;
  readonly fields: readonly ProblemField[];
  /** For `internal`: the id of the request, under which the server logged it. */
  readonly id?: string;
  /** For `too-many-requests`: when to try again, s. */
  readonly retryAfter?: number;
}
