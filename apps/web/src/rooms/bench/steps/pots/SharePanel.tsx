import { memo } from 'react';
import { PlusOutlined } from '../../../../shared/ui/icons.tsx';
import { Button } from 'antd';
import { addDraw, type Draw, PLAN_LIMITS, wouldCycle } from '@kleur/core/plan';
import { type PrepPot } from '@kleur/core/work';
import * as why from '@kleur/core/why';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { Figure } from '../../../../shared/ui/Why.tsx';
import { newId } from '../../../../data/newId.ts';
import { usePlanFrame, usePlan, useStopped } from '../../state/useDerived.ts';
import { useEdit } from '../../state/useEdit.ts';
import { DrawRow } from './DrawRow.tsx';
import { PotSentence } from './PotSentence.tsx';

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
      <PotSentence potId={id} />
      <dl className="figures figure">
        {pot.batter !== null && (
          <Figure label="Weigh in, jug tared" weighed why={() => why.weighed(plan, print, flow)}>
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
