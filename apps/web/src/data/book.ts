import {
  type BookAccept,
  type BookBack,
  type BookEffect,
  type BookFit,
  type BookForget,
  type BookPage,
  type Learning,
  type MaterialWire,
  routes,
  type TestBarSend,
  type TestBarWrite,
  type TrialAsk,
} from '@kleur/contract';
import { type ProposedBar, type TestBar } from '@kleur/core/evidence';
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
    /** What some readings alone would move. */
    bookEffect: b.query<BookEffect, readonly string[]>({
      query: (readingIds) => ({ url: routes.bookEffect, method: 'POST', body: { readingIds } }),
      providesTags: ['Batches', 'Readings', 'Record', 'Materials'],
    }),
    acceptCurves: b.mutation<MaterialWire[], BookAccept>({
      query: (body) => ({ url: routes.bookAccept, method: 'POST', body }),
      invalidatesTags: ['Materials', 'Learnings'],
    }),
    forgetCurves: b.mutation<MaterialWire[], BookForget>({
      query: (body) => ({ url: routes.bookForget, method: 'POST', body }),
      invalidatesTags: ['Materials', 'Learnings'],
    }),
    takeBack: b.mutation<MaterialWire[], BookBack>({
      query: (body) => ({ url: routes.bookBack, method: 'POST', body }),
      invalidatesTags: ['Materials', 'Learnings'],
    }),
    learnings: b.query<Learning[], void>({
      query: () => routes.bookLearnings,
      providesTags: ['Learnings'],
    }),
    addBars: b.mutation<TestBar[], TestBarSend>({
      query: (body) => ({ url: routes.bookBars, method: 'POST', body }),
      invalidatesTags: ['Readings'],
    }),
    /** Asked again for every change of the question; nothing is stored. */
    proposedBars: b.query<ProposedBar[], TrialAsk>({
      query: (body) => ({ url: routes.bookTrial, method: 'POST', body }),
      providesTags: ['Readings', 'Materials'],
    }),
    bar: b.query<TestBar, string>({
      query: (id) => routes.bookBar(id),
      providesTags: ['Readings'],
    }),
    correctBar: b.mutation<TestBar, TestBarWrite>({
      query: (bar) => ({ url: routes.bookBar(bar.id), method: 'PUT', body: bar }),
      invalidatesTags: ['Readings'],
    }),
    removeBar: b.mutation<TestBar, string>({
      query: (id) => ({ url: routes.bookBar(id), method: 'DELETE' }),
      invalidatesTags: ['Readings'],
    }),
    restoreBar: b.mutation<TestBar, string>({
      query: (id) => ({ url: routes.bookBarRestore(id), method: 'POST' }),
      invalidatesTags: ['Readings'],
    }),
  }),
});

export const {
  useBookQuery,
  useBookEffectQuery,
  useBookFitMutation,
  useAcceptCurvesMutation,
  useForgetCurvesMutation,
  useTakeBackMutation,
  useLearningsQuery,
  useProposedBarsQuery,
  useAddBarsMutation,
  useBarQuery,
  useCorrectBarMutation,
  useRemoveBarMutation,
  useRestoreBarMutation,
} = bookApi;
