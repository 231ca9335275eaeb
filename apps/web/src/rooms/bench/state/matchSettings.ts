import { useSyncExternalStore } from 'react';
import { anything, type MatchFilter } from '@kleur/core/match';

/** What recipes may use, the same in Idea and Pots, kept in this browser. */
export interface MatchSettings {
  readonly filter: MatchFilter;
  readonly most: number;
  /** Whether recipes that are sure come before those that are near but may miss. */
  readonly prefersSure: boolean;
}

const KEY = 'kleur.match';
const start: MatchSettings = { filter: { ...anything, inStock: true }, most: 3, prefersSure: false };

function read(): MatchSettings {
  try {
    const stored = JSON.parse(localStorage.getItem(KEY) ?? 'null') as Partial<MatchSettings> | null;
    const most = stored?.most;
    return {
      filter: { ...start.filter, ...stored?.filter, exclude: [], only: [] },
      most: typeof most === 'number' && most >= 1 && most <= 4 ? Math.round(most) : start.most,
      prefersSure: stored?.prefersSure === true,
    };
  } catch {
    return start;
  }
}

let current: MatchSettings | undefined;
const listeners = new Set<() => void>();

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

export function setMatchSettings(change: Partial<MatchSettings>): void {
  current = { ...(current ?? read()), ...change };
  try {
    localStorage.setItem(KEY, JSON.stringify(current));
  } catch {
    // Without storage the choice lasts as long as the page.
  }
  for (const listener of listeners) listener();
}

/** The present settings, outside of a component. */
export const readMatchSettings = (): MatchSettings => (current ??= read());

export const useMatchSettings = (): MatchSettings => useSyncExternalStore(subscribe, readMatchSettings);
