import { type LoaderFunctionArgs, type ShouldRevalidateFunction } from 'react-router';
import { type BatchDocument } from '@kleur/contract';
import { failureOf } from '../../data/api.ts';
import { batchesApi } from '../../data/batches.ts';
import { type AppDispatch } from '../../data/store.ts';
import { batchSaves } from './state/autosave.ts';
import { type BatchDraft, unsavedDraft } from './state/drafts.ts';

export type Loaded =
  { readonly document: BatchDocument; readonly draft: BatchDraft | null } | { readonly problem: string };

/** Loads the batch of the address, and what this browser holds of it that the server has not acknowledged. */
export const benchLoader =
  (dispatch: AppDispatch) =>
  async ({ params }: LoaderFunctionArgs): Promise<Loaded> => {
    const id = params.id ?? '';
    // What was left a moment ago may still be on its way.
    await batchSaves.flush(id);
    // Subscribed until it has come: a second load of the same batch must not find it dropped.
    const query = dispatch(batchesApi.endpoints.batch.initiate(id, { forceRefetch: true }));
    try {
      const document = await query.unwrap();
      return { document, draft: unsavedDraft(id, document) };
    } catch (error) {
      return { problem: failureOf(error).message };
    } finally {
      query.unsubscribe();
    }
  };

/** Another batch is loaded anew, and the same one when the maker asks for it; not at each step or pot. */
export const shouldReload: ShouldRevalidateFunction = ({ currentParams, nextParams, currentUrl, nextUrl }) =>
  currentParams.id !== nextParams.id || currentUrl.href === nextUrl.href;
