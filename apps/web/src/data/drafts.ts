/** An edit that the server has not acknowledged yet, kept in the browser in case the tab goes first. */
export interface Draft<T> {
  /** Version on the server that the document grew from. */
  readonly baseVersion: number;
  readonly document: T;
}

/** Where the drafts of one kind of document lie. */
export interface Drafts<T> {
  keep(id: string, draft: Draft<T>): void;
  /** The draft, brought up to what the application understands; null for none, or one that cannot be read. */
  find(id: string): Draft<T> | null;
  drop(id: string): void;
}

/**
 * Drafts in the browser's storage.
 * @param revive finds the document in what was kept, which an earlier version may have written; null when it is none.
 */
export function draftsOf<T>(
  prefix: string,
  revive: (kept: Readonly<Record<string, unknown>>) => T | null,
): Drafts<T> {
  const key = (id: string): string => `${prefix}.${id}`;
  return {
    keep(id, draft) {
      try {
        localStorage.setItem(key(id), JSON.stringify(draft));
      } catch {
        // A full or forbidden store costs the safety net, not the edit: the document is still in memory.
      }
    },
    find(id) {
      try {
        const text = localStorage.getItem(key(id));
        if (text === null) return null;
        const kept = JSON.parse(text) as Record<string, unknown>;
        const document = revive(kept);
        return typeof kept.baseVersion === 'number' && document !== null
          ? { baseVersion: kept.baseVersion, document }
          : null;
      } catch {
        return null;
      }
    },
    drop(id) {
      try {
        localStorage.removeItem(key(id));
      } catch {
        // Where nothing can be kept there is nothing to drop.
      }
    },
  };
}
