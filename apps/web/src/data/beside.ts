/** Ids of the batches that are made side by side today, on this device. */
const KEY = 'kleur-beside';
export const MOST_BESIDE = 6;

const listeners = new Set<() => void>();
let read: { readonly text: string; readonly ids: readonly string[] } = { text: '[]', ids: [] };

export const beside = {
  /** The same list for as long as nothing was changed. */
  get: (): readonly string[] => {
    let text = '[]';
    try {
      text = localStorage.getItem(KEY) ?? '[]';
    } catch {
      // A browser that keeps nothing has one batch at a time.
    }
    if (text !== read.text) read = { text, ids: idsOf(text) };
    return read.ids;
  },
  set: (ids: readonly string[]): void => {
    const text = JSON.stringify(ids.slice(0, MOST_BESIDE));
    try {
      localStorage.setItem(KEY, text);
    } catch {
      // See above.
    }
    for (const listener of listeners) listener();
  },
  subscribe: (listener: () => void): (() => void) => {
    listeners.add(listener);
    window.addEventListener('storage', listener);
    return () => {
      listeners.delete(listener);
      window.removeEventListener('storage', listener);
    };
  },
};

function idsOf(text: string): readonly string[] {
  try {
    const value: unknown = JSON.parse(text);
    return Array.isArray(value) ? value.filter((v) => typeof v === 'string').slice(0, MOST_BESIDE) : [];
  } catch {
    return [];
  }
}
