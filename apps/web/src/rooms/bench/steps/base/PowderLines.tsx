import { DeleteOutlined } from '../../../../shared/ui/icons.tsx';
import { Button, Select } from 'antd';
import { isDosed } from '@kleur/core/material';
import { addLine, PLAN_LIMITS, removeLine, setLine } from '@kleur/core/plan';
import { mediumName } from '@kleur/core/work';
import * as why from '@kleur/core/why';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { NumberField } from '../../../../shared/ui/NumberField.tsx';
import { Why } from '../../../../shared/ui/Why.tsx';
import { newId } from '../../../../data/newId.ts';
import { MaterialPicker } from '../../MaterialPicker.tsx';
import { usePlan, usePrep } from '../../state/useDerived.ts';
import { useEdit } from '../../state/useEdit.ts';

export function PowderLines() {
  const plan = usePlan();
  const { lines } = usePrep();
  const edit = useEdit();
  const print = usePrinter();
  return (
    <section aria-label="Powder lines and glitter" className="panel">
      <h2>Powder lines and glitter</h2>
      <p className="soft">
        Through a fine sieve, or in a little oil on the top, in grams per area. Cosmetic grade only; dust mask
        for fine powder.
      </p>
      {lines.map(({ line, material, mass }) => (
        <div key={line.id} className="row">
          <span className="grow">{material.name}</span>
          <NumberField
            label={`${material.name}, per area`}
            hideLabel
            width={118}
            value={line.gramsPerDm2}
            digits={2}
            {...PLAN_LIMITS.gramsPerDm2}
            step={0.1}
            suffix="g/dm²"
            onCommit={(gramsPerDm2) => {
              edit((p) => setLine(p, line.id, { gramsPerDm2 }), `line:${line.id}`);
            }}
          />
          <NumberField
            label={`Lines of ${material.name}`}
            hideLabel
            width={70}
            value={line.count}
            digits={0}
            min={1}
            max={20}
            step={1}
            suffix="×"
            onCommit={(v) => {
              edit((p) => setLine(p, line.id, { count: Math.round(v) }), `line:${line.id}`);
            }}
          />
          {material.carriers.some((c) => c.ratio > 0) && (
            <Select
              aria-label={`How ${material.name} is brought on`}
              value={line.carrier?.medium ?? 'dry'}
              onChange={(medium) => {
                const carrier = material.carriers.find((c) => c.medium === medium && c.ratio > 0) ?? null;
                edit((p) => setLine(p, line.id, { carrier }));
              }}
              options={[
                { value: 'dry', label: 'dry' },
                ...material.carriers
                  .filter((c) => c.ratio > 0)
                  .map((c) => ({ value: c.medium, label: `in ${mediumName[c.medium]}, 1 : ${c.ratio}` })),
              ]}
              style={{ width: 150 }}
            />
          )}
          <b className="figure">{print.number(mass, 2)} g</b>
          <Why
            of={`powder for ${material.name}`}
            lines={() => why.line(plan, print, line.gramsPerDm2, line.count, mass)}
          />
          <Button
            type="text"
            icon={<DeleteOutlined />}
            aria-label={`Remove the line of ${material.name}`}
            onClick={() => {
              edit((p) => removeLine(p, line.id));
            }}
          />
        </div>
      ))}
      {lines.length < PLAN_LIMITS.lines && (
        <MaterialPicker
          label="Add a powder line"
          accept={isDosed}
          taken={[]}
          onPick={(m) => {
            edit((p) =>
              addLine(p, { id: newId(), materialId: m.id, gramsPerDm2: 0.5, count: 1, carrier: null }, m),
            );
          }}
        />
      )}
    </section>
  );
}
