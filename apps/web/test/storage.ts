/** A store in the place of the browser's, to look into it and to make it fail. */
export interface FakeStorage {
  readonly kept: Map<string, string>;
  /** Name of the error that every write answers; null while it works. */
  failing: string | null;
}

export function fakeStorage(): FakeStorage {
  const kept = new Map<string, string>();
  const fake: FakeStorage = { kept, failing: null };
  const store = {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => {
      if (fake.failing !== null) throw new DOMException('refused', fake.failing);
      kept.set(k, v);
    },
    removeItem: (k: string) => void kept.delete(k),
    key: (i: number) => [...kept.keys()][i] ?? null,
    get length() {
      return kept.size;
    },
  };
  Object.defineProperty(globalThis, 'localStorage', { value: store, configurable: true });
  return fake;
}
