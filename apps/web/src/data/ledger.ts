import { type LedgerPage, type LedgerQuery, type PastOf, type PastResult, routes } from '@kleur/contract';
import { type LearnedLoss } from '@kleur/core/record';
import { api } from './api.ts';

/** Only what is asked for, as an address has it. */
const asked = (query: object): Record<string, string> =>
  Object.fromEntries(
    Object.entries(query).flatMap(([key, value]) =>
      value === undefined || value === '' ? [] : [[key, String(value)]],
    ),
  );

/** The address of the same as CSV. */
export const csvAddress = (query: Omit<LedgerQuery, 'page'>): string =>
  `${routes.ledgerCsv}?${new URLSearchParams(asked(query)).toString()}`;

const ledgerApi = api.injectEndpoints({
  endpoints: (b) => ({
    ledger: b.query<LedgerPage, LedgerQuery>({
      query: (query) => ({ url: routes.ledger, params: asked(query) }),
      providesTags: ['Batches', 'Record', 'Readings'],
    }),
    past: b.query<PastResult[], { readonly of: PastOf; readonly ref: string; readonly besides: string }>({
      query: (query) => ({ url: routes.past, params: asked(query) }),
      providesTags: ['Batches', 'Record', 'Readings'],
    }),
    losses: b.query<{ readonly learned: LearnedLoss | null }, string>({
      query: (batchId) => routes.losses(batchId),
      providesTags: ['Record'],
    }),
  }),
});

export const { useLedgerQuery, usePastQuery, useLossesQuery } = ledgerApi;
