import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button, Collapse, Segmented, Select, Switch } from 'antd';
import {
  addDraw,
  dividedMould,
  type Draw,
  grams,
  PLAN_LIMITS,
  type Pot,
  type PotPlace,
  type PrepPot,
  removeDraw,
  setDraw,
  setPot,
  type ShareWay,
  type Taken,
  why,
  wouldCycle,
} from '@kleur/core';
import { usePrinter, useSay } from '../../../../shared/hooks/useSettings.ts';
import { NumberField } from '../../../../shared/ui/NumberField.tsx';
import { LengthField, MassField } from '../../../../shared/ui/Quantity.tsx';
import { Figure } from '../../../../shared/ui/Why.tsx';
import { newId } from '../../benchSlice.ts';
import { usePlan, useStopped } from '../../useDerived.ts';
import { useEdit } from '../../useEdit.ts';

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

/** What a pot is made from, what is weighed into it, and where it goes. */
export function SharePanel({ pot }: { readonly pot: PrepPot }) {
  const plan = usePlan();
  const edit = useEdit();
  const say = useSay();
  const print = usePrinter();
  const stopped = useStopped();
  const { flow } = pot;
  const { draws, id } = pot.pot;
  const others = plan.pots.filter((p) => p.id !== id && !wouldCycle(plan, id, p.id));
  return (
    <section aria-label="Share" className="share">
      {draws.map((d) => (
        <DrawRow
          key={d.id}
          pot={pot.pot}
          draw={d}
          mass={flow.draws.find((f) => f.draw.id === d.id)?.mass ?? 0}
        />
      ))}
      {draws.length < PLAN_LIMITS.drawsPerPot && (draws.length === 0 || others.length > 0) && (
        <Button
          size="small"
          type="text"
          icon={<PlusOutlined />}
          onClick={() => {
            const from = draws.length === 0 ? null : others[0]!.id;
            const draw: Draw = {
              id: newId(),
              from,
              by: from === null ? 'parts' : 'percent',
              value: from === null ? 1 : 25,
              second: 0,
            };
            edit((p) => addDraw(p, id, draw));
          }}
        >
          {draws.length === 0 ? 'Draw from the base batter' : 'Also from another pot'}
        </Button>
      )}
      <dl className="figures figure">
        <Figure label="Weigh in, jug tared" why={() => why.weighed(plan, say, flow)}>
          {say.mass(flow.draws.reduce((sum, d) => sum + d.mass, 0))}
        </Figure>
        <Figure label="Oils it stands on" why={() => why.weighed(plan, say, flow)}>
          {say.mass(flow.oils)}
        </Figure>
        {flow.scent > 0 && (
          <Figure label="Scent" why={() => why.scent(plan, say)}>
            {say.mass(flow.scent)}
          </Figure>
        )}
        <Figure
          label={
            pot.pot.place === 'top'
              ? 'For the top'
              : pot.pot.place === 'spare'
                ? 'For the spare mould'
                : 'For the mould'
          }
          why={() => why.left(say, flow)}
        >
          {say.mass(pot.pot.place === 'top' ? flow.toTop : flow.left - flow.toTop)}
        </Figure>
        {!stopped && (
          <Figure label="Superfat" why={() => why.superfat(plan, say, flow)}>
            {flow.superfat === null ? '–' : `${print.fixed(flow.superfat * 100, 1)} %`}
          </Figure>
        )}
      </dl>
      <Collapse
        ghost
        size="small"
        items={[
          {
            key: 'more',
            label: `How it is taken and where it goes${summaryOf(pot.pot)}`,
            children: <PotMore pot={pot.pot} />,
          },
        ]}
      />
    </section>
  );
}

function DrawRow({ pot, draw, mass }: { readonly pot: Pot; readonly draw: Draw; readonly mass: number }) {
  const plan = usePlan();
  const edit = useEdit();
  const say = useSay();
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
      <b className="figure draw-mass">{say.mass(mass)}</b>
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
}

function DrawValue({
  draw,
  set,
}: {
  readonly draw: Draw;
  readonly set: (change: Partial<Draw>, key: string) => void;
}) {
  const plan = usePlan();
  const print = usePrinter();
  const say = useSay();
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
      return (
        <NumberField {...common} label="Volume" digits={0} {...PLAN_LIMITS.draw} step={10} suffix="ml" />
      );
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
            options={sections.map((mm, i) => ({ value: i + 1, label: `${i + 1}: ${say.length(mm)}` }))}
            style={{ width: 116 }}
          />
        </div>
      );
    }
    case 'rest':
      return null;
  }
}

const summaryOf = (pot: Pot): string => {
  const said = [
    pot.ownLye ? 'own lye' : '',
    pot.place === 'top' ? 'for the top' : pot.place === 'spare' ? 'spare mould' : '',
    pot.reserve > 0 ? 'part kept for the top' : '',
    pot.hoursBefore > 0 ? 'poured earlier' : '',
    pot.taken === 'additives' ? '' : 'taken early',
  ].filter(Boolean);
  return said.length > 0 ? `: ${said.join(', ')}` : '';
};

function PotMore({ pot }: { readonly pot: Pot }) {
  const edit = useEdit();
  const plan = usePlan();
  const set = (change: Partial<Omit<Pot, 'id' | 'doses'>>): void => {
    edit((p) => setPot(p, pot.id, change), `pot:${pot.id}:${Object.keys(change).join()}`);
  };
  const { liquid, additives } = plan.base;
  const late = liquid.heldBack > 0 || additives.some((a) => a.moment === 'trace' || a.moment === 'water');
  return (
    <>
      <div className="row">
        <div className="field">
          <span className="field-label">Goes</span>
          <Segmented<PotPlace>
            aria-label="Where the pot goes"
            value={pot.place}
            onChange={(place) => {
              set({ place });
            }}
            options={[
              { value: 'mould', label: 'into the mould' },
              { value: 'top', label: 'on top, piped' },
              { value: 'spare', label: 'spare mould' },
            ]}
          />
        </div>
        {pot.place === 'mould' && (
          <MassField
            label="Kept for the top"
            width={120}
            value={pot.reserve}
            {...PLAN_LIMITS.mass}
            step={10}
            onCommit={(v) => {
              set({ reserve: grams(v) });
            }}
          />
        )}
      </div>
      <div className="row">
        <div className="field">
          <span className="field-label">Taken off the batter</span>
          <Select<Taken>
            aria-label="Taken off the batter"
            value={pot.taken}
            disabled={!late}
            onChange={(taken) => {
              set({ taken });
            }}
            options={[
              { value: 'emulsion', label: 'at emulsion, before anything else' },
              { value: 'liquid', label: 'after the late liquid' },
              { value: 'additives', label: 'after liquid and additives' },
            ]}
            style={{ width: 250 }}
          />
        </div>
        <div className="field">
          <label className="field-label" htmlFor="own-lye">
            Mini-batch, own lye
          </label>
          <Switch
            id="own-lye"
            checked={pot.ownLye}
            onChange={(ownLye) => {
              set({ ownLye });
            }}
          />
        </div>
        <NumberField
          label="Poured before the last pour"
          width={180}
          value={pot.hoursBefore}
          digits={1}
          {...PLAN_LIMITS.hours}
          step={1}
          suffix="h"
          onCommit={(hoursBefore) => {
            set({ hoursBefore });
          }}
        />
      </div>
      {!late && (
        <p className="soft small">
          Nothing goes into the batter late, so it does not matter when this pot is taken off.
        </p>
      )}
    </>
  );
}
