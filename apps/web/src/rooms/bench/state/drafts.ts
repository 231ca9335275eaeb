import { type BatchWrite } from '@kleur/contract';
import { upgradePlan } from '@kleur/core/plan';

/** An edit that the server has not acknowledged yet, kept in the browser in case the tab goes first. */
export interface Draft {
  readonly baseVersion: number;
  readonly batch: BatchWrite;
}

const key = (id: string): string => `kleur.draft.${id}`;

export function keepDraft(id: string, draft: Draft): void {
  try {
    localStorage.setItem(key(id), JSON.stringify(draft));
  } catch {
    // A full or forbidden store costs the safety net, not the edit: the document is still in memory.
  }
}

export const dropDraft = (id: string): void => {
  localStorage.removeItem(key(id));
};

export function findDraft(id: string): Draft | null {
  try {
    const text = localStorage.getItem(key(id));
    if (text === null) return null;
    const draft = JSON.parse(text) as Partial<Draft>;
    if (typeof draft.baseVersion !== 'number' || !draft.batch?.plan) return null;
    return { baseVersion: draft.baseVersion, batch: { ...draft.batch, plan: upgradePlan(draft.batch.plan) } };
  } catch {
    return null;
  }
}

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
export function unsavedDraft(id: string, saved: BatchWrite): Draft | null {
  const draft = findDraft(id);
  if (!draft || textOf(draft.batch) !== textOf(saved)) return draft;
  dropDraft(id);
  return null;
}
