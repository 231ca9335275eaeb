import {
  type AgainWrite,
  type BatchDocument,
  type LineBatch,
  type Poured,
  type ReadingSend,
  type RecordWire,
  routes,
} from '@kleur/contract';
import { type Reading } from '@kleur/core/evidence';
import { type BatchRecord } from '@kleur/core/record';
import { api, failureOf } from './api.ts';
import { type AppStore } from './store.ts';

/** What is known of a batch after the pour. */
export const recordApi = api.injectEndpoints({
  endpoints: (b) => ({
    record: b.query<RecordWire, string>({ query: (id) => routes.record(id), providesTags: ['Record'] }),
    putRecord: b.mutation<RecordWire, { readonly batchId: string } & RecordWire>({
      query: ({ batchId, ...body }) => ({ url: routes.record(batchId), method: 'PUT', body }),
    }),
    poured: b.query<Poured, string>({ query: (id) => routes.poured(id), providesTags: ['Batches'] }),
    readings: b.query<Reading[], string>({ query: (id) => routes.readings(id), providesTags: ['Readings'] }),
    addReadings: b.mutation<Reading[], { readonly batchId: string } & ReadingSend>({
      query: ({ batchId, ...body }) => ({ url: routes.readings(batchId), method: 'POST', body }),
      invalidatesTags: ['Readings'],
    }),
    removeReading: b.mutation<Reading, { readonly batchId: string; readonly id: string }>({
      query: ({ batchId, id }) => ({ url: routes.reading(batchId, id), method: 'DELETE' }),
      invalidatesTags: ['Readings'],
    }),
    restoreReading: b.mutation<Reading, { readonly batchId: string; readonly id: string }>({
      query: ({ batchId, id }) => ({ url: routes.readingRestore(batchId, id), method: 'POST' }),
      invalidatesTags: ['Readings'],
    }),
    again: b.mutation<BatchDocument, { readonly batchId: string } & AgainWrite>({
      query: ({ batchId, ...body }) => ({ url: routes.again(batchId), method: 'POST', body }),
      invalidatesTags: ['Batches'],
    }),
    line: b.query<LineBatch[], string>({
      query: (id) => routes.line(id),
      providesTags: ['Batches', 'Record', 'Readings'],
    }),
  }),
});

export const {
  useRecordQuery,
  usePouredQuery,
  useReadingsQuery,
  useAddReadingsMutation,
  useRemoveReadingMutation,
  useRestoreReadingMutation,
  useAgainMutation,
  useLineQuery,
} = recordApi;

export type RecordChange = (record: BatchRecord) => BatchRecord;

/** Saves of one record: one at a time, and what another device has saved meanwhile is kept. */
class RecordSaves {
  private waiting: readonly RecordChange[] = [];
  private busy: Promise<void> | null = null;
  /** As the server had it last. */
  private saved: RecordWire | null = null;

  constructor(
    private readonly batchId: string,
    private readonly store: AppStore,
  ) {}

  /** Shows a change at once. @returns when it is saved. @throws Failure; then it stays shown, and goes with the next. */
  edit(change: RecordChange): Promise<void> {
    if (this.waiting.length === 0)
      this.saved = recordApi.endpoints.record.select(this.batchId)(this.store.getState()).data ?? null;
    this.waiting = [...this.waiting, change];
    this.show();
    return this.send();
  }

  /** Sends what waits. @throws Failure */
  send(): Promise<void> {
    this.busy ??= this.run().finally(() => {
      this.busy = null;
    });
    return this.busy;
  }

  private async run(): Promise<void> {
    while (this.waiting.length > 0) {
      const { dispatch } = this.store;
      const sent = this.waiting;
      try {
        this.saved ??= await dispatch(
          recordApi.endpoints.record.initiate(this.batchId, { forceRefetch: true, subscribe: false }),
        ).unwrap();
        const { record, version } = this.saved;
        const next = sent.reduce((r, change) => change(r), record);
        this.saved = await dispatch(
          recordApi.endpoints.putRecord.initiate({ batchId: this.batchId, record: next, version }),
        ).unwrap();
        this.waiting = this.waiting.slice(sent.length);
        this.show();
      } catch (error) {
        const failure = failureOf(error);
        if (failure.code === 'stale-version') {
          // Somebody was quicker: once more, from what they saved.
          this.saved = null;
          continue;
        }
        // What no record can take is not tried for ever.
        if (failure.code === 'invalid-input') this.waiting = this.waiting.slice(sent.length);
        this.show();
        // oxlint-disable-next-line typescript/only-throw-error -- a failure is a coded answer, not a fault
        throw failure;
      }
    }
  }

  private show(): void {
    const { saved } = this;
    if (!saved) return;
    const record = this.waiting.reduce((r, change) => change(r), saved.record);
    this.store.dispatch(recordApi.util.updateQueryData('record', this.batchId, () => ({ ...saved, record })));
  }
}

const saves = new Map<string, RecordSaves>();

/** The saves of a batch’s record on this page. */
export function recordSaves(batchId: string, store: AppStore): RecordSaves {
  const known = saves.get(batchId) ?? new RecordSaves(batchId, store);
  saves.set(batchId, known);
  return known;
}
