import { Segmented } from 'antd';
import { useState } from 'react';
import {
  barWeights,
  type Check,
  fillOf,
  grams,
  type Moulding,
  PLAN_LIMITS,
  setBase,
  setMoulding,
  type SolveGoal,
  solveOils,
  why,
} from '@kleur/core';
import { Button } from 'antd';
import { usePrinter, useSay } from '../../../../shared/hooks/useSettings.ts';
import { NumberField } from '../../../../shared/ui/NumberField.tsx';
import { LengthField, MassField } from '../../../../shared/ui/Quantity.tsx';
import { Figure, Why } from '../../../../shared/ui/Why.tsx';
import { CheckList } from '../../CheckList.tsx';
import { usePlan } from '../../useDerived.ts';
import { useEdit } from '../../useEdit.ts';
import { MouldList } from './MouldList.tsx';

/** Moulds, how full they get, the bars they give, and oils worked out from either. */
export function MouldPart({ checks }: { readonly checks: readonly Check[] }) {
  const { moulding } = usePlan();
  return (
    <div className="two">
      <div>
        <MouldList />
        {moulding.moulds.length > 0 && <Cutting />}
      </div>
      <aside>
        <FillPanel />
        <CheckList checks={checks} label="Checks on the mould" />
        <SolvePanel />
      </aside>
    </div>
  );
}

function FillPanel() {
  const plan = usePlan();
  const edit = useEdit();
  const say = useSay();
  const print = usePrinter();
  const fill = fillOf(plan);
  const { moulding } = plan;
  const set = (change: Partial<Moulding>): void => {
    edit((p) => setMoulding(p, change), `moulding:${Object.keys(change).join()}`);
  };
  const full = Math.max(fill.wanted, fill.have, 1);
  return (
    <section aria-label="Fill" className="panel">
      <h2>
        Fill
        <Why of="how full the moulds get" lines={() => why.fill(plan, say)} />
      </h2>
      {fill.ratio === null ? (
        <p className="soft figure">
          No mould yet. The batter makes {say.volume(fill.volume)}, {say.mass(fill.batter)}.
        </p>
      ) : (
        <>
          <div
            className="fill-gauge"
            role="img"
            aria-label={`${print.number(fill.ratio * 100, 0)} % of the room is filled`}
          >
            <i className="fill-batter" style={{ width: `${((fill.have - fill.embeds) / full) * 100}%` }} />
            <i className="fill-embeds" style={{ width: `${(fill.embeds / full) * 100}%` }} />
            <i className="fill-line" style={{ left: `${(fill.wanted / full) * 100}%` }} />
          </div>
          <p className="figure">
            <b>{print.number(fill.ratio * 100, 1)} %</b> full: {say.volume(fill.have)} for{' '}
            {say.volume(fill.wanted)}
            {fill.embeds > 0 && <span className="soft">, {say.volume(fill.embeds)} of it embeds</span>}
          </p>
        </>
      )}
      <div className="row">
        <MassField
          label="For the top or piping"
          width={140}
          value={moulding.reserve}
          {...PLAN_LIMITS.mass}
          step={10}
          onCommit={(v) => {
            set({ reserve: grams(v) });
          }}
        />
        <MassField
          label="Sticks to each jug"
          width={130}
          value={moulding.lossPerJug}
          min={0}
          max={200}
          step={1}
          onCommit={(v) => {
            set({ lossPerJug: grams(v) });
          }}
        />
        <NumberField
          label="Density, if measured"
          width={140}
          value={moulding.density}
          digits={3}
          {...PLAN_LIMITS.density}
          suffix="g/ml"
          onCommit={(density) => {
            set({ density });
          }}
          onClear={() => {
            set({ density: null });
          }}
        />
      </div>
      {moulding.density === null && (
        <p className="soft small figure">Worked out: {print.fixed(fill.density, 3)} g/ml.</p>
      )}
    </section>
  );
}

type From = SolveGoal['from'];

/** From mould, bars or lye to oils; the plan's doses, losses and embeds all count. */
function SolvePanel() {
  const plan = usePlan();
  const edit = useEdit();
  const say = useSay();
  const [from, setFrom] = useState<From>('mould');
  const [count, setCount] = useState(10);
  const [weight, setWeight] = useState(120);
  const [at, setAt] = useState<'cut' | 'cured'>('cut');
  const [lye, setLye] = useState(140);
  const goal: SolveGoal =
    from === 'mould' ? { from } : from === 'lye' ? { from, mass: lye } : { from, count, weight, at };
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
          { value: 'mould', label: 'from the mould' },
          { value: 'bars', label: 'from bars' },
          { value: 'lye', label: 'from the lye at hand' },
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
            <b>{say.mass(oils)}</b> of oils
            {same ? (
              <span className="soft"> as planned</span>
            ) : (
              <Button
                onClick={() => {
                  edit((p) => setBase(p, { totalOils: grams(oils) }));
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

function Cutting() {
  const plan = usePlan();
  const edit = useEdit();
  const say = useSay();
  const { bars } = plan.moulding;
  const weights = barWeights(plan);
  const hasSlab = plan.moulding.moulds.some((m) => m.mould.shape === 'slab');
  const cuts = plan.moulding.moulds.some((m) => m.mould.shape !== 'cavities');
  const set = (change: Partial<typeof bars>): void => {
    edit(
      (p) => setMoulding(p, { bars: { ...p.moulding.bars, ...change } }),
      `cut:${Object.keys(change).join()}`,
    );
  };
  return (
    <section aria-label="Bars">
      <div className="section-head">
        <h2>Bars</h2>
        {cuts && (
          <Segmented<'thickness' | 'count'>
            aria-label="Cut by"
            value={bars.by}
            onChange={(by) => {
              set({ by });
            }}
            options={[
              { value: 'thickness', label: 'by thickness' },
              { value: 'count', label: 'by count' },
            ]}
          />
        )}
      </div>
      {cuts && (
        <div className="row">
          {bars.by === 'thickness' ? (
            <LengthField
              label="Each bar"
              width={110}
              value={bars.thickness}
              min={1}
              max={500}
              step={1}
              onCommit={(thickness) => {
                set({ thickness });
              }}
            />
          ) : (
            <NumberField
              label="Bars from a mould"
              width={120}
              value={bars.count}
              digits={0}
              {...PLAN_LIMITS.count}
              step={1}
              onCommit={(v) => {
                set({ count: Math.round(v) });
              }}
            />
          )}
          {hasSlab && (
            <NumberField
              label="Bars across"
              width={100}
              value={bars.columns}
              digits={0}
              min={1}
              max={50}
              step={1}
              onCommit={(v) => {
                set({ columns: Math.round(v) });
              }}
            />
          )}
          <LengthField
            label="Kerf of the cutter"
            width={120}
            value={bars.kerf}
            min={0}
            max={20}
            step={1}
            onCommit={(kerf) => {
              set({ kerf });
            }}
          />
          <LengthField
            label="Trimmed from each end"
            width={150}
            value={bars.end}
            min={0}
            max={200}
            step={1}
            onCommit={(end) => {
              set({ end });
            }}
          />
        </div>
      )}
      {weights.count === 0 ? (
        <p className="field-problem" role="alert">
          No bar fits: a bar is at least {say.length(8)} thick. Fewer bars, a thinner kerf, or a longer mould.
        </p>
      ) : (
        <dl className="figures figure">
          <Figure label="Bars" why={() => why.bars(plan, say)}>
            {weights.count}
          </Figure>
          <Figure label="Each, at the cut" why={() => why.bars(plan, say)}>
            {say.mass(weights.atCut)}
          </Figure>
          <Figure label="Each, after six weeks">{say.mass(weights.cured)}</Figure>
          <Figure label="Ends and kerf">{say.mass(weights.offcuts)}</Figure>
        </dl>
      )}
    </section>
  );
}
