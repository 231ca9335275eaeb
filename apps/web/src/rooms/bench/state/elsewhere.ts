import { type BatchDocument } from '@kleur/contract';
import { failureOf } from '../../../data/api.ts';
import { batchesApi } from '../../../data/batches.ts';
import { batchSaves, sameBatch } from '../../../data/batchSaves.ts';
import { type AppDispatch } from '../../../data/store.ts';
import { onTabMessage } from '../../../data/tabs.ts';
import { bench, isHeld, presentOf, selectBench } from './benchSlice.ts';

/** How often the server is asked whether the open batch was changed elsewhere, ms. */
const ASK_MS = 1500;

interface Store {
  readonly dispatch: AppDispatch;
  readonly getState: () => unknown;
}

/**
 * Keeps an open batch up with what other tabs and devices save of it. What is unchanged here follows; what is not is
 * the maker's to choose.
 * @param onFollowed told when the bench shows a newer version than before.
 * @returns a function that ends it.
 */
export function watchElsewhere(id: string, store: Store, onFollowed: () => void): () => void {
  let asking = false;
  const look = async (): Promise<void> => {
    if (asking || document.visibilityState === 'hidden') return;
    asking = true;
    try {
      if (await lookElsewhere(id, store)) onFollowed();
    } finally {
      asking = false;
    }
  };
  const ask = (): void => void look();
  const timer = setInterval(ask, ASK_MS);
  document.addEventListener('visibilitychange', ask);
  const stop = onTabMessage((message) => {
    if (message.kind === 'saved' && message.id === id) ask();
  });
  return () => {
    clearInterval(timer);
    document.removeEventListener('visibilitychange', ask);
    stop();
  };
}

/** Asks once. @returns whether the bench shows another document now. */
export async function lookElsewhere(id: string, { dispatch, getState }: Store): Promise<boolean> {
  const now = () => selectBench(getState());
  /** Whether the question still stands: an answer to a save of our own may have come, or be on its way. */
  const isOpen = (): boolean => now().id === id && !isHeld(now()) && !batchSaves.isSending(id);

  const fresh = async <T>(query: Promise<T> & { unsubscribe(): void }): Promise<T> => {
    try {
      return await query;
    } finally {
      query.unsubscribe();
    }
  };
  if (!isOpen()) return false;
  const head = await fresh(dispatch(batchesApi.endpoints.batchHead.initiate(id, { forceRefetch: true })));
  if (!isOpen()) return false;
  if (head.error) {
    if (failureOf(head.error).code === 'not-found') holdDeleted(id, { dispatch, getState });
    return false;
  }
  if (!head.data || head.data.version <= now().version) return false;
  const answer = await fresh(dispatch(batchesApi.endpoints.batch.initiate(id, { forceRefetch: true })));
  const theirs: BatchDocument | undefined = answer.data;
  const mine = presentOf(now());
  if (!isOpen() || mine === null || theirs === undefined || theirs.version <= now().version) return false;
  if (sameBatch(theirs, mine)) {
    dispatch(bench.acknowledged(theirs.version));
    return false;
  }
  if (mine === now().saved) {
    dispatch(bench.theirsTaken(theirs));
    return true;
  }
  // Sending it brings the server's answer, which is compared with what was sent before.
  await batchSaves.flush(id);
  return false;
}

function holdDeleted(id: string, { dispatch, getState }: Store): void {
  const open = selectBench(getState());
  const present = presentOf(open);
  dispatch(bench.deletedElsewhere());
  if (present !== null && present !== open.saved) batchSaves.holdDeleted(id, open.version, present);
}
