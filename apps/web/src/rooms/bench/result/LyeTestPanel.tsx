import { Input } from 'antd';
import { type LyeTest, RECORD_LIMITS } from '@kleur/core/record';
import { usePrinter } from '../../../shared/hooks/useSettings.ts';
import { useDays } from '../../../shared/hooks/useDays.ts';
import { DayField } from '../../../shared/ui/DayField.tsx';
import { NumberField } from '../../../shared/ui/NumberField.tsx';
import { lyeTestTexts as t } from './lyeTestTexts.ts';
import styles from './result.module.css';
import { useLyeCheck } from './useLyeCheck.ts';
import { type Result } from './useResult.ts';

/** Whether the soap is on hold because it may contain lye, and the test that it must pass. */
export function LyeTestPanel({ result }: { readonly result: Result }) {
  const days = useDays();
  const { record, edit } = result;
  const print = usePrinter();
  const { state, below } = useLyeCheck(result);
  if (state === 'none-needed') return null;
  const { lyeTest } = record;
  const set = (change: Partial<LyeTest>): void => {
    edit((r) => ({
      ...r,
      lyeTest: { ...(r.lyeTest ?? { ph: 7, on: days.today() }), ...change },
    }));
  };
  return (
    <section className={state === 'passed' ? styles.test : styles.heavy} aria-label={t.label}>
      <h2>{t.heads[state]}</h2>
      <p>
        {t.how} {below.length > 0 && t.below(below.join(', '))}
      </p>
      <p>{t.limits}</p>
      <div className={styles.row}>
        <NumberField
          label={t.ph}
          value={lyeTest?.ph ?? null}
          min={RECORD_LIMITS.ph.min}
          max={RECORD_LIMITS.ph.max}
          digits={1}
          width={110}
          onCommit={(ph) => {
            set({ ph });
          }}
          onClear={() => {
            edit((r) => ({ ...r, lyeTest: null }));
          }}
        />
        {lyeTest && (
          <>
            <DayField
              label={t.day}
              value={lyeTest.on}
              onPick={(on) => {
                if (on) set({ on });
              }}
            />
            <Input
              aria-label={t.place}
              placeholder={t.place}
              maxLength={RECORD_LIMITS.text}
              style={{ width: 220 }}
              value={lyeTest.place ?? ''}
              onChange={(e) => {
                set({ place: e.target.value });
              }}
            />
            <span className="soft">
              pH {print.number(lyeTest.ph, 1)}: {t.results[state] ?? ''}
            </span>
          </>
        )}
      </div>
    </section>
  );
}
