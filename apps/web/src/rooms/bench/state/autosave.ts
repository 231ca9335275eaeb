import { type BatchWrite } from '@kleur/contract';
import { failureOf } from '../../../data/api.ts';
import { batchesApi } from '../../../data/batches.ts';
import { SaveQueue } from '../../../data/saveQueue.ts';
import { type AppDispatch, listenerMiddleware } from '../../../data/store.ts';
import { bench, type BenchState, presentOf, selectBench } from './benchSlice.ts';
import { drafts } from './drafts.ts';

/** Failures that pass by themselves. */
const PASSING: readonly string[] = ['unreachable', 'storage-unwritable', 'storage-busy', 'internal'];

/** Set by the first batch that is opened: a queue needs the store, and the store does not know the bench. */
let dispatch: AppDispatch;

/** Batches on their way to the server. */
export const batchSaves = new SaveQueue<BatchWrite>({
  drafts,
  send: async (id, version, batch) => {
    const { data, error } = await dispatch(batchesApi.endpoints.saveBatch.initiate({ id, version, batch }));
    if (data) return { kind: 'saved', version: data.version };
    const { code, message } = failureOf(error);
    if (code === 'stale-version') return { kind: 'stale' };
    return { kind: PASSING.includes(code) ? 'unreachable' : 'refused', message };
  },
  onStarted: (id) => {
    dispatch(bench.saveStarted(id));
  },
  onOutcome: (id, outcome, sent) => {
    dispatch(bench.saveEnded({ id, outcome, sent }));
  },
});

const isDirty = (state: BenchState): boolean => {
  const present = presentOf(state);
  return present !== null && present !== state.saved;
};

listenerMiddleware.startListening({
  actionCreator: bench.opened,
  effect: (_action, listener) => {
    dispatch = listener.dispatch as AppDispatch;
  },
});

// When the connection comes back there is no need to wait for the next try.
globalThis.addEventListener('online', () => {
  batchSaves.retry();
});

/** Puts the open document into the queue whenever it is not what the server has. */
listenerMiddleware.startListening({
  predicate: (_action, state, original) => {
    const now = selectBench(state);
    const before = selectBench(original);
    return now.id !== null && (presentOf(now) !== presentOf(before) || now.saved !== before.saved);
  },
  effect: (_action, listener) => {
    const now = selectBench(listener.getState());
    const present = presentOf(now);
    if (now.id === null || present === null || now.saving.status === 'conflict') return;
    // What is undone while it is being sent must be sent back: the server may have it, also when no answer comes.
    if (isDirty(now) || batchSaves.isSending(now.id)) batchSaves.put(now.id, now.version, present);
    else batchSaves.drop(now.id);
  },
});

listenerMiddleware.startListening({
  actionCreator: bench.saveRetried,
  effect: (_action, listener) => {
    const { id } = selectBench(listener.getState());
    if (id !== null) void batchSaves.flush(id);
  },
});
