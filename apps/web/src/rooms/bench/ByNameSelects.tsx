import { Select } from 'antd';
import { candidatesOf, type MatchFilter } from '@kleur/core/match';
import { useMemo } from 'react';
import { type ByName } from './state/matching.ts';
import { useMatchSettings } from './state/matchSettings.ts';
import { useShelf } from './useMatching.ts';

const LISTS = [
  ['must', 'Must hold', 'nothing in particular', 4],
  ['only', 'Only these', 'all that is allowed', undefined],
  ['exclude', 'Never', 'none is left out', undefined],
] as const;

/** Colourants by name: what every recipe holds, what it keeps to, what it does without. */
export function ByNameSelects(props: { readonly value: ByName; readonly onChange: (value: ByName) => void }) {
  const shelf = useShelf();
  const { filter } = useMatchSettings();
  const options = useMemo(() => colourants(shelf, filter), [shelf, filter]);
  return (
    <>
      {LISTS.map(([key, label, placeholder, most]) => (
        <div className="field" key={key}>
          <span className="field-label">{label}</span>
          <Select
            mode="multiple"
            aria-label={label}
            placeholder={placeholder}
            value={[...(props.value[key] ?? [])]}
            maxCount={most}
            showSearch={{ optionFilterProp: 'label' }}
            options={options}
            onChange={(ids: string[]) => {
              props.onChange({ ...props.value, [key]: ids });
            }}
          />
        </div>
      ))}
    </>
  );
}

const colourants = (
  shelf: ReturnType<typeof useShelf>,
  filter: MatchFilter,
): { value: string; label: string }[] =>
  candidatesOf([...shelf.values()], { ...filter, exclude: [], only: [] })
    .map(({ id }) => ({ value: id, label: shelf.get(id)?.name ?? id }))
    .sort((a, b) => a.label.localeCompare(b.label));
