import { useCallback, useSyncExternalStore } from 'react';

/** Whether a media query holds now. */
export function useMedia(query: string): boolean {
  const subscribe = useCallback(
    (told: () => void) => {
      const list = window.matchMedia(query);
      list.addEventListener('change', told);
      return () => {
        list.removeEventListener('change', told);
      };
    },
    [query],
  );
  return useSyncExternalStore(subscribe, () => window.matchMedia(query).matches);
}
