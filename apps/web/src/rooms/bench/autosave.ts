import { createListenerMiddleware, isAnyOf, type TypedStartListening } from '@reduxjs/toolkit';
import { type BatchWrite } from '@kleur/contract';
import { api, failureOf } from '../../app/api.ts';
import { bench, type BenchState } from './benchSlice.ts';
import { dropDraft, keepDraft } from './drafts.ts';

interface State {
  readonly bench: BenchState;
}

/** Quiet time after the last edit before it is sent. */
const SETTLE_MS = 600;
/** Waits between tries while the server cannot be reached; the last one repeats. */
const RETRY_MS = [1500, 3000, 6000, 12_000];

export const autosave = createListenerMiddleware();

// The store's own type depends on this middleware, so the listener knows only the slice it watches.
// eslint-disable-next-line @typescript-eslint/no-explicit-any
type Dispatch = (action: any) => any;
const listen = autosave.startListening as TypedStartListening<State, Dispatch>;

type Outcome = { readonly version: number } | 'retry' | 'give-up';

/** The save under way. Only one at a time: a second would carry the version that the first is about to change. */
let underWay: Promise<Outcome> | null = null;

const isDirty = ({ present, saved, saving }: BenchState): boolean =>
  present !== null && present !== saved && saving.status !== 'conflict';

/** Sends the open document after each pause in editing, until the server has it. */
listen({
  predicate: (action, now, before) =>
    isDirty(now.bench) &&
    (now.bench.present !== before.bench.present ||
      now.bench.saved !== before.bench.saved ||
      isAnyOf(bench.saveRetried)(action)),
  effect: async (_action, listener) => {
    const dispatch = listener.dispatch;
    listener.cancelActiveListeners();
    const { id, version, present } = listener.getState().bench;
    if (id === null || present === null) return;
    keepDraft(id, { baseVersion: version, batch: present });
    await listener.delay(SETTLE_MS);
    for (let attempt = 0; ; attempt++) {
      await underWay;
      const now = listener.getState().bench;
      if (now.id !== id || now.present === null || !isDirty(now)) return;
      const outcome = await send(id, now.version, now.present, dispatch);
      if (outcome !== 'retry') return;
      await listener.delay(RETRY_MS[Math.min(attempt, RETRY_MS.length - 1)]!);
    }
  },
});

/** Sends what is unsaved at once, when the batch is left. */
export async function flush(state: BenchState, dispatch: Dispatch): Promise<void> {
  const { id, present } = state;
  if (id === null || present === null || !isDirty(state)) return;
  const before = await underWay;
  const version = typeof before === 'object' && before !== null ? before.version : state.version;
  await send(id, version, present, dispatch);
}

function send(id: string, version: number, batch: BatchWrite, dispatch: Dispatch): Promise<Outcome> {
  underWay = save(id, version, batch, dispatch).finally(() => {
    underWay = null;
  });
  return underWay;
}

async function save(id: string, version: number, sent: BatchWrite, dispatch: Dispatch): Promise<Outcome> {
  dispatch(bench.saveStarted(id));
  const result = (await dispatch(api.endpoints.saveBatch.initiate({ id, version, batch: sent }))) as {
    data?: { version: number };
    error?: unknown;
  };
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
