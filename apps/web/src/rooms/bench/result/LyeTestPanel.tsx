import { flowOf } from '@kleur/core/balance';
import { standing } from '@kleur/core/day';
import { lyeState, PH_FAILS, RECORD_LIMITS } from '@kleur/core/record';
import { usePrinter } from '../../../shared/hooks/useSettings.ts';
import { NumberField } from '../../../shared/ui/NumberField.tsx';
import styles from './result.module.css';
import { type Result } from './useResult.ts';
import { useDays } from '../../../shared/hooks/useDays.ts';

/** Whether the soap may hold lye, and the test that it must pass before anything is sold or used. */
export function LyeTestPanel({ result }: { readonly result: Result }) {
  const days = useDays();
  const { record, made, log, edit } = result;
  const print = usePrinter();
  const flow = flowOf(made.plan, made.weighed);
  const below = flow.pots.filter((p) => p.superfat !== null && p.superfat < 0 && p.left > 0);
  const troubled = standing(log).some((e) => e.kind === 'trouble');
  const state = lyeState(record, below.length > 0 || troubled);
  if (state === 'none-needed') return null;
  return (
    <section className={state === 'passed' ? styles.test : styles.heavy} aria-label="Test for lye">
      <h2>
        {state === 'passed'
          ? 'The test for lye is passed'
          : state === 'failed'
            ? 'The test for lye failed'
            : 'Test it for lye before anything is sold or used'}
      </h2>
      <p>
        Gloves: it may hold lye. After two days wet the soap at several spots and test it by pH; {PH_FAILS} or
        more fails. Nothing is sold or used until it passes.
        {below.length > 0 && ` ${below.map((p) => p.pot.name).join(', ')} came below 0 % superfat.`}
      </p>
      <div className={styles.row}>
        <NumberField
          label="Highest pH of the spots"
          value={record.lyeTest?.ph ?? null}
          min={RECORD_LIMITS.ph.min}
          max={RECORD_LIMITS.ph.max}
          digits={1}
          width={110}
          onCommit={(ph) => {
            edit((r) => ({ ...r, lyeTest: { ph, on: days.today() } }));
          }}
          onClear={() => {
            edit((r) => ({ ...r, lyeTest: null }));
          }}
        />
        {record.lyeTest && (
          <span className="soft">
            pH {print.number(record.lyeTest.ph, 1)}:{' '}
            {record.lyeTest.ph < PH_FAILS ? 'passes' : 'fails; leave it for weeks and test again'}
          </span>
        )}
      </div>
    </section>
  );
}
