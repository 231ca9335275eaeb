import { Collapse, Select } from 'antd';
import { concentrationOf, setLiquidWay, superfatRange } from '@kleur/core/balance';
import { type Base, LIQUID_WAYS, type LiquidWay, PLAN_LIMITS, setBase } from '@kleur/core/plan';
import * as why from '@kleur/core/why';
import { useAppDispatch } from '../../../../data/store.ts';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { NumberField } from '../../../../shared/ui/NumberField.tsx';
import { Figure } from '../../../../shared/ui/Why.tsx';
import { edits } from '../../state/edits.ts';
import { usePlan, usePrep, useStopped } from '../../state/useDerived.ts';
import { useEdit } from '../../state/useEdit.ts';
import { LyeMore } from './LyeMore.tsx';
import { LiquidMore } from './LiquidMore.tsx';

const WAYS: Readonly<
  Record<LiquidWay, { label: string; suffix: string; range: { min: number; max: number } }>
> = {
  concentration: { label: 'Lye concentration', suffix: '%', range: PLAN_LIMITS.concentration },
  ratio: { label: 'Liquid to one lye', suffix: ': 1', range: PLAN_LIMITS.ratio },
  percent: { label: 'Liquid, % of oils', suffix: '%', range: PLAN_LIMITS.liquidPercent },
};
/** Lye, liquid and batter, behind the stop checks and the caution. */
export function LyePanel() {
  const plan = usePlan();
  const { base } = plan;
  const { lyes, flow } = usePrep();
  const stopped = useStopped();
  const dispatch = useAppDispatch();
  const edit = useEdit();
  const print = usePrinter();
  const way = WAYS[base.liquid.by];
  const setLiquid = (change: Partial<Base['liquid']>, key: string): void => {
    edit((p) => setBase(p, { liquid: { ...p.base.liquid, ...change } }), key);
  };
  const [low, high] = superfatRange(plan);
  return (
    <section aria-label="Lye and batter" className="panel">
      <div className="row">
        <NumberField
          label="Superfat"
          width={88}
          value={base.superfat}
          digits={1}
          {...PLAN_LIMITS.superfat}
          step={1}
          suffix="%"
          onCommit={(superfat) => {
            dispatch(edits.baseSet({ superfat }));
          }}
        />
        <div className="field">
          <span className="field-label">Liquid by</span>
          <Select<LiquidWay>
            aria-label="Liquid by"
            value={base.liquid.by}
            onChange={(by) => {
              edit((p) => setLiquidWay(p, by));
            }}
            options={LIQUID_WAYS.map((w) => ({ value: w, label: WAYS[w].label }))}
            style={{ width: 160 }}
          />
        </div>
        <NumberField
          key={base.liquid.by}
          label={way.label}
          width={108}
          value={base.liquid.value}
          digits={2}
          {...way.range}
          step={base.liquid.by === 'ratio' ? 0.1 : 1}
          suffix={way.suffix}
          onCommit={(value) => {
            setLiquid({ value }, 'liquid');
          }}
        />
      </div>
      {stopped ? (
        <p className="soft">No lye amount is shown until every stop is settled: see the checks below.</p>
      ) : (
        lyes.map((l) => {
          const pot = plan.pots.find((p) => p.id === l.potId);
          return (
            <div key={l.potId ?? 'all'}>
              {lyes.length > 1 && <h3>{pot ? `Lye of ${pot.name}` : 'Lye of the common batter'}</h3>}
              <dl className="figures figure">
                <Figure label="Sodium hydroxide" weighed why={() => why.lye(plan, print, l)}>
                  {print.mass(l.naoh)}
                </Figure>
                {l.koh > 0 && (
                  <Figure label="Potassium hydroxide" weighed>
                    {print.mass(l.koh)}
                  </Figure>
                )}
                <Figure label="Liquid" weighed why={() => why.liquid(plan, print, l)}>
                  {print.mass(l.liquid)}
                </Figure>
                {l.vessel < l.liquid - 0.05 && (
                  <Figure label="In the lye vessel" why={() => why.liquid(plan, print, l)}>
                    {print.mass(l.vessel)}
                  </Figure>
                )}
              </dl>
            </div>
          );
        })
      )}
      {!stopped && (
        <dl className="figures figure">
          <Figure label="Batter" why={() => why.batter(plan, print)}>
            {print.mass(flow.mass)}
          </Figure>
          <Figure label="Density" why={() => why.density(plan, print)}>
            {print.fixed(flow.density, 3)} g/ml
          </Figure>
          <Figure label="Concentration" why={() => why.concentration(plan, print)}>
            {print.fixed(concentrationOf(flow.rate.naoh + flow.rate.koh, flow.rate.liquid), 1)} %
          </Figure>
        </dl>
      )}
      {!stopped && (
        <p className="soft small figure">
          Sources differ on saponification values: the true superfat lies between {print.fixed(low, 1)} and{' '}
          {print.fixed(high, 1)} %.
        </p>
      )}
      <Collapse
        ghost
        size="small"
        items={[
          { key: 'lye', label: 'Purity, potassium hydroxide, temperature', children: <LyeMore /> },
          {
            key: 'liquid',
            label: `What the liquid is${base.liquid.parts.length > 0 ? `: ${base.liquid.parts.map((p) => p.name).join(', ')}` : ''}`,
            children: <LiquidMore />,
          },
        ]}
      />
      <p className="caution">
        Check the lye figure with a second, independent calculation and your supplier’s own saponification
        values before use. Lye goes <b>to</b> the liquid, never liquid to lye. Goggles, gloves, long sleeves.
      </p>
    </section>
  );
}
