import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { useStore } from 'react-redux';
import { type BatchDocument } from '@kleur/contract';
import { type DayOfBatch, progressOf, runSheetOf } from '@kleur/core/day';
import { sheetOf } from '@kleur/core/sheet';
import { batchesApi } from '../../../data/batches.ts';
import { logOf } from '../../../data/benchLogs.ts';
import { beside } from '../../../data/beside.ts';
import { type AppStore } from '../../../data/store.ts';
import { usePrinter, useSettings } from '../../../shared/hooks/useSettings.ts';

export interface DayBeside extends DayOfBatch {
  readonly name: string;
}

/** The other batches that are made side by side with this one, each with how far it has come. */
export function useDaysBeside(batchId: string): readonly DayBeside[] {
  const store = useStore() as unknown as AppStore;
  const ids = useSyncExternalStore(beside.subscribe, beside.get);
  const others = useMemo(
    () => (ids.includes(batchId) ? ids.filter((id) => id !== batchId) : []),
    [ids, batchId],
  );
  const print = usePrinter();
  const { measuring } = useSettings();
  const [batches, setBatches] = useState<readonly BatchDocument[]>([]);
  const [turn, setTurn] = useState(0);
  useEffect(() => {
    let left = false;
    const again = (): void => {
      setTurn((t) => t + 1);
    };
    const logs = others.map((id) => logOf(id, store));
    const stops = logs.map((log) => log.subscribe(again));
    for (const log of logs) void log.start();
    const asked = others.map((id) => store.dispatch(batchesApi.endpoints.batch.initiate(id)));
    void Promise.all(asked.map((a) => a.unwrap().catch(() => null))).then((found) => {
      if (!left) setBatches(found.filter((b) => b !== null));
    });
    return () => {
      left = true;
      for (const stop of stops) stop();
      for (const log of logs) log.stop();
      for (const a of asked) a.unsubscribe();
    };
  }, [others, store]);
  const sheets = useMemo(
    () =>
      batches.map(({ id, name, plan }) => ({
        batchId: id,
        name,
        steps: runSheetOf(plan, sheetOf(plan, measuring, print)),
      })),
    [batches, measuring, print],
  );
  return useMemo(
    () =>
      sheets
        .filter((s) => others.includes(s.batchId))
        .map((s) => ({ ...s, progress: progressOf(s.steps, logOf(s.batchId, store).getSnapshot().entries) })),
    // oxlint-disable-next-line react/exhaustive-deps -- a log has changed when `turn` has
    [sheets, others, store, turn],
  );
}
