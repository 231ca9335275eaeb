import { named } from '../../../data/media.ts';
import { logServer } from '../../../data/log.ts';
import { type WaitingFile } from '../../../data/outbox.ts';
import { type AppStore } from '../../../data/store.ts';

/** Sends a file to where the batch keeps its files. @throws Failure */
export const keepFile = (store: AppStore, batchId: string, file: WaitingFile): Promise<void> =>
  logServer(store, batchId).sendFile(file);

/** Keeps a picture with a batch. @returns the name of its file. @throws MediaError or Failure */
export async function keepPhoto(store: AppStore, batchId: string, blob: Blob): Promise<string> {
  const file = await named(blob);
  await keepFile(store, batchId, file);
  return file.name;
}
