import { lazy, Suspense } from 'react';
import { useAtRest } from '../../shared/hooks/useAtRest.ts';
import styles from './Ledger.module.css';

const DueReadings = lazy(() =>
  import('../../shared/batches/DueReadings.tsx').catch(() => ({ default: () => null })),
);

/** Readings that are due, asked for once the list is there. */
export function DueNotice() {
  const atRest = useAtRest();
  return (
    atRest && (
      <Suspense fallback={null}>
        <span className={styles.due}>
          <DueReadings />
        </span>
      </Suspense>
    )
  );
}
