import { DeleteOutlined } from '../../../../shared/ui/icons.tsx';
import { Button, Segmented, Select } from 'antd';
import { useState } from 'react';
import { barWeights, massPerBar } from '@kleur/core/balance';
import { type Check } from '@kleur/core/checks';
import { cautionText, isDosed } from '@kleur/core/material';
import {
  addAdditive,
  ADDITIVE_MOMENTS,
  type AdditiveMoment,
  PLAN_LIMITS,
  removeAdditive,
  setAdditive,
  setWork,
  USES,
  type Work,
} from '@kleur/core/plan';
import { grams, gramsPerKg } from '@kleur/core/units';
import { additiveEffects, type PrepAdditive, scrubMeasures } from '@kleur/core/work';
import * as why from '@kleur/core/why';
import { usePrinter, useSettings } from '../../../../shared/hooks/useSettings.ts';
import { NumberField } from '../../../../shared/ui/NumberField.tsx';
import { Why } from '../../../../shared/ui/Why.tsx';
import { newId } from '../../../../data/newId.ts';
import { CheckList } from '../../CheckList.tsx';
import { ColourCard } from '../../ColourCard.tsx';
import { MaterialPicker } from '../../MaterialPicker.tsx';
import { usePlan, usePrep } from '../../state/useDerived.ts';
import { useEdit } from '../../state/useEdit.ts';

const MOMENTS: Readonly<Record<AdditiveMoment, string>> = {
  'lye-water': 'in the lye water',
  oils: 'in the oils, before the lye',
  water: 'in water, late',
  trace: 'at trace',
  top: 'on the top',
};
const USE_NAMES: Readonly<Record<Work['use'], string>> = { body: 'body', hands: 'hands', face: 'face' };

/** What goes into the whole batch: dose, moment, and what it does. */
export function AdditivesPart({ checks }: { readonly checks: readonly Check[] }) {
  const plan = usePlan();
  const { additives } = usePrep();
  const edit = useEdit();
  const bars = barWeights(plan).count;
  const [by, setBy] = useState<'dose' | 'bar'>('dose');
  return (
    <div className="two">
      <section aria-label="Additives">
        <div className="section-head">
          <h2>Additives in the whole batch</h2>
          <Segmented<'dose' | 'bar'>
            aria-label="Enter additives"
            value={bars > 0 ? by : 'dose'}
            onChange={setBy}
            options={[
              { value: 'dose', label: 'g/kg oils' },
              { value: 'bar', label: 'g per bar', disabled: bars === 0 },
            ]}
          />
        </div>
        {additives.length === 0 && (
          <p className="soft">
            None. Colour and scrubs of one pot belong to that pot; here is what goes into all of it.
          </p>
        )}
        <ul className="doses">
          {additives.map((a) => (
            <AdditiveCard key={a.row.id} additive={a} perBar={by === 'bar' && bars > 0} />
          ))}
        </ul>
        <div className="row">
          {additives.length < PLAN_LIMITS.additives && (
            <MaterialPicker
              label="Add an additive"
              accept={isDosed}
              taken={additives.map((a) => a.material.id)}
              onPick={(m) => {
                edit((p) => addAdditive(p, newId(), m));
              }}
            />
          )}
        </div>
      </section>
      <aside>
        <h2>The bare base with them</h2>
        <ColourCard potId={null} label="the bare base" />
        <div className="setting">
          <span>The bar is for</span>
          <Segmented<Work['use']>
            aria-label="The bar is for"
            value={plan.work.use}
            onChange={(use) => {
              edit((p) => setWork(p, { use }));
            }}
            options={USES.map((u) => ({ value: u, label: USE_NAMES[u] }))}
          />
        </div>
        <CheckList checks={checks} label="Checks on the additives" />
      </aside>
    </div>
  );
}

function AdditiveCard(props: { readonly additive: PrepAdditive; readonly perBar: boolean }) {
  const { row, material, mass } = props.additive;
  const plan = usePlan();
  const edit = useEdit();
  const print = usePrinter();
  const { window } = material;
  const { measuring } = useSettings();
  const each = massPerBar(plan, mass);
  const set = (dose: number): void => {
    edit((p) => setAdditive(p, row.id, { dose: gramsPerKg(dose) }), `additive:${row.id}`);
  };
  const over = window !== null && row.dose > window.ceiling;
  const effects = additiveEffects(plan, row, mass);
  const felt = scrubMeasures(material, mass, each, measuring);
  return (
    <li className="dose">
      <div className="dose-top">
        <h3>
          {material.colour && <i className="chip" style={{ background: material.colour }} />}
          {material.name}
        </h3>
        {props.perBar ? (
          <NumberField
            key="bar"
            label={`${material.name}, g per bar`}
            hideLabel
            width={140}
            value={row.perBar ?? each}
            digits={2}
            min={0}
            max={PLAN_LIMITS.mass.max}
            step={0.1}
            suffix="g per bar"
            onCommit={(v) => {
              edit((p) => setAdditive(p, row.id, { perBar: grams(v) }), `additive:${row.id}`);
            }}
          />
        ) : (
          <NumberField
            key="dose"
            label={`${material.name}, g/kg oils`}
            hideLabel
            width={140}
            value={row.dose}
            digits={2}
            {...PLAN_LIMITS.dose}
            step={1}
            suffix="g/kg oils"
            onCommit={set}
          />
        )}
        <Button
          type="text"
          icon={<DeleteOutlined />}
          aria-label={`Remove ${material.name}`}
          onClick={() => {
            edit((p) => removeAdditive(p, row.id));
          }}
        />
      </div>
      <div className="dose-foot figure">
        <Select<AdditiveMoment>
          aria-label={`When ${material.name} goes in`}
          value={row.moment}
          popupMatchSelectWidth={false}
          onChange={(moment) => {
            edit((p) => setAdditive(p, row.id, { moment }));
          }}
          options={ADDITIVE_MOMENTS.map((m) => ({ value: m, label: MOMENTS[m] }))}
          style={{ width: 210 }}
        />
        <span className="measured">
          <b>{print.mass(mass)}</b>
          {each !== null && (
            <span className="soft">
              {print.number(each, 2)} g a bar{row.perBar !== null && ', fixed for each bar'}
            </span>
          )}
          <Why of={material.name} lines={() => why.additive(plan, print, row, mass)} />
        </span>
        {window && (
          <span className={over ? 'field-problem' : 'soft small'}>
            {over ? 'Above its ceiling of' : 'Usual'}{' '}
            {print.number(over ? window.ceiling : window.typical, 1)}
            {!over && ` to ${print.number(window.ceiling, 1)}`} g/kg
          </span>
        )}
      </div>
      <p className="small figure">
        {effects.deltaE < 0.05
          ? 'Does not change the colour'
          : `Moves the bare base by ΔE ${print.number(effects.deltaE, 1)}`}
        {Math.abs(effects.pace - 1) < 0.005
          ? ', does not change the pace'
          : `, working time × ${print.number(effects.pace, 2)}`}
        {effects.volume > 0.05 && `, takes ${print.volume(effects.volume)}`}.
      </p>
      {felt.length > 0 && <p className="small figure">{felt.join(', ')}</p>}
      <p className="soft small">
        {material.behaviour}
        {material.lyeDemand > 0 && ' The lye figure counts it.'}
        {effects.heats && ` ${cautionText.heat}`}
        {material.cautions.includes('fine-powder') && ` ${cautionText['fine-powder']}`}
      </p>
    </li>
  );
}
