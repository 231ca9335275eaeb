import { useEffect, useState } from 'react';
import { whenAtRest } from '../../data/whenAtRest.ts';

/** Whether the page has had nothing else to do since the component was first shown. */
export function useAtRest(): boolean {
  const [atRest, setAtRest] = useState(false);
  useEffect(() => {
    let left = false;
    whenAtRest(() => {
      if (!left) setAtRest(true);
    });
    return () => {
      left = true;
    };
  }, []);
  return atRest;
}
