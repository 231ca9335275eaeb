import { type Problem } from '@kleur/contract';
import { createApi, fetchBaseQuery, type FetchBaseQueryError } from '@reduxjs/toolkit/query/react';

/** The server, without any endpoint: each domain injects its own from the file named after it. */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: fetchBaseQuery({ baseUrl: window.location.origin }),
  tagTypes: ['Batches', 'Materials', 'Palettes', 'Moulds', 'Recipes', 'Settings'],
  endpoints: () => ({}),
});

/** What went wrong, as a coded problem: the server's own, or that it could not be reached. */
export type Failure =
  Problem | { readonly code: 'unreachable'; readonly message: string; readonly fields: readonly [] };

/** Reads a failed request. Anything that is no coded answer counts as unreachable. */
export function failureOf(error: unknown): Failure {
  const { status, data } = error as FetchBaseQueryError;
  if (typeof status === 'number' && typeof data === 'object' && data !== null && 'code' in data)
    return data as Problem;
  return { code: 'unreachable', message: 'The server cannot be reached.', fields: [] };
}
