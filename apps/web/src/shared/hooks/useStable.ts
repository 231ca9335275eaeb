import { useInsertionEffect, useRef, useState } from 'react';

/**
 * A function that stays the same over all renders and calls the newest one: for handlers of parts that are rendered
 * again only when what they show has changed. Not to be called while rendering.
 */
export function useStable<A extends readonly unknown[], R>(fn: (...args: A) => R): (...args: A) => R {
  const newest = useRef(fn);
  useInsertionEffect(() => {
    newest.current = fn;
  });
  const [stable] = useState(
    () =>
      (...args: A): R =>
        newest.current(...args),
  );
  return stable;
}
