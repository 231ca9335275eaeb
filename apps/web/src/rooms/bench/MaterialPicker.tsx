import { Select } from 'antd';
import { type Material, type MaterialKind } from '@kleur/core/material';
import { useMaterialsQuery } from '../../data/materials.ts';
import { kindName } from '../../shared/ui/kindName.ts';
import { usePlanPart } from './state/useDerived.ts';

interface Option {
  readonly value: string;
  readonly label: string;
  readonly colour: string | null;
  readonly inStock: boolean;
}

/** Chooses a material of the shelf: what the plan uses first, then what is in stock, then the rest, found by name. */
export function MaterialPicker(props: {
  readonly label: string;
  readonly accept: (kind: MaterialKind) => boolean;
  readonly taken: readonly string[];
  readonly onPick: (material: Material) => void;
  readonly value?: string | null;
  readonly onClear?: () => void;
}) {
  const { data = [], isError } = useMaterialsQuery();
  const offered = data.filter((m) => props.accept(m.kind) && !props.taken.includes(m.id));
  const option = (m: (typeof data)[number]): Option => ({
    value: m.id,
    label: m.name,
    colour: m.colour,
    inStock: m.inStock,
  });
  // As one text: a dose that moves is no reason to render the list again.
  const inPlan = usePlanPart((p) => p.materials.map((m) => m.id).join(' ')).split(' ');
  const used = offered.filter((m) => inPlan.includes(m.id));
  const others = offered.filter((m) => !used.includes(m));
  const stocked = others.filter((m) => m.inStock);
  const rest = others.filter((m) => !m.inStock);
  const kinds = [...new Set(rest.map((m) => m.kind))];
  const groups = [
    ...(used.length > 0 ? [{ label: 'In this plan', options: used.map(option) }] : []),
    ...(stocked.length > 0 ? [{ label: 'In stock', options: stocked.map(option) }] : []),
    ...kinds.map((kind) => ({
      label: stocked.length > 0 ? `${kindName[kind]} (not in stock)` : kindName[kind],
      options: rest.filter((m) => m.kind === kind).map(option),
    })),
  ];
  return (
    <Select<string, Option>
      className="picker"
      aria-label={props.label}
      placeholder={props.label}
      showSearch={{ optionFilterProp: 'label' }}
      value={props.value ?? null}
      allowClear={props.onClear !== undefined}
      onClear={props.onClear}
      notFoundContent={isError ? 'The shelf could not be loaded' : 'Nothing on the shelf by that name'}
      options={groups as never}
      optionRender={({ data: o }) => (
        <span className="picker-option">
          <i className="chip" style={{ background: o.colour ?? 'transparent' }} />
          {o.label}
        </span>
      )}
      onSelect={(id) => {
        const found = data.find((m) => m.id === id);
        if (!found) return;
        // The plan keeps the material, not the shelf's bookkeeping about it.
        const { version: _version, builtIn: _builtIn, ...material } = found;
        props.onPick(material);
      }}
    />
  );
}
