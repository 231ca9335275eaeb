import {
  type BatchDocument,
  type BatchPage,
  type BatchState,
  type BatchSummary,
  type BatchWrite,
  routes,
} from '@kleur/contract';
import { api } from './api.ts';

export interface BatchListQuery {
  readonly page: number;
  readonly q: string;
  readonly state: BatchState | '';
}

/** Batches. The open one is saved through here too (see autosave). */
export const batchesApi = api.injectEndpoints({
  endpoints: (b) => ({
    batches: b.query<BatchPage, BatchListQuery>({
      query: ({ page, q, state }) => ({
        url: routes.batches,
        params: { page, ...(q ? { q } : {}), ...(state ? { state } : {}) },
      }),
      providesTags: ['Batches'],
    }),
    // Never from the cache: an old version of a document must not be edited.
    batch: b.query<BatchDocument, string>({ query: (id) => routes.batch(id), keepUnusedDataFor: 0 }),
    /** Everything but the plan, asked again and again: it is not kept either. */
    batchHead: b.query<BatchSummary, string>({
      query: (id) => routes.batchHead(id),
      keepUnusedDataFor: 0,
    }),
    createBatch: b.mutation<BatchDocument, BatchWrite>({
      query: (body) => ({ url: routes.batches, method: 'POST', body }),
      invalidatesTags: ['Batches'],
    }),
    saveBatch: b.mutation<BatchDocument, { id: string; version: number; batch: BatchWrite }>({
      query: ({ id, version, batch }) => ({
        url: routes.batch(id),
        method: 'PUT',
        body: { ...batch, version },
      }),
      invalidatesTags: ['Batches'],
    }),
    copyBatch: b.mutation<BatchDocument, string>({
      query: (id) => ({ url: routes.batchCopy(id), method: 'POST' }),
      invalidatesTags: ['Batches'],
    }),
    /** Brings one batch of the demo; nothing else changes. */
    openExample: b.mutation<BatchDocument, void>({
      query: () => ({ url: routes.batchExample, method: 'POST' }),
      invalidatesTags: ['Batches'],
    }),
    deleteBatch: b.mutation<BatchSummary, string>({
      query: (id) => ({ url: routes.batch(id), method: 'DELETE' }),
      invalidatesTags: ['Batches'],
    }),
    restoreBatch: b.mutation<BatchSummary, string>({
      query: (id) => ({ url: routes.batchRestore(id), method: 'POST' }),
      invalidatesTags: ['Batches'],
    }),
  }),
});

export const {
  useBatchesQuery,
  useBatchQuery,
  useCreateBatchMutation,
  useCopyBatchMutation,
  useDeleteBatchMutation,
  useOpenExampleMutation,
  useRestoreBatchMutation,
} = batchesApi;
