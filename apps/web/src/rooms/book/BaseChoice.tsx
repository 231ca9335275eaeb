import { Select } from 'antd';
import { STARTING_BASES } from '@kleur/core/start';
import { useRecipesQuery } from '../../data/saved.ts';
import { type BarOils } from './barForm.ts';

const REFERENCE = '';

/** Which oils bars were made of: the reference base, a recipe of one's own, or one of those to start from. */
export function BaseChoice({
  oils,
  onChange,
}: {
  readonly oils: BarOils;
  readonly onChange: (oils: BarOils) => void;
}) {
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
  const said = JSON.stringify(oils);
  return (
    <label>
      <span className="field-label">Base</span>
      <Select<string>
        aria-label="Base"
        style={{ minWidth: 150 }}
        value={bases.find((b) => JSON.stringify(b.oils) === said)?.id ?? REFERENCE}
        onChange={(id) => {
          onChange(bases.find((b) => b.id === id)?.oils ?? []);
        }}
        options={[
          { value: REFERENCE, label: 'near-white oils' },
          ...bases.map((b) => ({ value: b.id, label: b.name })),
        ]}
      />
    </label>
  );
}
