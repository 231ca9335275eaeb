import { useCallback, useEffect, useRef, useSyncExternalStore } from 'react';
import { useStore } from 'react-redux';
import { BenchLog, type LogState, type NewEntry } from '../../../data/benchLog.ts';
import { logServer } from '../../../data/log.ts';
import { newId } from '../../../data/newId.ts';
import { openOutbox, type Outbox } from '../../../data/outbox.ts';
import { type AppStore } from '../../../data/store.ts';

/** A second touch of the same thing within this is the same touch, ms. */
export const SAME_TOUCH_MS = 400;

const logs = new Map<string, BenchLog>();
let outbox: Promise<Outbox> | null = null;

/** The log of a batch on this page; it outlives the screen until everything was sent. */
function logOf(batchId: string, store: AppStore): BenchLog {
  const known = logs.get(batchId);
  if (known) return known;
  outbox ??= openOutbox();
  const made = new BenchLog(batchId, logServer(store, batchId), outbox, {
    id: () => `${newId()}${newId()}`,
    now: Date.now,
  });
  logs.set(batchId, made);
  return made;
}

export interface BenchLogOfBatch extends LogState {
  readonly say: (entry: NewEntry) => void;
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
  return { ...state, say };
}
