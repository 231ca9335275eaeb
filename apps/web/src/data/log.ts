import { type LogPage, type Look, routes } from '@kleur/contract';
import { type Learned, LOG_LIMITS, type LogEntry } from '@kleur/core/day';
import { api, failureOf } from './api.ts';
import { type LogServer } from './benchLog.ts';
import { type WaitingFile } from './outbox.ts';
import { type AppStore } from './store.ts';

const logApi = api.injectEndpoints({
  endpoints: (b) => ({
    log: b.query<LogPage, { readonly batchId: string; readonly after: number }>({
      query: ({ batchId, after }) => routes.log(batchId, after),
    }),
    looks: b.query<Look[], string>({ query: (batchId) => routes.looks(batchId) }),
    learned: b.query<Learned, string>({ query: (batchId) => routes.learned(batchId) }),
    sendFile: b.mutation<undefined, { readonly batchId: string; readonly file: WaitingFile }>({
      query: ({ batchId, file: { name, type, bytes } }) => ({
        url: routes.file(batchId, name),
        method: 'PUT',
        body: new Blob([bytes], { type }),
        headers: { 'content-type': type },
      }),
    }),
    sendLog: b.mutation<undefined, { readonly batchId: string; readonly entries: readonly LogEntry[] }>({
      query: ({ batchId, entries }) => ({ url: routes.log(batchId), method: 'POST', body: { entries } }),
    }),
  }),
});

export const { useLooksQuery, useLearnedQuery } = logApi;

/** The log of one batch on the server. What goes wrong is thrown as a `Failure`. */
export const logServer = (store: AppStore, batchId: string): LogServer => ({
  after: async (after) => {
    try {
      const question = logApi.endpoints.log.initiate(
        { batchId, after },
        { forceRefetch: true, subscribe: false },
      );
      return await store.dispatch(question).unwrap();
    } catch (error) {
      // oxlint-disable-next-line typescript/only-throw-error -- a failure is a coded answer, not a fault
      throw failureOf(error);
    }
  },
  sendFile: async (file) => {
    const sent = await store.dispatch(logApi.endpoints.sendFile.initiate({ batchId, file }));
    // oxlint-disable-next-line typescript/only-throw-error -- see above
    if (sent.error) throw failureOf(sent.error);
  },
  send: async (entries) => {
    for (let from = 0; from < entries.length; from += LOG_LIMITS.sent) {
      const some = entries.slice(from, from + LOG_LIMITS.sent);
      const sent = await store.dispatch(logApi.endpoints.sendLog.initiate({ batchId, entries: some }));
      // oxlint-disable-next-line typescript/only-throw-error -- see above
      if (sent.error) throw failureOf(sent.error);
    }
  },
});
