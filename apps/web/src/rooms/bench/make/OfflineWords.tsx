import { useEffect, useState } from 'react';
import { keepForOffline, type OfflineStart } from '../../../data/offline.ts';

/** Puts the batch onto this device, and says so where that cannot be. */
export function OfflineWords({ batchId }: { readonly batchId: string }) {
  const [state, setState] = useState<OfflineStart | null>(null);
  useEffect(() => {
    let left = false;
    void keepForOffline(batchId).then((s) => {
      if (!left) setState(s);
    });
    return () => {
      left = true;
    };
  }, [batchId]);
  if (state === null || state === 'ready') return null;
  return (
    <p className="soft small">
      {state === 'failed'
        ? 'Kleur could not be put onto this device: keep this page open, it opens only while the server is reached.'
        : 'This device does not trust this address: keep this page open, it opens only while the server is reached. '}
      {state === 'not-trusted' && window.location.protocol === 'https:' && (
        <a href="/trust">How to trust it</a>
      )}
    </p>
  );
}
