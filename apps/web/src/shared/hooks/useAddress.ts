import { useSearchParams } from 'react-router';

type Change = Readonly<Record<string, string | readonly string[]>>;

/**
 * Filters that live in the address, so that a link and the back button bring them back.
 * @returns the parameters, and a function that sets some of them; an empty value takes one out. What is typed replaces
 * the address instead of adding one to go back to.
 */
export function useAddress(): readonly [URLSearchParams, (change: Change) => void] {
  const [params, setParams] = useSearchParams();
  const set = (change: Change): void => {
    setParams(
      (old) => {
        const next = new URLSearchParams(old);
        for (const [key, value] of Object.entries(change)) {
          next.delete(key);
          for (const v of typeof value === 'string' ? [value] : value) if (v) next.append(key, v);
        }
        return next;
      },
      { replace: 'q' in change },
    );
  };
  return [params, set];
}
