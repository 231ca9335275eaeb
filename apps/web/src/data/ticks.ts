import { routes, type Tick, type TickEntry } from '@kleur/contract';
import { api } from './api.ts';

/** Ticks of a batch's sheet, as each line was last said to be. */
export const ticksApi = api.injectEndpoints({
  endpoints: (b) => ({
    ticks: b.query<TickEntry[], string>({
      query: (batchId) => routes.ticks(batchId),
      providesTags: ['Ticks'],
    }),
    tick: b.mutation<TickEntry, Tick & { readonly batchId: string }>({
      query: ({ batchId, ...body }) => ({ url: routes.ticks(batchId), method: 'POST', body }),
      // Shown at once; taken back when it was not kept.
      async onQueryStarted({ batchId, lineId, done }, { dispatch, queryFulfilled }) {
        const shown = dispatch(
          ticksApi.util.updateQueryData('ticks', batchId, (entries) => [
            ...entries.filter((e) => e.lineId !== lineId),
            { id: lineId, lineId, done, at: '' },
          ]),
        );
        try {
          await queryFulfilled;
        } catch {
          shown.undo();
        }
      },
    }),
  }),
});

export const { useTicksQuery, useTickMutation } = ticksApi;
