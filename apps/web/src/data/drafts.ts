/** An edit that the server has not acknowledged yet, kept in the browser in case the tab goes first. */
export interface Draft<T> {
  /** Version on the server that the document grew from. */
  readonly baseVersion: number;
  readonly document: T;
  /** What was sent from here without an answer: the server may have it. The latest first. */
  readonly lost: readonly T[];
}

/** A draft of another tab, or of one that has gone. */
export interface OthersDraft<T> extends Draft<T> {
  readonly id: string;
  readonly tab: string;
}

/** Whether the browser keeps what it is given: `blocked` where it allows no store, `full` where there is no room. */
export type Keeping = 'kept' | 'blocked' | 'full';

/** Drafts of one kind of document. Each belongs to the tab in which it was made. */
export interface Drafts<T> {
  keep(id: string, draft: Draft<T>): Keeping;
  /** Drops this tab's own. */
  drop(id: string): void;
  /** What other tabs have kept, brought up to what the application understands. What cannot be read is left alone. */
  ofOthers(): readonly OthersDraft<T>[];
  /** Drops one of another tab, once this one has it. */
  take(draft: OthersDraft<T>): void;
}

/** A draft names its tab; one of an earlier version names none. */
const partsOf = (key: string): { readonly id: string; readonly tab: string } => {
  const [id = '', tab = ''] = key.split('.');
  return { id, tab };
};

/** Whether the browser lets this page keep anything, found out by trying. */
export function storeWorks(): Keeping {
  return attempt(() => {
    localStorage.setItem('kleur.try', 'x');
    localStorage.removeItem('kleur.try');
  });
}

function attempt(write: () => void): Keeping {
  try {
    write();
    return 'kept';
  } catch (error) {
    return (error as DOMException).name === 'QuotaExceededError' ? 'full' : 'blocked';
  }
}

/**
 * Drafts in the browser's storage.
 * @param tab that they belong to; neither it nor an id has a dot in it.
 * @param revive finds the document in what was kept, which an earlier version may have written; null when it is none.
 */
export function draftsOf<T>(prefix: string, tab: string, revive: (kept: unknown) => T | null): Drafts<T> {
  const key = (id: string, of = tab): string => [prefix, id, of].filter(Boolean).join('.');

  const read = (at: string): OthersDraft<T> | null => {
    try {
      const kept = JSON.parse(localStorage.getItem(at) ?? 'null') as Record<string, unknown> | null;
      if (typeof kept?.baseVersion !== 'number') return null;
      // Earlier versions called the document a batch.
      const document = revive(kept.document ?? kept.batch);
      if (document === null) return null;
      const lost = (Array.isArray(kept.lost) ? kept.lost : []).map(revive).filter((d) => d !== null);
      return { ...partsOf(at.slice(prefix.length + 1)), baseVersion: kept.baseVersion, document, lost };
    } catch {
      return null;
    }
  };

  return {
    keep: (id, draft) =>
      attempt(() => {
        localStorage.setItem(key(id), JSON.stringify(draft));
      }),
    drop: (id) => {
      attempt(() => {
        localStorage.removeItem(key(id));
      });
    },
    ofOthers: () => {
      const keys: string[] = [];
      attempt(() => {
        for (let i = 0; i < localStorage.length; i++) keys.push(localStorage.key(i)!);
      });
      return keys
        .filter((k) => k.startsWith(`${prefix}.`) && partsOf(k.slice(prefix.length + 1)).tab !== tab)
        .map(read)
        .filter((d) => d !== null);
    },
    take: (draft) => {
      attempt(() => {
        localStorage.removeItem(key(draft.id, draft.tab));
      });
    },
  };
}
