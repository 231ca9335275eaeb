import { Link } from 'react-router';
import { isOnHold } from '@kleur/core/record';
import { lyeTestTexts as t } from './lyeTestTexts.ts';
import styles from './result.module.css';
import { useLyeCheck } from './useLyeCheck.ts';
import { type Result } from './useResult.ts';

/** Says in every part of the result that the soap is on hold, with the way to the test. */
export function HoldLine({ result }: { readonly result: Result }) {
  if (!isOnHold(useLyeCheck(result).state)) return null;
  return (
    <p className={styles.heavy}>
      <b>{t.onHold}</b> <Link to="?part=faults">{t.toTest}</Link>
    </p>
  );
}
