import { Collapse, Segmented, Select } from 'antd';
import { useMemo } from 'react';
import { gelOf } from '@kleur/core/balance';
import { type Check } from '@kleur/core/checks';
import { TECHNIQUES, techniqueById } from '@kleur/core/palette';
import {
  type Finish,
  FINISHES,
  HEATS,
  type Minutes,
  ORDER_WAYS,
  type OrderWay,
  PLAN_LIMITS,
  setWork,
  type Work,
} from '@kleur/core/plan';
import {
  PACE_SPREAD,
  type Timeline,
  timelineOf,
  withFinish,
  type WorkOrder,
  workOrder,
} from '@kleur/core/work';
import * as why from '@kleur/core/why';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { LevelMark } from '../../../../shared/ui/Levels.tsx';
import { NumberField } from '../../../../shared/ui/NumberField.tsx';
import { SortableList } from '../../../../shared/ui/SortableList.tsx';
import { Why } from '../../../../shared/ui/Why.tsx';
import { CheckList } from '../../CheckList.tsx';
import { PotSwatch } from '../../PotSwatch.tsx';
import { useChecks, usePlan, usePrep } from '../../state/useDerived.ts';
import { useEdit } from '../../state/useEdit.ts';
import { PaceChart } from './PaceChart.tsx';

const IDS = [
  'pot-sets-too-soon',
  'pot-sets-too-late',
  'scent-seizes-technique',
  'mist-before-heat',
  'heat-risk',
  'rivers',
  'layer-bond',
  'time-apart',
  'ash-likely',
  'false-trace',
];
const FINISH_NAMES: Readonly<Record<Finish, string>> = {
  mist: 'mist with alcohol',
  oven: 'warm oven, switched off',
  insulate: 'insulate',
  fridge: 'fridge or freezer',
};
const HEAT_NAMES: Readonly<Record<Work['heat'], string>> = {
  let: 'let it be',
  force: 'force gel',
  prevent: 'prevent gel',
};

/** The order that needs least washing, how long each pot stays pourable, and what to do if it does not. */
export function OrderPart() {
  const plan = usePlan();
  const checks = useChecks().filter((c: Check) => IDS.includes(c.id));
  const order = useMemo(() => workOrder(plan), [plan]);
  const timeline = useMemo(() => timelineOf(plan, { order: order.order }), [plan, order]);
  if (plan.pots.length === 0) return <p className="soft">No pots yet: nothing to put in order.</p>;
  return (
    <div className="two wide-left">
      <div>
        <OrderList order={order} />
        <PaceChart timeline={timeline} order={order.order} />
      </div>
      <aside className="no-print">
        <WorkPanel />
        <CheckList checks={checks} label="Checks on the work" />
      </aside>
    </div>
  );
}

function OrderList({ order }: { readonly order: WorkOrder }) {
  const plan = usePlan();
  const { flow } = usePrep();
  const print = usePrinter();
  const pots = order.order.map((id) => plan.pots.find((p) => p.id === id)!);
  const names = (from: readonly { readonly name: string }[]): string => from.map((p) => p.name).join(', ');
  const firstWash = pots.findIndex((p) => order.washBefore.has(p.id));
  const held = pots.filter((p) => order.heldBack.has(p.id));
  const first = pots.filter((p) => order.broughtForward.has(p.id));
  return (
    <section aria-label="Order of colouring">
      <h2>Colour the pots in this order</h2>
      <OrderSwitch order={order} />
      <ol className="order">
        {pots.map((p, i) => (
          <li key={p.id}>
            {i > 0 && (
              <span className={order.washBefore.has(p.id) ? 'order-wash is-wash' : 'order-wash'}>
                {order.washBefore.has(p.id) ? 'wash' : '→'}
              </span>
            )}
            <span className="order-pot">
              <PotSwatch potId={p.id} stage="cured" label={p.name} className="order-fill" />
              <b>{p.name}</b>
              <span className="soft small figure">
                {i === 0 ? 'clean blender' : `streak ΔE ${print.fixed(order.harm[i]!, 1)}`}
                {i > 0 && (
                  <Why
                    of={`the carry-over into ${p.name}`}
                    lines={() =>
                      why.carryOver(
                        print,
                        pots[i - 1]!.name,
                        flow.pots.find((f) => f.pot.id === p.id)!,
                        order.harm[i]!,
                      )
                    }
                  />
                )}
              </span>
            </span>
          </li>
        ))}
      </ol>
      <p>
        {firstWash < 0
          ? `${names(pots)}: no washing needed.`
          : `${names(pots.slice(0, firstWash))}: no washing needed; wash before ${pots
              .filter((p) => order.washBefore.has(p.id))
              .map((p) => p.name)
              .join(', before ')}.`}
        {first.length > 0 &&
          ` ${names(first)} ${first.length > 1 ? 'thicken' : 'thickens'} fast and so ${first.length > 1 ? 'come' : 'comes'} first: last ${first.length > 1 ? 'they' : 'it'} would be streaked.`}
        {held.length > 0 &&
          ` ${names(held)} ${held.length > 1 ? 'thicken' : 'thickens'} fast and so ${held.length > 1 ? 'come' : 'comes'} last, whatever the colour.`}
        <span className="soft">
          {' '}
          Reckoned with 4 g carried on, which streak a tenth of the next pot; a streak in white counts double.
        </span>
      </p>
    </section>
  );
}

const ORDER_NAMES: Readonly<Record<OrderWay, string>> = {
  harm: 'least streaks',
  palest: 'palest first',
  own: 'my own',
};

/** Which school the order follows; one's own is put together by dragging. */
function OrderSwitch({ order }: { readonly order: WorkOrder }) {
  const plan = usePlan();
  const edit = useEdit();
  const { by } = plan.work.order;
  const set = (change: Partial<Work['order']>): void => {
    edit((p) => setWork(p, { order: { ...p.work.order, ...change } }), 'order');
  };
  return (
    <div className="no-print">
      <Segmented<OrderWay>
        aria-label="Order of colouring by"
        value={by}
        onChange={(next) => {
          // One's own starts with what stands there.
          set(
            next === 'own' && plan.work.order.pots.length === 0
              ? { by: next, pots: [...order.order] }
              : { by: next },
          );
        }}
        options={ORDER_WAYS.map((way) => ({ value: way, label: ORDER_NAMES[way] }))}
      />
      {by === 'own' && (
        <SortableList
          label="My own order of colouring"
          items={order.order.map((id) => ({ id, label: plan.pots.find((p) => p.id === id)!.name }))}
          onOrder={(pots) => {
            set({ pots });
          }}
        />
      )}
    </div>
  );
}

const MINUTE_NAMES: Readonly<Record<keyof Minutes, string>> = {
  split: 'Split off',
  colour: 'Colour',
  scent: 'Scent',
  pour: 'Pour',
  top: 'On the top',
};
const MINUTE_KEYS: readonly (keyof Minutes)[] = ['split', 'colour', 'scent', 'pour', 'top'];

/** How long this maker takes for a pot at each step. */
function MinutesPart() {
  const { work } = usePlan();
  const edit = useEdit();
  return (
    <Collapse
      ghost
      size="small"
      items={[
        {
          key: 'minutes',
          label: 'My minutes for each pot',
          children: (
            <div className="row">
              {MINUTE_KEYS.map((key) => (
                <NumberField
                  key={key}
                  label={MINUTE_NAMES[key]}
                  width={104}
                  value={work.minutes[key]}
                  digits={1}
                  {...PLAN_LIMITS.minutes}
                  step={0.5}
                  suffix="min"
                  onCommit={(v) => {
                    edit((p) => setWork(p, { minutes: { ...p.work.minutes, [key]: v } }), `minutes:${key}`);
                  }}
                />
              ))}
            </div>
          ),
        },
      ]}
    />
  );
}

function WorkPanel() {
  const { work, idea } = usePlan();
  const edit = useEdit();
  const set = (change: Partial<Work>): void => {
    edit((p) => setWork(p, change), `work:${Object.keys(change).join()}`);
  };
  return (
    <section aria-label="How the work goes" className="panel">
      <h2>Agreed beforehand</h2>
      <div className="field">
        <span className="field-label">
          If the batter races, instead of {techniqueById(idea.technique)?.name.toLowerCase() ?? 'the design'}
        </span>
        <Select
          aria-label="Fallback technique"
          value={work.fallback}
          allowClear
          placeholder="a simpler design"
          onChange={(v: string | undefined) => {
            set({ fallback: v ?? null });
          }}
          // The way out of a design is never the design itself.
          options={TECHNIQUES.filter((t) => t.id !== idea.technique).map((t) => ({
            value: t.id,
            label: t.name,
          }))}
        />
      </div>
      <Hurry />
      <NumberField
        label="Blending after emulsion"
        width={180}
        value={work.blendSeconds}
        digits={0}
        {...PLAN_LIMITS.blendSeconds}
        step={5}
        suffix="s"
        onCommit={(blendSeconds) => {
          set({ blendSeconds });
        }}
      />
      <div className="setting">
        <span>Heat</span>
        <Segmented<Work['heat']>
          aria-label="Heat"
          value={work.heat}
          onChange={(heat) => {
            set({ heat });
          }}
          options={HEATS.map((h) => ({ value: h, label: HEAT_NAMES[h] }))}
        />
      </div>
      <GelWords />
      <FinishOrder
        finish={work.finish}
        onChange={(finish) => {
          set({ finish });
        }}
      />
      {work.finish.includes('oven') && (
        <NumberField
          label="Warmth of the oven"
          width={140}
          value={work.ovenTemperature}
          digits={0}
          {...PLAN_LIMITS.oven}
          step={5}
          suffix="°C"
          onCommit={(ovenTemperature) => {
            set({ ovenTemperature });
          }}
        />
      )}
      <MinutesPart />
      <div className="setting">
        <span>Batter that thickens fast</span>
        <Segmented<boolean>
          aria-label="Batter that thickens fast"
          value={work.fastWanted}
          onChange={(fastWanted) => {
            set({ fastWanted });
          }}
          options={[
            { value: false, label: 'is a risk' },
            { value: true, label: 'is wanted' },
          ]}
        />
      </div>
      <div className="setting">
        <span>Permanent line</span>
        <Segmented<boolean>
          aria-label="Permanent line"
          value={work.permanentLine}
          onChange={(permanentLine) => {
            set({ permanentLine });
          }}
          options={[
            { value: false, label: 'one of a kind' },
            { value: true, label: 'made again' },
          ]}
        />
      </div>
    </section>
  );
}

/** How likely the batch gels as it is planned, and why. */
function GelWords() {
  const plan = usePlan();
  const print = usePrinter();
  const { likelihood, begins, reaches, decided } = gelOf(plan);
  return (
    <p className="soft small figure">
      {decided
        ? `Colours are shown ${likelihood > 0.5 ? 'gelled' : 'without gel'}, as it is decided here.`
        : `Let be, gel is ${print.percent(likelihood * 100, 0)} likely: the middle gets to about ${print.temperature(reaches)}, and gel begins near ${print.temperature(begins)} (± 5). Colours, checks and matches count on ${likelihood >= 0.5 ? 'gel' : 'no gel'}.`}
    </p>
  );
}

/** What is done after the pour, first to last. */
function FinishOrder(props: {
  readonly finish: readonly Finish[];
  readonly onChange: (finish: readonly Finish[]) => void;
}) {
  const { finish, onChange } = props;
  const left = FINISHES.filter((f) => !finish.includes(f));
  return (
    <div className="field">
      <span className="field-label">After the pour, in this order</span>
      <SortableList
        label="After the pour, in this order"
        items={finish.map((f) => ({ id: f, label: FINISH_NAMES[f] }))}
        onOrder={(ids) => {
          onChange(ids as Finish[]);
        }}
        onRemove={(id) => {
          onChange(finish.filter((f) => f !== id));
        }}
      />
      {left.length > 0 && (
        <Select<Finish | null>
          aria-label="Add what is done after the pour"
          value={null}
          placeholder={finish.length === 0 ? 'nothing' : 'and then'}
          onChange={(next) => {
            if (next) onChange(withFinish(finish, next));
          }}
          options={left.map((f) => ({ value: f, label: FINISH_NAMES[f] }))}
        />
      )}
    </div>
  );
}

/** What if the batter comes as soon as it well may: which pots would not wait, under the design and its fallback. */
function Hurry() {
  const plan = usePlan();
  const print = usePrinter();
  const { idea, work } = plan;
  const [design, fallback] = useMemo(
    () =>
      [idea.technique, work.fallback].map(
        (technique) => technique && timelineOf(plan, { technique, hurry: PACE_SPREAD.low }),
      ),
    [plan, idea.technique, work.fallback],
  );
  if (!fallback) return <p className="soft small">Choose it now: there is no time once it thickens.</p>;
  return (
    <div className="small hurry">
      <p className="soft">If everything comes sooner, at × {print.number(PACE_SPREAD.low, 1)} of the time:</p>
      <ul>
        {design && <HurryLine name={techniqueById(idea.technique)!.name} timeline={design} />}
        <HurryLine name={techniqueById(work.fallback)!.name} timeline={fallback} />
      </ul>
    </div>
  );
}

function HurryLine({ name, timeline }: { readonly name: string; readonly timeline: Timeline }) {
  const late = timeline.pots.filter((s) => s.verdict === 'sets-too-soon').map((s) => s.pot.name);
  return (
    <li>
      {late.length > 0 && <LevelMark level="warn" />}
      <b>{name}</b>: {late.length > 0 ? `${late.join(', ')} too stiff` : 'all in time'}
    </li>
  );
}
