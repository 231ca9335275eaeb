import { Segmented, Select } from 'antd';
import { useState } from 'react';
import { type SolveGoal, solveOils } from '@kleur/core/balance';
import { PLAN_LIMITS, setMoulding, setTotalOils } from '@kleur/core/plan';
import { grams } from '@kleur/core/units';
import * as why from '@kleur/core/why';
import { Button } from 'antd';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { NumberField } from '../../../../shared/ui/NumberField.tsx';
import { MassField } from '../../../../shared/ui/Quantity.tsx';
import { Why } from '../../../../shared/ui/Why.tsx';
import { usePlan } from '../../state/useDerived.ts';
import { useEdit } from '../../state/useEdit.ts';

type From = SolveGoal['from'];

/** From mould, bars or lye to oils; the plan's doses, losses and embeds all count. */
export function SolvePanel() {
  const plan = usePlan();
  const edit = useEdit();
  const print = usePrinter();
  const [from, setFrom] = useState<From>('mould');
  const [count, setCount] = useState(10);
  const [weight, setWeight] = useState(120);
  const [at, setAt] = useState<'cut' | 'cured'>('cut');
  const [lye, setLye] = useState(140);
  const [chosen, setLeft] = useState({ id: '', mass: 500 });
  // What was chosen may have left the plan.
  const left = {
    ...chosen,
    id: plan.materials.some((m) => m.id === chosen.id) ? chosen.id : (plan.materials[0]?.id ?? ''),
  };
  const goal: SolveGoal =
    from === 'mould'
      ? { from }
      : from === 'lye'
        ? { from, mass: lye }
        : from === 'material'
          ? { from, materialId: left.id, mass: left.mass }
          : { from, count, weight, at };
  const oils = plan.base.oils.length > 0 ? solveOils(plan, goal) : null;
  const same = oils !== null && Math.abs(oils - plan.base.totalOils) < 0.05;
  return (
    <section aria-label="Work out the oils" className="panel">
      <h2>Work out the oils</h2>
      <Segmented<From>
        aria-label="Work out the oils from"
        value={from}
        onChange={setFrom}
        options={[
          { value: 'mould', label: 'from mould' },
          { value: 'bars', label: 'from bars' },
          { value: 'lye', label: 'from lye' },
          { value: 'material', label: 'from what is left' },
        ]}
      />
      {from === 'bars' && (
        <div className="row">
          <NumberField
            label="Bars"
            width={80}
            value={count}
            digits={0}
            {...PLAN_LIMITS.count}
            step={1}
            onCommit={(v) => {
              setCount(Math.round(v));
            }}
          />
          <MassField
            label="Weight of one"
            width={120}
            value={weight}
            min={1}
            max={5000}
            step={5}
            onCommit={setWeight}
          />
          <Segmented
            aria-label="Weighed at"
            value={at}
            onChange={setAt}
            options={[
              { value: 'cut', label: 'at the cut' },
              { value: 'cured', label: 'cured' },
            ]}
          />
        </div>
      )}
      {from === 'material' && plan.materials.length > 0 && (
        <div className="row">
          <Select
            aria-label="What is left"
            value={left.id}
            style={{ width: 200 }}
            options={plan.materials.map((m) => ({ value: m.id, label: m.name }))}
            onChange={(id) => {
              setLeft({ ...left, id });
            }}
          />
          <MassField
            label="There is"
            width={120}
            value={left.mass}
            min={0.1}
            max={50_000}
            step={10}
            onCommit={(mass) => {
              setLeft({ ...left, mass });
            }}
          />
        </div>
      )}
      {from === 'lye' && (
        <div className="row">
          <MassField
            label="Sodium hydroxide at hand"
            width={170}
            value={lye}
            min={1}
            max={50_000}
            step={5}
            onCommit={setLye}
          />
        </div>
      )}
      <p className="solve figure">
        {oils === null ? (
          <span className="soft">
            {plan.base.oils.length === 0
              ? 'Choose oils first.'
              : from === 'mould' && plan.moulding.moulds.length === 0
                ? 'Add a mould first.'
                : 'No amount of oils does it: the top, the jugs or the embeds take more than there is.'}
          </span>
        ) : (
          <>
            <b>{print.mass(oils)}</b> of oils
            <Why of="these oils" lines={() => why.solved(plan, print, goal, oils)} />
            {same ? (
              <span className="soft"> as planned</span>
            ) : (
              <Button
                onClick={() => {
                  edit((p) => {
                    const set = setTotalOils(p, grams(oils));
                    return from === 'mould' ? setMoulding(set, { leads: true }) : set;
                  });
                }}
              >
                Set the oils
              </Button>
            )}
          </>
        )}
      </p>
    </section>
  );
}
