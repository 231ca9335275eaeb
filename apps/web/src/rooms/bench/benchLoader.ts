import { type LoaderFunctionArgs, type ShouldRevalidateFunction } from 'react-router';
import { type BatchDocument, type BatchWrite } from '@kleur/contract';
import { failureOf } from '../../data/api.ts';
import { batchesApi } from '../../data/batches.ts';
import { batchSaves, sendLeftBehind } from '../../data/batchSaves.ts';
import { type Unsent } from '../../data/saveQueue.ts';
import { type AppDispatch } from '../../data/store.ts';

export type Loaded =
  | { readonly document: BatchDocument; readonly unsent: Unsent<BatchWrite> | null }
  | { readonly problem: string; readonly unsent: Unsent<BatchWrite> | null; readonly isGone: boolean };

/** Loads the batch of the address, and what of it the server has not acknowledged. */
export const benchLoader =
  (dispatch: AppDispatch) =>
  async ({ params }: LoaderFunctionArgs): Promise<Loaded> => {
    const id = params.id ?? '';
    // What was left, a moment ago or by a tab that has gone, may still be on its way.
    await sendLeftBehind();
    await batchSaves.flush(id);
    // Subscribed until it has come: a second load of the same batch must not find it dropped.
    const query = dispatch(batchesApi.endpoints.batch.initiate(id, { forceRefetch: true }));
    try {
      const document = await query.unwrap();
      return { document, unsent: batchSaves.unsent(id) };
    } catch (error) {
      const { code, message } = failureOf(error);
      return { problem: message, unsent: batchSaves.unsent(id), isGone: code === 'not-found' };
    } finally {
      query.unsubscribe();
    }
  };

/** Another batch is loaded anew, and the same one when the maker asks for it; not at each step or pot. */
export const shouldReload: ShouldRevalidateFunction = ({ currentParams, nextParams, currentUrl, nextUrl }) =>
  currentParams.id !== nextParams.id || currentUrl.href === nextUrl.href;
