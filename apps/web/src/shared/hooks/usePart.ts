import { useSearchParams } from 'react-router';

/** Which part of a step is open, kept in the address. */
export function usePart<K extends string>(keys: readonly K[]): K {
  const [params] = useSearchParams();
  return keys.find((k) => k === params.get('part')) ?? keys[0]!;
}
