import { type BatchWrite } from '@kleur/contract';
import { canonicalText } from '@kleur/core/plan';
import { failureOf } from './api.ts';
import { batchesApi } from './batches.ts';
import { draftsOf } from './drafts.ts';
import { type SaveOutcome, SaveQueue } from './saveQueue.ts';
import { type AppDispatch } from './store.ts';
import { openTabs, tellTabs, thisTab } from './tabs.ts';
import { selectUnsent, unsent } from './unsent.ts';

/** Failures that pass by themselves. */
const PASSING: readonly string[] = [
  'unreachable',
  'storage-unwritable',
  'storage-busy',
  'sign-in-needed',
  'internal',
];
/** How often this tab looks for what other tabs have left behind, ms. */
const LOOK_MS = 5000;

/** The store, which does not know the queue; set once by `startSaving`. */
let dispatch: AppDispatch;
let getState: () => unknown;

/** The part of a batch that is written, whatever else comes with it. */
export const writeOf = ({ name, state, madeOn, plan }: BatchWrite): BatchWrite => ({
  name,
  state,
  madeOn,
  plan,
});

/** Whether two batches say the same, whatever the order of their keys. */
export const sameBatch = (a: BatchWrite, b: BatchWrite): boolean =>
  canonicalText(writeOf(a)) === canonicalText(writeOf(b));

/** Batches with edits that the server has not acknowledged. Those of earlier versions are brought up when they are taken. */
export const drafts = draftsOf<BatchWrite>('kleur.draft', thisTab, (kept) => {
  const batch = kept as Partial<BatchWrite> | undefined;
  return batch?.plan ? (batch as BatchWrite) : null;
});

/** Batches on their way to the server. */
export const batchSaves = new SaveQueue<BatchWrite>({
  drafts,
  same: sameBatch,
  send: async (id, version, batch) => {
    const { data, error } = await dispatch(batchesApi.endpoints.saveBatch.initiate({ id, version, batch }));
    return data ? { kind: 'saved', version: data.version } : refused(id, error);
  },
  onChange: (id, waiting) => {
    const before = selectUnsent(getState()).batches[id];
    const batch = waiting && { name: waiting.document.name, saving: waiting.saving };
    // Told at every move of a slider: nothing is dispatched unless it reads otherwise.
    if (canonicalText(before ?? null) !== canonicalText(batch)) dispatch(unsent.changed({ id, batch }));
  },
  onSaved: (id, version, sent) => {
    dispatch(unsent.saved({ id, version, sent }));
    tellTabs({ kind: 'saved', id });
  },
  onKept: (keeping) => {
    if (selectUnsent(getState()).keeping !== keeping) dispatch(unsent.kept(keeping));
  },
});

/** Reads why a save failed; of a stale one it brings what the server has. */
async function refused(id: string, error: unknown): Promise<SaveOutcome<BatchWrite>> {
  const { code, message } = failureOf(error);
  if (code === 'not-found') return { kind: 'gone' };
  if (code !== 'stale-version') return { kind: PASSING.includes(code) ? 'unreachable' : 'refused', message };
  const query = dispatch(batchesApi.endpoints.batch.initiate(id, { forceRefetch: true }));
  try {
    const document = await query.unwrap();
    return { kind: 'stale', version: document.version, document: writeOf(document) };
  } catch (again) {
    return await refused(id, again);
  } finally {
    query.unsubscribe();
  }
}

/** The batch on the bench: what another tab left of it must not slip under what is being edited. */
let onBench: string | null = null;
export const setOnBench = (id: string | null): void => {
  onBench = id;
};

/** Drafts whose tab was gone at the last look. */
let left: ReadonlySet<string> = new Set();

/**
 * Takes what tabs that have gone left unsent, the newest of each batch, and sends it.
 * @param isPatient leaves those whose tab was there a while ago: it may be loading anew, and takes its own itself.
 */
export async function sendLeftBehind(isPatient = false): Promise<void> {
  const isFree = (id: string): boolean => id !== onBench && batchSaves.unsent(id) === null;
  if (!drafts.ofOthers().some(({ id }) => isFree(id))) return;
  // Drafts are rare, and what brings old ones up is large.
  const [open, { presentBatch }] = await Promise.all([openTabs(), import('./presentBatch.ts')]);
  const orphans = drafts.ofOthers().filter(({ tab }) => !open.has(tab));
  const before = left;
  left = new Set(orphans.map(({ id, tab }) => `${id}.${tab}`));
  for (const draft of orphans.sort((a, b) => b.baseVersion - a.baseVersion)) {
    if (!isFree(draft.id) || (isPatient && !before.has(`${draft.id}.${draft.tab}`))) continue;
    try {
      batchSaves.adopt(draft.id, { ...draft, document: presentBatch(draft.document) });
      drafts.take(draft);
    } catch {
      // What cannot be read stays where it is.
    }
  }
}

/** Connects the queue with the store. @returns a function that ends it. */
export function startSaving(store: { dispatch: AppDispatch; getState: () => unknown }): () => void {
  ({ dispatch, getState } = store);
  const look = (): void => void sendLeftBehind(true);
  // When the connection comes back there is no need to wait for the next try.
  const retry = (): void => {
    batchSaves.retry();
  };
  globalThis.addEventListener('online', retry);
  const timer = setInterval(look, LOOK_MS);
  void sendLeftBehind();
  return () => {
    globalThis.removeEventListener('online', retry);
    clearInterval(timer);
  };
}

/** Restores a batch that was deleted elsewhere and sends what is unsent of it. @throws the failure. */
export async function restoreUnsent(id: string): Promise<void> {
  await dispatch(batchesApi.endpoints.restoreBatch.initiate(id)).unwrap();
  await batchSaves.release(id);
}

/** Keeps what is unsent of a batch as a batch of its own. @returns its id. @throws the failure. */
export async function keepUnsentAsNew(id: string, batch: BatchWrite): Promise<string> {
  const name = `${batch.name.slice(0, 66)} (my version)`;
  const made = await dispatch(
    batchesApi.endpoints.createBatch.initiate({ ...writeOf(batch), name }),
  ).unwrap();
  batchSaves.drop(id);
  return made.id;
}
