import { Checkbox, Segmented, Select } from 'antd';
import { Link } from 'react-router';
import { type MatchFilter, ownsColour } from '@kleur/core/match';
import { useShelf } from './useMatching.ts';
import { setMatchSettings, useMatchSettings } from './state/matchSettings.ts';

const limits: readonly { readonly value: Exclude<keyof MatchFilter, 'exclude'>; readonly label: string }[] = [
  { value: 'inStock', label: 'in stock' },
  { value: 'natural', label: 'natural' },
  { value: 'vegan', label: 'vegan' },
  { value: 'palmFree', label: 'palm-free' },
  { value: 'noBleed', label: 'no bleeding' },
  { value: 'noFade', label: 'no fading' },
];

/** What of the shelf recipes may use, and how many colourants at most. */
export function MatchFilterBar() {
  const { filter, most, prefersSure } = useMatchSettings();
  const shelf = useShelf();
  const everything = filter.inStock && shelf.size > 0 && !ownsColour([...shelf.values()]);
  const chosen = limits.filter((l) => filter[l.value]).map((l) => l.value);
  return (
    <>
      <div className="filter-bar">
        <Select
          aria-label="Only what is"
          mode="multiple"
          placeholder="The whole shelf"
          value={chosen}
          onChange={(values) => {
            setMatchSettings({
              filter: {
                ...filter,
                ...Object.fromEntries(limits.map((l) => [l.value, values.includes(l.value)])),
              },
            });
          }}
          options={limits as never}
        />
        <span className="soft">colourants</span>
        <Segmented
          aria-label="Most colourants"
          value={most}
          onChange={(v) => {
            setMatchSettings({ most: v });
          }}
          options={[1, 2, 3, 4].map((n) => ({ value: n, label: `≤ ${n}` }))}
        />
        <Checkbox
          checked={prefersSure}
          onChange={(e) => {
            setMatchSettings({ prefersSure: e.target.checked });
          }}
        >
          sure ones first
        </Checkbox>
      </div>
      {everything && (
        <p className="soft small">
          Nothing is marked in stock, so the whole shelf is offered.{' '}
          <Link to="/shelf?own=1">Mark what you own</Link>
        </p>
      )}
    </>
  );
}
