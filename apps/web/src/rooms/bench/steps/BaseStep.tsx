import { DeleteOutlined } from '@ant-design/icons';
import { Button, Segmented } from 'antd';
import { useState } from 'react';
import { type CheckPlace, grams, materialOf, oilsAddUp, oilsSum, PLAN_LIMITS } from '@kleur/core';
import { useAppDispatch } from '../../../app/hooks.ts';
import { usePrinter } from '../../../shared/hooks/useSettings.ts';
import { NumberField } from '../../../shared/ui/NumberField.tsx';
import { bench, newId } from '../benchSlice.ts';
import { CheckList } from '../CheckList.tsx';
import { ColourCard } from '../ColourCard.tsx';
import { KeepLooks } from '../KeepLooks.tsx';
import { MaterialPicker } from '../MaterialPicker.tsx';
import { useChecks, usePlan, usePrep } from '../useDerived.ts';

const BASE_PLACES: readonly CheckPlace['at'][] = ['oils', 'superfat', 'lye', 'scent'];
const isOil = (kind: string): boolean => kind === 'oil';
const isScent = (kind: string): boolean => kind === 'scent';
const DEFAULT_SCENT_DOSE = 30;

/** Oils, lye and scent, with the colour they give by themselves. */
export function BaseStep() {
  const plan = usePlan();
  const checks = useChecks().filter((c) => BASE_PLACES.includes(c.place.at));
  return (
    <div className="two">
      <div>
        <OilTable />
        <ScentPanel />
      </div>
      <aside>
        <h2>The bare base</h2>
        <ColourCard potId={null} label="the bare base" />
        <KeepLooks />
        <LyePanel />
        <CheckList checks={plan.base.oils.length === 0 ? [] : checks} label="Checks on the base" />
      </aside>
    </div>
  );
}

function OilTable() {
  const plan = usePlan();
  const { base } = plan;
  const dispatch = useAppDispatch();
  const print = usePrinter();
  const [by, setBy] = useState<'percent' | 'grams'>('percent');
  const sum = oilsSum(plan);
  return (
    <section aria-label="Oils">
      <div className="section-head">
        <h2>Oils</h2>
        <Segmented
          aria-label="Enter oils by"
          value={by}
          onChange={setBy}
          options={[
            { value: 'percent', label: '%' },
            { value: 'grams', label: 'g' },
          ]}
        />
      </div>
      {base.oils.length > 0 && (
        <table className="grid oils">
          <thead>
            <tr>
              <th scope="col">Oil</th>
              <th scope="col" className="num">
                {by === 'percent' ? 'Share' : 'Mass'}
              </th>
              <th scope="col" className="num">
                {by === 'percent' ? 'Mass' : 'Share'}
              </th>
              <th scope="col">
                <span className="sr-only">Remove</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {base.oils.map((row) => {
              const { name } = materialOf(plan, row.materialId);
              const mass = (base.totalOils * row.percent) / 100;
              return (
                <tr key={row.id}>
                  <th scope="row">{name}</th>
                  <td className="num">
                    {by === 'percent' ? (
                      <NumberField
                        key="percent"
                        label={`${name}, %`}
                        hideLabel
                        width={104}
                        value={row.percent}
                        min={PLAN_LIMITS.percent.min}
                        max={PLAN_LIMITS.percent.max}
                        step={1}
                        suffix="%"
                        onCommit={(percent) => {
                          dispatch(bench.oilPercentSet({ id: row.id, percent }));
                        }}
                      />
                    ) : (
                      <NumberField
                        key="grams"
                        label={`${name}, g`}
                        hideLabel
                        width={104}
                        value={mass}
                        digits={1}
                        min={0}
                        max={PLAN_LIMITS.totalOils.max / PLAN_LIMITS.oils}
                        step={10}
                        suffix="g"
                        onCommit={(v) => {
                          dispatch(bench.oilMassSet({ id: row.id, mass: grams(v) }));
                        }}
                      />
                    )}
                  </td>
                  <td className="num figure">
                    {by === 'percent' ? `${print.fixed(mass, 1)} g` : `${print.fixed(row.percent, 2)} %`}
                  </td>
                  <td>
                    <Button
                      type="text"
                      icon={<DeleteOutlined />}
                      aria-label={`Remove ${name}`}
                      title="Remove"
                      onClick={() => {
                        dispatch(bench.oilRemoved(row.id));
                      }}
                    />
                  </td>
                </tr>
              );
            })}
          </tbody>
          <tfoot>
            <tr>
              <th scope="row">Together</th>
              <td className={oilsAddUp(plan) ? 'num figure' : 'num figure off'}>{print.fixed(sum, 2)} %</td>
              <td className="num figure">{print.fixed((base.totalOils * sum) / 100, 1)} g</td>
              <td />
            </tr>
          </tfoot>
        </table>
      )}
      {!oilsAddUp(plan) && base.oils.length > 0 && sum > 0 && (
        <p>
          <Button
            onClick={() => {
              dispatch(bench.oilsNormalised());
            }}
          >
            Stretch the shares to 100 %
          </Button>
        </p>
      )}
      {base.oils.length === 0 && (
        <p className="soft">No oils yet. Their blend is the canvas for every colour.</p>
      )}
      <div className="row">
        {base.oils.length < PLAN_LIMITS.oils ? (
          <MaterialPicker
            label="Add an oil"
            accept={isOil}
            taken={base.oils.map((o) => o.materialId)}
            onPick={(material) => {
              dispatch(bench.oilAdded({ id: newId(), material }));
            }}
          />
        ) : (
          <p className="soft">At most {PLAN_LIMITS.oils} oils.</p>
        )}
        <NumberField
          label="Total oils"
          width={140}
          value={base.totalOils}
          digits={1}
          {...PLAN_LIMITS.totalOils}
          step={50}
          suffix="g"
          onCommit={(v) => {
            dispatch(bench.baseSet({ totalOils: grams(v) }));
          }}
        />
      </div>
    </section>
  );
}

function LyePanel() {
  const { base } = usePlan();
  const { batter } = usePrep();
  const dispatch = useAppDispatch();
  const print = usePrinter();
  return (
    <section aria-label="Lye and batter" className="panel">
      <div className="row">
        <NumberField
          label="Superfat"
          width={120}
          value={base.superfat}
          digits={1}
          {...PLAN_LIMITS.superfat}
          step={1}
          suffix="%"
          onCommit={(superfat) => {
            dispatch(bench.baseSet({ superfat }));
          }}
        />
        <NumberField
          label="Lye concentration"
          width={140}
          value={base.lyeConcentration}
          digits={1}
          {...PLAN_LIMITS.lyeConcentration}
          step={1}
          suffix="%"
          onCommit={(lyeConcentration) => {
            dispatch(bench.baseSet({ lyeConcentration }));
          }}
        />
      </div>
      {batter.total !== null && batter.lye !== null && batter.liquid !== null ? (
        <dl className="figures figure">
          <div>
            <dt>Sodium hydroxide</dt>
            <dd>{print.fixed(batter.lye, 1)} g</dd>
          </div>
          <div>
            <dt>Liquid</dt>
            <dd>{print.fixed(batter.liquid, 1)} g</dd>
          </div>
          <div>
            <dt>Batter</dt>
            <dd>{print.fixed(batter.total, 1)} g</dd>
          </div>
        </dl>
      ) : (
        <p className="soft">
          No lye amount is shown until the oils make 100 %, superfat is at least 0 % and every oil has its
          value.
        </p>
      )}
      <p className="caution">
        Check the lye figure with a second, independent calculation and your supplier’s own saponification
        values before use. Lye goes <b>to</b> the liquid, never liquid to lye. Goggles, gloves, long sleeves.
      </p>
    </section>
  );
}

function ScentPanel() {
  const plan = usePlan();
  const { scent } = plan.base;
  const { pots } = usePrep();
  const dispatch = useAppDispatch();
  const print = usePrinter();
  const material = scent ? materialOf(plan, scent.materialId) : null;
  const total = pots.reduce((sum, p) => sum + p.scent, 0);
  return (
    <section aria-label="Scent">
      <div className="section-head">
        <h2>Scent</h2>
      </div>
      <div className="row">
        <MaterialPicker
          label="Choose a scent"
          accept={isScent}
          taken={[]}
          value={material?.name ?? null}
          onPick={(m) => {
            dispatch(
              bench.scentSet({
                material: m,
                dose: Math.min(DEFAULT_SCENT_DOSE, m.scent?.limit ?? DEFAULT_SCENT_DOSE),
              }),
            );
          }}
          onClear={() => {
            dispatch(bench.scentSet(null));
          }}
        />
        {scent && material && (
          <NumberField
            label="In scented pots"
            width={150}
            value={scent.dose}
            digits={1}
            {...PLAN_LIMITS.dose}
            step={1}
            suffix="g/kg"
            onCommit={(dose) => {
              dispatch(bench.scentSet({ material, dose }));
            }}
          />
        )}
      </div>
      {material && (
        <p className="soft">
          {material.behaviour} Limit {print.number(material.scent?.limit ?? 0, 0)} g/kg; the supplier’s sheet
          wins.{' '}
          {total > 0
            ? `${print.number(total, 1)} g for ${pots.filter((p) => p.scent > 0).length} scented pots.`
            : 'No pot is scented yet: switch it on per pot, and leave out those that must stay white.'}
        </p>
      )}
    </section>
  );
}
