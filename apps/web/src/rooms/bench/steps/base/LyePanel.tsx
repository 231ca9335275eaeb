import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button, Collapse, Input, Select } from 'antd';
import {
  type Base,
  concentrationOf,
  grams,
  LIQUID_KINDS,
  LIQUID_WAYS,
  type LiquidWay,
  PLAN_LIMITS,
  setBase,
  setLiquidWay,
  superfatRange,
  why,
} from '@kleur/core';
import { useAppDispatch } from '../../../../app/hooks.ts';
import { usePrinter, useSay } from '../../../../shared/hooks/useSettings.ts';
import { NumberField } from '../../../../shared/ui/NumberField.tsx';
import { MassField, TemperatureField } from '../../../../shared/ui/Quantity.tsx';
import { Figure } from '../../../../shared/ui/Why.tsx';
import { bench, newId } from '../../benchSlice.ts';
import { usePlan, usePrep, useStopped } from '../../useDerived.ts';
import { useEdit } from '../../useEdit.ts';

const WAYS: Readonly<
  Record<LiquidWay, { label: string; suffix: string; range: { min: number; max: number } }>
> = {
  concentration: { label: 'Lye concentration', suffix: '%', range: PLAN_LIMITS.concentration },
  ratio: { label: 'Liquid to one lye', suffix: ': 1', range: PLAN_LIMITS.ratio },
  percent: { label: 'Liquid, % of oils', suffix: '%', range: PLAN_LIMITS.liquidPercent },
};
const KINDS = { milk: 'Milk', tea: 'Tea or brewed plant', puree: 'Purée', other: 'Other' } as const;

/** Lye, liquid and batter, behind the stop checks and the caution. */
export function LyePanel() {
  const plan = usePlan();
  const { base } = plan;
  const { lyes, flow } = usePrep();
  const stopped = useStopped();
  const dispatch = useAppDispatch();
  const edit = useEdit();
  const print = usePrinter();
  const say = useSay();
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
            dispatch(bench.baseSet({ superfat }));
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
                <Figure label="Sodium hydroxide" why={() => why.lye(plan, say, l)}>
                  {say.mass(l.naoh)}
                </Figure>
                {l.koh > 0 && <Figure label="Potassium hydroxide">{say.mass(l.koh)}</Figure>}
                <Figure label="Liquid" why={() => why.liquid(plan, say, l)}>
                  {say.mass(l.liquid)}
                </Figure>
                {l.vessel < l.liquid - 0.05 && (
                  <Figure label="In the lye vessel" why={() => why.liquid(plan, say, l)}>
                    {say.mass(l.vessel)}
                  </Figure>
                )}
              </dl>
            </div>
          );
        })
      )}
      {!stopped && (
        <dl className="figures figure">
          <Figure label="Batter" why={() => why.batter(plan, say)}>
            {say.mass(flow.mass)}
          </Figure>
          <Figure label="Density">{print.fixed(flow.density, 3)} g/ml</Figure>
          <Figure label="Concentration">
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

function LyeMore() {
  const { lye, temperature } = usePlan().base;
  const edit = useEdit();
  const set = (change: Partial<typeof lye>): void => {
    edit((p) => setBase(p, { lye: { ...p.base.lye, ...change } }), `lye:${Object.keys(change).join()}`);
  };
  return (
    <div className="row">
      <NumberField
        label="Sodium hydroxide purity"
        width={150}
        value={lye.naohPurity}
        digits={1}
        {...PLAN_LIMITS.purity}
        suffix="%"
        onCommit={(naohPurity) => {
          set({ naohPurity });
        }}
      />
      <NumberField
        label="Share of potassium"
        width={150}
        value={lye.kohShare}
        digits={1}
        {...PLAN_LIMITS.share}
        suffix="% of moles"
        onCommit={(kohShare) => {
          set({ kohShare });
        }}
      />
      {lye.kohShare > 0 && (
        <NumberField
          label="Its purity"
          width={100}
          value={lye.kohPurity}
          digits={1}
          {...PLAN_LIMITS.purity}
          suffix="%"
          onCommit={(kohPurity) => {
            set({ kohPurity });
          }}
        />
      )}
      <TemperatureField
        label="Oils and lye meet at"
        width={130}
        value={temperature}
        {...PLAN_LIMITS.temperature}
        step={1}
        onCommit={(t) => {
          edit((p) => setBase(p, { temperature: t }), 'temperature');
        }}
      />
    </div>
  );
}

/** What of the liquid is not water, and what is kept out of the lye. */
function LiquidMore() {
  const { base } = usePlan();
  const { liquid } = base;
  const edit = useEdit();
  const setParts = (parts: typeof liquid.parts, key: string | null = null): void => {
    edit((p) => setBase(p, { liquid: { ...p.base.liquid, parts } }), key);
  };
  const change = (id: string, part: Partial<(typeof liquid.parts)[number]>): void => {
    setParts(
      liquid.parts.map((p) => (p.id === id ? { ...p, ...part } : p)),
      `liquid-part:${id}:${Object.keys(part).join()}`,
    );
  };
  const water = 100 - liquid.parts.reduce((sum, p) => sum + p.percent, 0);
  return (
    <>
      <p className="soft small figure">
        {liquid.parts.length === 0
          ? 'All of it is water.'
          : water >= 0
            ? `The other ${Number(water.toFixed(1))} % is water.`
            : 'The parts make more than 100 %.'}
      </p>
      {liquid.parts.map((part) => (
        <div key={part.id} className="row">
          <Input
            aria-label="Name of the liquid"
            value={part.name}
            maxLength={PLAN_LIMITS.name}
            style={{ width: 130 }}
            onChange={(e) => {
              if (e.target.value !== '') change(part.id, { name: e.target.value });
            }}
          />
          <Select
            aria-label={`Kind of ${part.name}`}
            value={part.kind}
            onChange={(kind) => {
              change(part.id, { kind });
            }}
            options={LIQUID_KINDS.map((k) => ({ value: k, label: KINDS[k] }))}
            style={{ width: 150 }}
          />
          <NumberField
            label={`Share of ${part.name}`}
            hideLabel
            width={84}
            value={part.percent}
            digits={1}
            {...PLAN_LIMITS.share}
            suffix="%"
            onCommit={(percent) => {
              change(part.id, { percent });
            }}
          />
          <Button
            type="text"
            icon={<DeleteOutlined />}
            aria-label={`Remove ${part.name}`}
            onClick={() => {
              setParts(liquid.parts.filter((p) => p.id !== part.id));
            }}
          />
        </div>
      ))}
      {liquid.parts.some((p) => p.kind === 'milk') && (
        <p className="caution">Milk or sugar in lye heats fast: freeze it, add the lye slowly.</p>
      )}
      <div className="row">
        <Button
          icon={<PlusOutlined />}
          disabled={liquid.parts.length >= PLAN_LIMITS.liquidParts}
          onClick={() => {
            setParts([...liquid.parts, { id: newId(), name: 'Milk', kind: 'milk', percent: 50 }]);
          }}
        >
          Milk, tea or other
        </Button>
        <MassField
          label="Kept out of the lye, stirred in later"
          width={220}
          value={liquid.heldBack}
          {...PLAN_LIMITS.mass}
          step={10}
          onCommit={(v) => {
            edit((p) => setBase(p, { liquid: { ...p.base.liquid, heldBack: grams(v) } }), 'held-back');
          }}
        />
      </div>
    </>
  );
}
