import { lazy, memo, Suspense } from 'react';
import { type PastOf } from '@kleur/contract';
import { useAtRest } from '../../shared/hooks/useAtRest.ts';

// Without a connection the part may not be at hand: the pot's own fields must not go with it.
const PastResults = lazy(() => import('./PastResults.tsx').catch(() => ({ default: () => null })));

/** How the last batches with something came out, asked for once the page has nothing else to do. */
export const Past = memo(function Past(props: {
  readonly of: PastOf;
  readonly refId: string;
  readonly name: string;
}) {
  const atRest = useAtRest();
  return (
    atRest && (
      <Suspense fallback={null}>
        <PastResults {...props} />
      </Suspense>
    )
  );
});
