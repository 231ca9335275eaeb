import { memo } from 'react';
import { type PotFrame } from '../../state/planFrame.ts';
import { PlusOutlined } from '../../../../shared/ui/icons.tsx';
import { Button, Collapse } from 'antd';
import { addDraw, type Draw, PLAN_LIMITS, wouldCycle } from '@kleur/core/plan';
import { type PrepPot } from '@kleur/core/work';
import * as why from '@kleur/core/why';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { Figure } from '../../../../shared/ui/Why.tsx';
import { newId } from '../../../../data/newId.ts';
import { usePlanFrame, usePlan, useStopped } from '../../state/useDerived.ts';
import { useEdit } from '../../state/useEdit.ts';
import { DrawRow } from './DrawRow.tsx';
import { PotMore } from './PotMore.tsx';

/** What a pot is made from, what is weighed into it, and where it goes. */
export function SharePanel({ pot }: { readonly pot: PrepPot }) {
  const plan = usePlan();
  const print = usePrinter();
  const stopped = useStopped();
  const { flow } = pot;
  const { draws, id } = pot.pot;
  return (
    <section aria-label="Share" className="share">
      {draws.map((d) => (
        <DrawRow
          key={d.id}
          potId={id}
          draw={d}
          mass={flow.draws.find((f) => f.draw.id === d.id)?.mass ?? 0}
        />
      ))}
      <MoreDraws potId={id} />
      <dl className="figures figure">
        {pot.batter !== null && (
          <Figure label="Weigh in, jug tared" why={() => why.weighed(plan, print, flow)}>
            {print.mass(pot.batter)}
          </Figure>
        )}
        <Figure label="Oils in this pot" why={() => why.weighed(plan, print, flow)}>
          {print.mass(flow.oils)}
        </Figure>
        {flow.scent > 0 && (
          <Figure label="Scent" why={() => why.scent(plan, print)}>
            {print.mass(flow.scent)}
          </Figure>
        )}
        {pot.batter !== null && (
          <Figure
            label={
              pot.pot.place === 'top'
                ? 'For the top'
                : pot.pot.place === 'spare'
                  ? 'For the spare mould'
                  : 'For the mould'
            }
            why={() => why.left(print, flow)}
          >
            {print.mass(pot.pot.place === 'top' ? flow.toTop : flow.left - flow.toTop)}
          </Figure>
        )}
        {!stopped && (
          <Figure label="Superfat" why={() => why.superfat(plan, print, flow)}>
            {flow.superfat === null ? '–' : `${print.fixed(flow.superfat * 100, 1)} %`}
          </Figure>
        )}
      </dl>
      <ShareFold potId={id} />
    </section>
  );
}

const MoreDraws = memo(function MoreDraws({ potId: id }: { readonly potId: string }) {
  const plan = usePlanFrame();
  const edit = useEdit();
  const draws = plan.pots.find((p) => p.id === id)?.draws ?? [];
  const others = plan.pots.filter((p) => p.id !== id && !wouldCycle(plan, id, p.id));
  return (
    <>
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
    </>
  );
});

/** How the pot is taken and where it goes, folded; the fold says what is inside. */
const ShareFold = memo(function ShareFold({ potId }: { readonly potId: string }) {
  const pot = usePlanFrame().pots.find((p) => p.id === potId);
  if (!pot) return null;
  return (
    <Collapse
      ghost
      size="small"
      items={[
        {
          key: 'more',
          label: `How it is taken and where it goes${summaryOf(pot)}`,
          children: <PotMore pot={pot} />,
        },
      ]}
    />
  );
});

const summaryOf = (pot: PotFrame): string => {
  const said = [
    pot.ownLye ? (pot.ownOils.length > 0 ? 'own oils and lye' : 'own lye') : '',
    pot.place === 'top' ? 'for the top' : pot.place === 'spare' ? 'spare mould' : '',
    pot.reserve > 0 ? 'part kept for the top' : '',
    pot.hoursBefore > 0 ? 'poured earlier' : '',
    pot.taken === 'additives' ? '' : 'taken early',
  ].filter(Boolean);
  return said.length > 0 ? `: ${said.join(', ')}` : '';
};
