import { Segmented, Select } from 'antd';
import { READ_HOW, READING_LIMITS, type ReadHow } from '@kleur/core/evidence';
import { HOURS_PER_DAY } from '@kleur/core/pigment';
import { NumberField } from '../../shared/ui/NumberField.tsx';
import { BaseChoice } from './BaseChoice.tsx';
import styles from './book.module.css';
import { GelledChoice } from './GelledChoice.tsx';
import { GlossSwitch } from './GlossSwitch.tsx';
import { TextField } from './TextField.tsx';
import { type FileWish } from './importing.ts';
import { type BarFile } from './useBarFile.ts';

const HOW_NAME: Readonly<Record<ReadHow, string>> = {
  reader: 'colour reader',
  lab: 'typed L*, a*, b*',
  photo: 'photo and card',
  hex: 'picked on a screen',
};

/** What the file does not say of its bars. */
export function FileWishes(props: {
  readonly file: BarFile;
  readonly wish: FileWish;
  readonly change: (change: Partial<FileWish>) => void;
}) {
  const { file, wish, change } = props;
  const { roles, white, perDose } = file.reading;
  const says = (...wanted: readonly (typeof roles)[number][]): boolean =>
    wanted.some((r) => roles.includes(r));
  return (
    <section>
      <h2>The bars</h2>
      <div className={styles.trialForm}>
        <label>
          <span className="field-label">Read with</span>
          <Select<ReadHow>
            aria-label="Read with"
            value={wish.how}
            onChange={(how) => {
              change({ how });
            }}
            options={READ_HOW.map((value) => ({ value, label: HOW_NAME[value] }))}
          />
        </label>
        {says('dose', 'amount', 'doses') && (
          <span className={styles.trialField}>
            <span className="field-label">Doses in</span>
            <Segmented<number>
              aria-label="Doses in"
              value={perDose}
              onChange={(next) => {
                file.change({ perDose: next });
              }}
              options={[
                { value: 1, label: 'g/kg oils' },
                { value: 10, label: '% of oils' },
              ]}
            />
          </span>
        )}
        {says('L') && (
          <span className={styles.trialField}>
            <span className="field-label">L*, a*, b* for</span>
            <Segmented<'D50' | 'D65'>
              aria-label="L*, a*, b* for"
              value={white}
              onChange={(next) => {
                file.change({ white: next });
              }}
              options={['D50', 'D65']}
            />
          </span>
        )}
        {!says('hours', 'days', 'weeks') && (
          <NumberField
            label="Age of the bars"
            width={120}
            value={wish.hours / HOURS_PER_DAY}
            digits={0}
            min={0}
            max={READING_LIMITS.hours.max / HOURS_PER_DAY}
            suffix="days"
            onCommit={(days) => {
              change({ hours: days * HOURS_PER_DAY });
            }}
          />
        )}
        {!says('gel') && (
          <span className={styles.trialField}>
            <span className="field-label">They</span>
            <GelledChoice
              label="Whether they gelled"
              gelled={wish.gelled}
              onChange={(gelled) => {
                change({ gelled });
              }}
            />
          </span>
        )}
        <BaseChoice
          oils={wish.oils}
          onChange={(oils) => {
            change({ oils });
          }}
        />
        {!says('instrument') && (
          <TextField
            label="Instrument"
            maxLength={READING_LIMITS.instrument}
            value={wish.instrument}
            onChange={(instrument) => {
              change({ instrument });
            }}
          />
        )}
        <GlossSwitch
          checked={wish.hasGloss}
          onChange={(hasGloss) => {
            change({ hasGloss });
          }}
        />
      </div>
    </section>
  );
}
