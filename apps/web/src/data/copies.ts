import { type Copy, type CopyContent, routes } from '@kleur/contract';
import { api, TAGS } from './api.ts';

/** Copies of the data file. */
export const copiesApi = api.injectEndpoints({
  endpoints: (b) => ({
    copies: b.query<Copy[], void>({ query: () => routes.copies, providesTags: ['Copies'] }),
    makeCopy: b.mutation<Copy, void>({
      query: () => ({ url: routes.copies, method: 'POST' }),
      invalidatesTags: ['Copies'],
    }),
    deleteCopy: b.mutation<void, string>({
      query: (name) => ({ url: routes.copy(name), method: 'DELETE' }),
      invalidatesTags: ['Copies'],
    }),
    copyContent: b.query<CopyContent, string>({ query: (name) => routes.copy(name), keepUnusedDataFor: 0 }),
    restoreCopy: b.mutation<void, string>({
      query: (name) => ({
        url: routes.copyRestore(name),
        method: 'POST',
        body: { confirm: 'replace everything with this copy' },
      }),
      invalidatesTags: TAGS,
    }),
  }),
});

export const {
  useCopiesQuery,
  useMakeCopyMutation,
  useDeleteCopyMutation,
  useCopyContentQuery,
  useRestoreCopyMutation,
} = copiesApi;
