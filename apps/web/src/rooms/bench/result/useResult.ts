import { useCallback, useMemo } from 'react';
import { useStore } from 'react-redux';
import { type Poured } from '@kleur/contract';
import { type Actuals, actualsOf, asDecided, type LogEntry } from '@kleur/core/day';
import { type Reading } from '@kleur/core/evidence';
import { type BatchRecord } from '@kleur/core/record';
import { type Failure, failureOf } from '../../../data/api.ts';
import {
  type RecordChange,
  recordSaves,
  usePouredQuery,
  useReadingsQuery,
  useRecordQuery,
} from '../../../data/record.ts';
import { type AppStore } from '../../../data/store.ts';
import { useNotices } from '../../../shared/hooks/useNotices.ts';
import { useSettings } from '../../../shared/hooks/useSettings.ts';
import { useBenchLog } from '../make/useBenchLog.ts';

/** Everything that is known of a batch after its pour. */
export interface Result {
  readonly batchId: string;
  readonly poured: Poured;
  readonly record: BatchRecord;
  readonly readings: readonly Reading[];
  /** What really went in, by the log of the day. */
  readonly made: Actuals;
  readonly log: readonly LogEntry[];
  /** Changes the record; shown at once. */
  readonly edit: (change: RecordChange) => void;
}

export type ResultState =
  | { readonly status: 'loading' }
  | { readonly status: 'failed'; readonly failure: Failure; readonly retry: () => void }
  | { readonly status: 'ready'; readonly result: Result };

export function useResult(batchId: string): ResultState {
  const poured = usePouredQuery(batchId, { refetchOnMountOrArgChange: true });
  const record = useRecordQuery(batchId, { refetchOnMountOrArgChange: true });
  const readings = useReadingsQuery(batchId);
  const { entries } = useBenchLog(batchId);
  const { measuring } = useSettings();
  const store = useStore() as unknown as AppStore;
  const { message } = useNotices();
  const edit = useCallback(
    (change: RecordChange): void => {
      recordSaves(batchId, store)
        .edit(change)
        .catch((failure: unknown) => {
          const { code, message: text } = failure as Failure;
          message.error(
            code === 'invalid-input'
              ? text
              : `${text} What you said stays on this page and is sent with your next change.`,
          );
        });
    },
    [batchId, store, message],
  );
  const made = useMemo(() => {
    if (!poured.data) return null;
    return actualsOf(asDecided(poured.data.plan, entries), measuring, entries);
  }, [poured.data, measuring, entries]);
  const retry = (): void => {
    for (const q of [poured, record, readings]) if (q.error) void q.refetch();
  };
  const result = useMemo(
    () =>
      poured.data && record.data && readings.data && made
        ? {
            batchId,
            poured: poured.data,
            record: record.data.record,
            readings: readings.data,
            made,
            log: entries,
            edit,
          }
        : null,
    [batchId, poured.data, record.data, readings.data, made, entries, edit],
  );
  if (result) return { status: 'ready', result };
  const error = poured.error ?? record.error ?? readings.error;
  return error ? { status: 'failed', failure: failureOf(error), retry } : { status: 'loading' };
}
