import { Checkbox, Segmented } from 'antd';
import { useMemo } from 'react';
import { type Check } from '@kleur/core/checks';
import { ORDER_WAYS, type OrderWay, setDay, setWork, type Work } from '@kleur/core/plan';
import { timelineOf, type WorkOrder, workOrder } from '@kleur/core/work';
import * as why from '@kleur/core/why';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { SortableList } from '../../../../shared/ui/SortableList.tsx';
import { Why } from '../../../../shared/ui/Why.tsx';
import { CheckList } from '../../CheckList.tsx';
import { PotSwatch } from '../../PotSwatch.tsx';
import { useChecks, usePlan, usePrep } from '../../state/useDerived.ts';
import { useEdit } from '../../state/useEdit.ts';
import { LearnedPanel } from './LearnedPanel.tsx';
import { PaceChart } from './PaceChart.tsx';
import { WorkPanel } from './WorkPanel.tsx';

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
        <HeldPots />
        <PaceChart timeline={timeline} order={order.order} />
      </div>
      <aside className="no-print">
        <WorkPanel />
        <LearnedPanel />
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
          Worked out with 4 g left on the blender, which streak a tenth of the next pot; a streak in white
          counts double.
        </span>
      </p>
    </section>
  );
}

/** Pots that wait at emulsion: blended, coloured and scented only when it is their turn to be poured. */
function HeldPots() {
  const plan = usePlan();
  const edit = useEdit();
  const { held } = plan.work.day;
  const pots = plan.pots.filter((p) => !p.ownLye && p.place === 'mould');
  return (
    <section aria-label="Held at emulsion" className="no-print">
      <h2>Held at emulsion until its turn</h2>
      <p className="soft small">
        Such a pot stays fluid; it is blended, coloured and scented right before it is poured.
      </p>
      <Checkbox.Group
        value={[...held]}
        options={pots.map((p) => ({ value: p.id, label: p.name }))}
        onChange={(ids) => {
          edit((p) => setDay(p, { held: ids }), 'held');
        }}
      />
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
