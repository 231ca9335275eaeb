import { batchSaves } from '../../../data/batchSaves.ts';
import { listenerMiddleware } from '../../../data/store.ts';
import { type BenchState, presentOf, selectBench } from './benchSlice.ts';

const isDirty = (state: BenchState): boolean => {
  const present = presentOf(state);
  return present !== null && present !== state.saved;
};

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
    if (now.id === null || present === null) return;
    // What is undone while it is being sent must be sent back: the server may have it, also when no answer comes.
    if (isDirty(now) || batchSaves.isSending(now.id)) batchSaves.put(now.id, now.version, present);
    else batchSaves.drop(now.id);
  },
});
