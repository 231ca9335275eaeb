import { routes } from '@kleur/contract';
import { api, TAGS } from './api.ts';

/** The demo. */
export const demoApi = api.injectEndpoints({
  endpoints: (b) => ({
    resetDemo: b.mutation<void, void>({
      query: () => ({
        url: routes.demoReset,
        method: 'POST',
        body: { confirm: 'replace everything with the demo' },
      }),
      invalidatesTags: TAGS,
    }),
  }),
});

export const { useResetDemoMutation } = demoApi;
