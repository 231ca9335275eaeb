import { useEffect, useState } from 'react';

/**
 * Keeps the screen awake while it is shown; asks again when the page comes back.
 * @returns whether it stays awake: not every browser can, and none does on an address that it does not trust.
 */
export function useWakeLock(): boolean {
  const [awake, setAwake] = useState(false);
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let left = false;
    const ask = async (): Promise<void> => {
      if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
      try {
        lock = await navigator.wakeLock.request('screen');
        if (left) void lock.release();
        else setAwake(true);
      } catch {
        setAwake(false);
      }
    };
    const onVisible = (): void => void ask();
    void ask();
    document.addEventListener('visibilitychange', onVisible);
    return () => {
      left = true;
      document.removeEventListener('visibilitychange', onVisible);
      void lock?.release();
    };
  }, []);
  return awake;
}
