import { useMatch } from 'react-router';
import { useBench } from './BenchContext.ts';

/** Whether the open step takes no change by touch: Prep can be locked while hands are wet, every other step is open. */
export function useLock(): { readonly locked: boolean; readonly setLocked: (locked: boolean) => void } {
  const { locked, setLocked } = useBench();
  const onPrep = useMatch('/batches/:id/prep') !== null;
  return { locked: locked && onPrep, setLocked };
}
