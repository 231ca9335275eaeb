/**
 * The undo history of a document. Documents are replaced, never changed in place, so that equal objects mean equal
 * documents. Pure: the time of an edit comes with it.
 */
export interface History<T> {
  readonly past: readonly T[];
  readonly present: T;
  readonly future: readonly T[];
  /** Quick edits with the key of the last one join its step; null after anything that is no edit. */
  readonly lastEdit: EditMark | null;
  /** Grows with every edit, undo and redo, so that a late answer knows whether it still belongs. */
  readonly revision: number;
}

export interface EditMark {
  /** What is edited; null for an edit that is always a step of its own. */
  readonly key: string | null;
  /** In milliseconds, of any clock. */
  readonly at: number;
}

/** Most steps that can be undone. */
const MOST_STEPS = 200;
/** Edits of the same thing within this time are one step, in milliseconds. */
const JOIN_MS = 1000;

/** A history that starts with a document; `past` holds what undo leads back to. */
export const startHistory = <T>(present: T, past: readonly T[] = []): History<T> => ({
  past,
  present,
  future: [],
  lastEdit: null,
  revision: 0,
});

/** Records an edit, as a step of its own or as part of the last one. An edit that changes nothing is none. */
export function recordEdit<T>(history: History<T>, next: T, mark: EditMark): History<T> {
  const { past, present, lastEdit, revision } = history;
  if (next === present) return history;
  const since = lastEdit === null ? Infinity : mark.at - lastEdit.at;
  // A clock that was put back says nothing about how quick an edit was.
  const joins = mark.key !== null && lastEdit?.key === mark.key && since >= 0 && since < JOIN_MS;
  return {
    past: joins ? past : [...past, present].slice(-MOST_STEPS),
    present: next,
    future: [],
    lastEdit: mark.key === null ? null : mark,
    revision: revision + 1,
  };
}

/**
 * Adds to the last edit what follows from it and came late. It is no step: undo and redo stay as they are.
 * @param revision of the history when the question was put; an answer to an older one is dropped.
 */
export const amendEdit = <T>(history: History<T>, next: T, revision: number): History<T> =>
  revision === history.revision && history.future.length === 0 ? { ...history, present: next } : history;

/** One step back; the same history where there is none. */
export function undo<T>(history: History<T>): History<T> {
  const before = history.past.at(-1);
  if (before === undefined) return history;
  return {
    past: history.past.slice(0, -1),
    present: before,
    future: [history.present, ...history.future],
    lastEdit: null,
    revision: history.revision + 1,
  };
}

/** One undone step forth again; the same history where there is none. */
export function redo<T>(history: History<T>): History<T> {
  const [next, ...future] = history.future;
  if (next === undefined) return history;
  return {
    past: [...history.past, history.present],
    present: next,
    future,
    lastEdit: null,
    revision: history.revision + 1,
  };
}
