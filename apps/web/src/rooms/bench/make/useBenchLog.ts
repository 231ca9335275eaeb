import { useCallback, useEffect, useRef, useSyncExternalStore } from 'react';
import { useStore } from 'react-redux';
import { type BenchLog, type LogState, type NewEntry } from '../../../data/benchLog.ts';
import { logOf } from '../../../data/benchLogs.ts';
import { type AppStore } from '../../../data/store.ts';

/** A second touch of the same thing within this is the same touch, ms. */
export const SAME_TOUCH_MS = 400;

export interface BenchLogOfBatch extends LogState {
  readonly say: (entry: NewEntry) => void;
  readonly sayWith: BenchLog['sayWith'];
}

export function useBenchLog(batchId: string): BenchLogOfBatch {
  const store = useStore() as unknown as AppStore;
  const log = logOf(batchId, store);
  useEffect(() => {
    void log.start();
    return () => {
      log.stop();
    };
  }, [log]);
  const state = useSyncExternalStore(log.subscribe, log.getSnapshot);
  const last = useRef({ what: '', at: -Infinity });
  const say = useCallback(
    (entry: NewEntry) => {
      const what = JSON.stringify(entry);
      const at = performance.now();
      const again = last.current.what === what && at - last.current.at < SAME_TOUCH_MS;
      last.current = { what, at };
      if (!again) void log.say(entry);
    },
    [log],
  );
  const sayWith = useCallback<BenchLog['sayWith']>((file, entry) => log.sayWith(file, entry), [log]);
  return { ...state, say, sayWith };
}
