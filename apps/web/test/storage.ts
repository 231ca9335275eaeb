/** Puts a store in the place of the browser's, to look into it and to make it fail. */
export function fakeStorage(store: Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>): void {
  Object.defineProperty(globalThis, 'localStorage', { value: store, configurable: true });
}
