import { isAnyOf } from '@reduxjs/toolkit';
import { type BatchWrite } from '@kleur/contract';
import { failureOf } from '../../../data/api.ts';
import { batchesApi } from '../../../data/batches.ts';
import { type AppDispatch, listenerMiddleware } from '../../../data/store.ts';
import { bench, type BenchState, presentOf, selectBench } from './benchSlice.ts';
import { dropDraft, keepDraft } from './drafts.ts';

/** Quiet time after the last edit before it is sent. */
const SETTLE_MS = 600;
/** Waits between tries while the server cannot be reached; the last one repeats. */
const RETRY_MS = [1500, 3000, 6000, 12_000];

type Outcome = { readonly version: number } | 'retry' | 'give-up';

/** The save under way. Only one at a time: a second would carry the version that the first is about to change. */
let underWay: Promise<Outcome> | null = null;

const isDirty = (bench: BenchState): boolean => {
  const present = presentOf(bench);
  return present !== null && present !== bench.saved && bench.saving.status !== 'conflict';
};

/** Sends the open document after each pause in editing, until the server has it. */
listenerMiddleware.startListening({
  predicate: (action, state, original) => {
    const now = selectBench(state);
    const before = selectBench(original);
    return (
      isDirty(now) &&
      (presentOf(now) !== presentOf(before) ||
        now.saved !== before.saved ||
        isAnyOf(bench.saveRetried)(action))
    );
  },
  effect: async (_action, listener) => {
    const dispatch = listener.dispatch as AppDispatch;
    listener.cancelActiveListeners();
    const opened = selectBench(listener.getState());
    const { id, version } = opened;
    const present = presentOf(opened);
    if (id === null || present === null) return;
    keepDraft(id, { baseVersion: version, batch: present });
    await listener.delay(SETTLE_MS);
    for (let attempt = 0; ; attempt++) {
      await underWay;
      const now = selectBench(listener.getState());
      const latest = presentOf(now);
      if (now.id !== id || latest === null || !isDirty(now)) return;
      const outcome = await send(id, now.version, latest, dispatch);
      if (outcome !== 'retry') return;
      await listener.delay(RETRY_MS[Math.min(attempt, RETRY_MS.length - 1)]!);
    }
  },
});

/** Sends what is unsaved at once, when the batch is left. */
export async function flush(state: BenchState, dispatch: AppDispatch): Promise<void> {
  const { id } = state;
  const present = presentOf(state);
  if (id === null || present === null || !isDirty(state)) return;
  const before = await underWay;
  const version = typeof before === 'object' && before !== null ? before.version : state.version;
  await send(id, version, present, dispatch);
}

function send(id: string, version: number, batch: BatchWrite, dispatch: AppDispatch): Promise<Outcome> {
  underWay = save(id, version, batch, dispatch).finally(() => {
    underWay = null;
  });
  return underWay;
}

async function save(id: string, version: number, sent: BatchWrite, dispatch: AppDispatch): Promise<Outcome> {
  dispatch(bench.saveStarted(id));
  const result = await dispatch(batchesApi.endpoints.saveBatch.initiate({ id, version, batch: sent }));
  if (result.data) {
    dropDraft(id);
    dispatch(bench.saveDone({ id, version: result.data.version, sent }));
    return { version: result.data.version };
  }
  const failure = failureOf(result.error);
  if (failure.code === 'stale-version') {
    dispatch(bench.conflicted(id));
    return 'give-up';
  }
  dispatch(bench.saveFailed({ id, message: failure.message }));
  return ['unreachable', 'storage-unwritable', 'internal'].includes(failure.code) ? 'retry' : 'give-up';
}

// When the connection comes back there is no need to wait for the next try.
listenerMiddleware.startListening({
  actionCreator: bench.opened,
  effect: (_action, listener) => {
    listener.unsubscribe();
    globalThis.addEventListener('online', () => {
      listener.dispatch(bench.saveRetried());
    });
  },
});
