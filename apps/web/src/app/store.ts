import { startSaving } from '../data/batchSaves.ts';
import { makeStore } from '../data/store.ts';

/** The one store of the page. */
export const store = makeStore();
startSaving(store);
