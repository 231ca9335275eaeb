import { type BookFit, type BookPage, type MaterialWire, routes } from '@kleur/contract';
import { api } from './api.ts';

/** What bars that were read say of the shelf. */
const bookApi = api.injectEndpoints({
  endpoints: (b) => ({
    book: b.query<BookPage, void>({
      query: () => routes.book,
      providesTags: ['Batches', 'Readings', 'Record'],
    }),
    /** Not asked again by itself: it is worked out for as long as somebody looks at it. */
    bookFit: b.mutation<BookFit, void>({ query: () => ({ url: routes.bookFit, method: 'POST' }) }),
    acceptCurves: b.mutation<MaterialWire[], readonly string[]>({
      query: (materialIds) => ({ url: routes.bookAccept, method: 'POST', body: { materialIds } }),
      invalidatesTags: ['Materials'],
    }),
    forgetCurves: b.mutation<MaterialWire[], readonly string[]>({
      query: (materialIds) => ({ url: routes.bookForget, method: 'POST', body: { materialIds } }),
      invalidatesTags: ['Materials'],
    }),
  }),
});

export const { useBookQuery, useBookFitMutation, useAcceptCurvesMutation, useForgetCurvesMutation } = bookApi;
