import { DeleteOutlined } from '../../../../shared/ui/icons.tsx';
import { Button, Select } from 'antd';
import { dividedMould } from '@kleur/core/balance';
import { type Draw, PLAN_LIMITS, removeDraw, setDraw, type ShareWay, wouldCycle } from '@kleur/core/plan';
import { memo } from 'react';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { NumberField } from '../../../../shared/ui/NumberField.tsx';
import { LengthField, MassField, VolumeField } from '../../../../shared/ui/Quantity.tsx';
import { usePlanFrame } from '../../state/useDerived.ts';
import { useEdit } from '../../state/useEdit.ts';

const BASE_WAYS: readonly (readonly [ShareWay, string])[] = [
  ['parts', 'by parts'],
  ['percent', 'by %'],
  ['grams', 'by weight'],
  ['millilitres', 'by jug marks'],
  ['layer', 'as a layer'],
  ['slant', 'as a slanted layer'],
  ['section', 'into a section'],
  ['rest', 'the rest'],
];
const POT_WAYS: readonly (readonly [ShareWay, string])[] = [
  ['percent', 'by %'],
  ['grams', 'by weight'],
  ['millilitres', 'by jug marks'],
  ['layer', 'as a layer'],
  ['rest', 'what is left'],
];
/** A first value that makes sense in each way. */
const FIRST: Readonly<Record<ShareWay, number>> = {
  parts: 1,
  percent: 25,
  grams: 200,
  millilitres: 200,
  layer: 20,
  slant: 10,
  section: 1,
  rest: 0,
};

export const DrawRow = memo(function DrawRow({
  potId,
  draw,
  mass,
}: {
  readonly potId: string;
  readonly draw: Draw;
  readonly mass: number;
}) {
  const plan = usePlanFrame();
  const pot = plan.pots.find((p) => p.id === potId)!;
  const edit = useEdit();
  const print = usePrinter();
  const ways = draw.from === null ? BASE_WAYS : POT_WAYS;
  const divided = dividedMould(plan.moulding);
  const set = (change: Partial<Draw>, key: string | null = null): void => {
    edit((p) => setDraw(p, pot.id, draw.id, change), key);
  };
  return (
    <div className="row draw">
      <div className="field">
        <span className="field-label">Drawn from</span>
        <Select<string>
          aria-label="Drawn from"
          value={draw.from ?? ''}
          popupMatchSelectWidth={false}
          onChange={(v) => {
            const from = v === '' ? null : v;
            const fits = (from === null ? BASE_WAYS : POT_WAYS).some(([w]) => w === draw.by);
            set(fits ? { from } : { from, by: 'percent', value: 25 });
          }}
          options={[
            { value: '', label: pot.ownLye ? 'Its own batter' : 'The base batter' },
            ...plan.pots
              .filter((p) => p.id !== pot.id)
              .map((p) => ({
                value: p.id,
                label: wouldCycle(plan, pot.id, p.id) ? `${p.name} (is itself made from this pot)` : p.name,
                disabled: wouldCycle(plan, pot.id, p.id),
              })),
          ]}
          style={{ width: 160 }}
        />
      </div>
      <div className="field">
        <span className="field-label">Share</span>
        <Select<ShareWay>
          aria-label="Share by"
          value={draw.by}
          popupMatchSelectWidth={false}
          onChange={(by) => {
            // Said another way it should stay about as much.
            const value = by === 'grams' && mass > 0 ? Number(mass.toFixed(1)) : FIRST[by];
            set({ by, value, second: by === 'slant' ? 30 : 0 });
          }}
          options={ways.map(([value, label]) => ({
            value,
            label: value === 'section' && !divided ? `${label} (needs a divided slab)` : label,
            disabled: value === 'section' && !divided,
          }))}
          style={{ width: 150 }}
        />
      </div>
      <DrawValue draw={draw} set={set} />
      {pot.draws.length > 1 && <b className="figure draw-mass">{print.mass(mass)}</b>}
      {pot.draws.length > 1 && (
        <Button
          type="text"
          icon={<DeleteOutlined />}
          aria-label="Remove this source"
          title="Remove this source"
          onClick={() => {
            edit((p) => removeDraw(p, pot.id, draw.id));
          }}
        />
      )}
    </div>
  );
});

function DrawValue({
  draw,
  set,
}: {
  readonly draw: Draw;
  readonly set: (change: Partial<Draw>, key: string) => void;
}) {
  const plan = usePlanFrame();
  const print = usePrinter();
  const commit = (value: number): void => {
    set({ value }, `draw:${draw.id}`);
  };
  const parts = plan.pots
    .flatMap((p) => p.draws)
    .reduce((s, d) => (d.from !== null ? s : s + (d.by === 'parts' ? d.value : d.by === 'rest' ? 1 : 0)), 0);
  const common = { value: draw.value, width: 116, onCommit: commit };
  switch (draw.by) {
    case 'parts':
      return (
        <NumberField
          {...common}
          label="Parts"
          {...PLAN_LIMITS.parts}
          step={1}
          suffix={`of ${print.number(parts, 2)}`}
        />
      );
    case 'percent':
      return <NumberField {...common} label="Percent" {...PLAN_LIMITS.share} step={1} suffix="%" />;
    case 'grams':
      return <MassField {...common} label="Weight" {...PLAN_LIMITS.draw} step={10} />;
    case 'millilitres':
      return <VolumeField {...common} label="Volume" {...PLAN_LIMITS.draw} step={10} />;
    case 'layer':
      return <LengthField {...common} label="Layer height" {...PLAN_LIMITS.millimetres} step={1} />;
    case 'slant':
      return (
        <>
          <LengthField {...common} label="From height" {...PLAN_LIMITS.millimetres} step={1} />
          <LengthField
            label="to height"
            width={116}
            value={draw.second}
            {...PLAN_LIMITS.millimetres}
            step={1}
            onCommit={(second) => {
              set({ second }, `draw-second:${draw.id}`);
            }}
          />
        </>
      );
    case 'section': {
      const sections = dividedMould(plan.moulding)?.mould.sections ?? [];
      return (
        <div className="field">
          <span className="field-label">Section</span>
          <Select<number>
            aria-label="Section"
            value={Math.round(draw.value)}
            onChange={commit}
            options={sections.map((mm, i) => ({ value: i + 1, label: `${i + 1}: ${print.length(mm)}` }))}
            style={{ width: 116 }}
          />
        </div>
      );
    }
    case 'rest':
      return null;
  }
}
