import { type BatchWrite } from '@kleur/contract';
import { upgradePlan } from '@kleur/core/plan';
import { type Draft, draftsOf } from '../../../data/drafts.ts';

export type BatchDraft = Draft<BatchWrite>;

/** Batches with edits that the server has not acknowledged. */
export const drafts = draftsOf<BatchWrite>('kleur.draft', (kept) => {
  // Earlier versions called the document a batch.
  const batch = (kept.document ?? kept.batch) as Partial<BatchWrite> | undefined;
  return batch?.plan ? { ...(batch as BatchWrite), plan: upgradePlan(batch.plan) } : null;
});

/** As text with keys in order, so that equal batches are equal texts. */
const textOf = ({ name, state, madeOn, plan }: BatchWrite): string =>
  JSON.stringify({ name, state, madeOn, plan }, (_, value: unknown) =>
    value !== null && typeof value === 'object' && !Array.isArray(value)
      ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
      : value,
  );

/**
 * The draft of a batch, unless the server has all of it: the tab may have gone after the save and before the answer,
 * which is no conflict.
 */
export function unsavedDraft(id: string, saved: BatchWrite): BatchDraft | null {
  const draft = drafts.find(id);
  if (!draft || textOf(draft.document) !== textOf(saved)) return draft;
  drafts.drop(id);
  return null;
}
