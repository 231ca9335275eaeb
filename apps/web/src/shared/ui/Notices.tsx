import { lazy, type ReactNode, Suspense, useEffect, useState, useSyncExternalStore } from 'react';
import { NoticeContext } from '../hooks/useNotices.ts';
import { NoticeDesk } from './noticeDesk.ts';

const loadHost = () => import('./NoticeHost.tsx').then((m) => ({ default: m.NoticeHost }));
const NoticeHost = lazy(loadHost);

/** The host is fetched when the page is at rest: what tells that the server is gone must not come from it. */
const AT_REST_MS = 3000;
const whenAtRest = (act: () => void): void => {
  if ('requestIdleCallback' in window) window.requestIdleCallback(act);
  else setTimeout(act, AT_REST_MS);
};

/** Shows messages and notices of everything inside. What shows them loads with the first, or when there is time. */
export function Notices({ children }: { children: ReactNode }) {
  const [desk] = useState(() => new NoticeDesk());
  const wanted = useSyncExternalStore(desk.subscribe, desk.isWanted);
  useEffect(() => {
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
