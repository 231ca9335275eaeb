import { AgainPanel } from './AgainPanel.tsx';
import { LinePanel } from './LinePanel.tsx';
import styles from './result.module.css';
import { type Result } from './useResult.ts';

/** The batch made again, and the line of versions that it stands in. */
export function VersionsPart({ result }: { readonly result: Result }) {
  return (
    <div className={styles.result}>
      <AgainPanel result={result} />
      <LinePanel result={result} />
    </div>
  );
}
