import { Input, Segmented, Select, Switch } from 'antd';
import { READ_HOW, READING_LIMITS, type ReadHow } from '@kleur/core/evidence';
import { HOURS_PER_DAY } from '@kleur/core/pigment';
import { STARTING_BASES } from '@kleur/core/start';
import { useRecipesQuery } from '../../data/saved.ts';
import { NumberField } from '../../shared/ui/NumberField.tsx';
import styles from './book.module.css';
import { type FileWish } from './importing.ts';
import { type BarFile } from './useBarFile.ts';

const HOW_NAME: Readonly<Record<ReadHow, string>> = {
  reader: 'colour reader',
  lab: 'typed L*, a*, b*',
  photo: 'photo and card',
  hex: 'picked on a screen',
};
const REFERENCE = '';

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
  const { data: recipes = [] } = useRecipesQuery();
  const bases = [
    ...recipes.map((r) => ({
      id: r.id,
      name: r.name,
      oils: r.oils.map((o) => ({ materialId: o.material.id, share: o.percent })),
    })),
    ...STARTING_BASES.map((b) => ({
      id: b.id,
      name: b.name,
      oils: b.oils.map(([materialId, share]) => ({ materialId, share })),
    })),
  ];
  const used = bases.find(
    (b) => b.oils === wish.oils || JSON.stringify(b.oils) === JSON.stringify(wish.oils),
  );
  return (
    <section>
      <h2>The bars</h2>
      <div className={styles.trialForm}>
        <label>
          <span>Read with</span>
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
            <span>Doses in</span>
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
            <span>L*, a*, b* for</span>
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
            <span>They</span>
            <Segmented<boolean>
              aria-label="Whether they gelled"
              value={wish.gelled}
              onChange={(gelled) => {
                change({ gelled });
              }}
              options={[
                { value: true, label: 'gelled' },
                { value: false, label: 'did not gel' },
              ]}
            />
          </span>
        )}
        <label>
          <span>Base</span>
          <Select<string>
            aria-label="Base"
            style={{ minWidth: 150 }}
            value={used?.id ?? REFERENCE}
            onChange={(id) => {
              change({ oils: bases.find((b) => b.id === id)?.oils ?? [] });
            }}
            options={[
              { value: REFERENCE, label: 'near-white oils' },
              ...bases.map((b) => ({ value: b.id, label: b.name })),
            ]}
          />
        </label>
        {!says('instrument') && (
          <label>
            <span>Instrument</span>
            <Input
              aria-label="Instrument"
              maxLength={READING_LIMITS.instrument}
              value={wish.instrument}
              onChange={(e) => {
                change({ instrument: e.target.value });
              }}
            />
          </label>
        )}
        <label className={styles.switch}>
          <Switch
            aria-label="It sees the gloss too"
            checked={wish.hasGloss}
            onChange={(hasGloss) => {
              change({ hasGloss });
            }}
          />
          <span>It sees the gloss too (specular included)</span>
        </label>
      </div>
    </section>
  );
}
