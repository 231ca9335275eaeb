import { type Problem } from '@kleur/contract';
import {
  type BaseQueryFn,
  createApi,
  type FetchArgs,
  fetchBaseQuery,
  type FetchBaseQueryError,
} from '@reduxjs/toolkit/query/react';

type Query = BaseQueryFn<string | FetchArgs, unknown, FetchBaseQueryError>;

/** Kinds of data, each asked for again when it was changed. */
export const TAGS = [
  'Access',
  'Batches',
  'Copies',
  'Feed',
  'Learnings',
  'Materials',
  'Palettes',
  'Readings',
  'Record',
  'Moulds',
  'Recipes',
  'Sessions',
  'Settings',
  'Ticks',
] as const;

const fetchQuery = fetchBaseQuery({ baseUrl: window.location.origin });

/** Whatever is asked: an answer that one has to sign in makes the application ask whether one is signed in. */
const query: Query = async (args, queryApi, options) => {
  const result = await fetchQuery(args, queryApi, options);
  if (result.error?.status === UNAUTHORISED) queryApi.dispatch(api.util.invalidateTags(['Access']));
  return result;
};
const UNAUTHORISED = 401;

/** The server, without any endpoint: each domain injects its own from the file named after it. */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: query,
  tagTypes: TAGS,
  endpoints: () => ({}),
});

/** What went wrong, as a coded problem: the server's own, or that it could not be reached. */
export type Failure =
  | Problem
  | { readonly code: 'unreachable'; readonly message: string; readonly fields: readonly [] };

/** Reads a failed request. Anything that is no coded answer counts as unreachable. */
export function failureOf(error: unknown): Failure {
  const { status, data } = error as FetchBaseQueryError;
  if (typeof status === 'number' && typeof data === 'object' && data !== null && 'code' in data)
    return data as Problem;
  return { code: 'unreachable', message: 'The server cannot be reached.', fields: [] };
}
