import { lazy, type ReactNode, Suspense, useEffect, useState, useSyncExternalStore } from 'react';
import { whenAtRest } from '../../data/whenAtRest.ts';
import { NoticeContext } from '../hooks/useNotices.ts';
import { NoticeDesk } from './noticeDesk.ts';

const loadHost = () => import('./NoticeHost.tsx').then((m) => ({ default: m.NoticeHost }));
const NoticeHost = lazy(loadHost);

/** Shows messages and notices of everything inside. What shows them loads with the first, or when there is time. */
export function Notices({ children }: { children: ReactNode }) {
  const [desk] = useState(() => new NoticeDesk());
  const wanted = useSyncExternalStore(desk.subscribe, desk.isWanted);
  useEffect(() => {
    // What tells that the server is gone must not come from it.
    whenAtRest(() => void loadHost());
  }, []);
  return (
    <NoticeContext value={desk.apis}>
      {children}
      {wanted && (
        <Suspense fallback={null}>
          <NoticeHost onReady={desk.show} />
        </Suspense>
      )}
    </NoticeContext>
  );
}
