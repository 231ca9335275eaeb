import { type BookBase, routes } from '@kleur/contract';
import { type LearntBase } from '@kleur/core/plan';
import { api } from './api.ts';

const learntBaseApi = api.injectEndpoints({
  endpoints: (b) => ({
    learntBase: b.query<BookBase, void>({ query: () => routes.bookBase, providesTags: ['Learnings'] }),
  }),
});

const { useLearntBaseQuery } = learntBaseApi;
export const { useLazyLearntBaseQuery } = learntBaseApi;

/** The base as bars told it; null for the reference base, undefined while nobody knows, or nobody `asks`. */
export const useLearntBase = (asks = true): LearntBase | null | undefined =>
  useLearntBaseQuery(undefined, { skip: !asks }).data?.learnt;
