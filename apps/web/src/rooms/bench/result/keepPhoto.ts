import { named } from '../../../data/media.ts';
import { logServer } from '../../../data/log.ts';
import { type AppStore } from '../../../data/store.ts';

/** Keeps a picture or a clip with a batch. @returns the name of its file. @throws MediaError or Failure */
export async function keepPhoto(store: AppStore, batchId: string, blob: Blob): Promise<string> {
  const file = await named(blob);
  await logServer(store, batchId).sendFile(file);
  return file.name;
}
