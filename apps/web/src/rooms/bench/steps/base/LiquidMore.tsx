import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { DeleteOutlined, PlusOutlined } from '../../../../shared/ui/icons.tsx';
import { Button, Select } from 'antd';
import { isMilk, LIQUID_FACTS, LIQUID_KINDS, type LiquidKind, PLAN_LIMITS, setBase } from '@kleur/core/plan';
import { grams } from '@kleur/core/units';
import { NameField } from '../../../../shared/ui/NameField.tsx';
import { NumberField } from '../../../../shared/ui/NumberField.tsx';
import { MassField } from '../../../../shared/ui/Quantity.tsx';
import { newId } from '../../../../data/newId.ts';
import { usePlan } from '../../state/useDerived.ts';
import { useEdit } from '../../state/useEdit.ts';

const KINDS: Readonly<Record<LiquidKind, string>> = {
  milk: 'Milk',
  'coconut-milk': 'Coconut milk, tinned',
  tea: 'Tea, brewed plant, coffee',
  puree: 'Purée',
  brine: 'Brine',
  beer: 'Beer or wine',
  other: 'Other',
};

/** What of the liquid is not water, and what is kept out of the lye. */
export function LiquidMore() {
  const print = usePrinter();
  const { base } = usePlan();
  const { liquid } = base;
  const edit = useEdit();
  const setParts = (parts: typeof liquid.parts, key: string | null = null): void => {
    edit((p) => setBase(p, { liquid: { ...p.base.liquid, parts } }), key);
  };
  const change = (id: string, part: Partial<(typeof liquid.parts)[number]>): void => {
    setParts(
      liquid.parts.map((p) => (p.id === id ? { ...p, ...part } : p)),
      `liquid-part:${id}:${Object.keys(part).join()}`,
    );
  };
  const water = 100 - liquid.parts.reduce((sum, p) => sum + p.percent, 0);
  return (
    <>
      <p className="soft small figure">
        {liquid.parts.length === 0
          ? 'All of it is water.'
          : water >= 0
            ? `The other ${print.percent(water)} is water.`
            : 'The parts make more than 100 %.'}
      </p>
      {liquid.parts.map((part) => (
        <div key={part.id} className="row">
          <NameField
            label="Name of the liquid"
            hideLabel
            width={130}
            value={part.name}
            onCommit={(name) => {
              change(part.id, { name });
            }}
          />
          <Select
            aria-label={`Kind of ${part.name}`}
            value={part.kind}
            onChange={(kind) => {
              change(part.id, { kind });
            }}
            options={LIQUID_KINDS.map((k) => ({ value: k, label: KINDS[k] }))}
            style={{ width: 190 }}
          />
          <NumberField
            label={`Share of ${part.name}`}
            hideLabel
            width={84}
            value={part.percent}
            digits={1}
            {...PLAN_LIMITS.share}
            suffix="%"
            onCommit={(percent) => {
              change(part.id, { percent });
            }}
          />
          <Button
            type="text"
            icon={<DeleteOutlined />}
            aria-label={`Remove ${part.name}`}
            onClick={() => {
              setParts(liquid.parts.filter((p) => p.id !== part.id));
            }}
          />
        </div>
      ))}
      {liquid.parts.some((p) => LIQUID_FACTS[p.kind].water < 1) && (
        <p className="soft small figure">
          {liquid.parts
            .filter((p) => LIQUID_FACTS[p.kind].water < 1)
            .map(({ name, kind }) => {
              const { water: wet, fat } = LIQUID_FACTS[kind];
              return `${name}: ${print.percent(wet * 100, 0)} water${fat > 0 ? `, ${print.percent(fat * 100)} fat, which counts as oil` : ''}`;
            })
            .join('. ')}
          . Only water dissolves the lye.
        </p>
      )}
      {liquid.parts.some((p) => p.kind === 'beer') && (
        <p className="caution">Beer and wine flat and boiled free of alcohol first, or they erupt.</p>
      )}
      {liquid.parts.some((p) => isMilk(p.kind)) && (
        <p className="caution">Milk or sugar in lye heats fast: freeze it, add the lye slowly.</p>
      )}
      <div className="row">
        <Button
          icon={<PlusOutlined />}
          disabled={liquid.parts.length >= PLAN_LIMITS.liquidParts}
          onClick={() => {
            setParts([...liquid.parts, { id: newId(), name: 'Milk', kind: 'milk', percent: 50 }]);
          }}
        >
          Milk, tea or other
        </Button>
        <MassField
          label="Kept out of the lye, stirred in later"
          width={220}
          value={liquid.heldBack}
          {...PLAN_LIMITS.mass}
          step={10}
          onCommit={(v) => {
            edit((p) => setBase(p, { liquid: { ...p.base.liquid, heldBack: grams(v) } }), 'held-back');
          }}
        />
      </div>
    </>
  );
}
