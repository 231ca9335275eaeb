import { Segmented, Switch } from 'antd';
import {
  type CarrierSource,
  PLAN_LIMITS,
  setCarrierOil,
  setCarrierSource,
  setDispersion,
  setWork,
} from '@kleur/core/plan';
import { carrierOilBalance, type Dispersion, liquidName } from '@kleur/core/work';
import * as why from '@kleur/core/why';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { NumberField } from '../../../../shared/ui/NumberField.tsx';
import { Why } from '../../../../shared/ui/Why.tsx';
import { CheckList } from '../../CheckList.tsx';
import { MaterialPicker } from '../../MaterialPicker.tsx';
import { useChecks, usePlan, usePrep, useStopped } from '../../state/useDerived.ts';
import { useEdit } from '../../state/useEdit.ts';
import { measuredText } from '@kleur/core/sheet';
import { PrintButton } from './PrintButton.tsx';

const IDS = ['carrier-heavy', 'carrier-mismatch', 'pot-superfat', 'lye-liquid', 'too-small-to-weigh'];
const isOil = (kind: string): boolean => kind === 'oil';

/** What is wetted in what, where the carrier comes from, and what that does to each pot. */
export function DispersionsPart() {
  const { dispersions } = usePrep();
  const checks = useChecks().filter((c) => IDS.includes(c.id));
  return (
    <div className="two wide-left">
      <section aria-label="Dispersions">
        <div className="section-head">
          <h2>Dispersions</h2>
          <PrintButton />
        </div>
        {dispersions.length === 0 && <p className="soft">Nothing in this plan is dispersed in a liquid.</p>}
        <ul className="doses">
          {dispersions.map((d, i) => (
            <DispersionCard key={i} dispersion={d} />
          ))}
        </ul>
      </section>
      <aside className="no-print">
        <CarrierPanel />
        <CheckList checks={checks} label="Checks on the dispersions" />
      </aside>
    </div>
  );
}

function DispersionCard({ dispersion: d }: { readonly dispersion: Dispersion }) {
  const edit = useEdit();
  const print = usePrinter();
  const plan = usePlan();
  const { material, stock } = d;
  const mode = stock ? 'stock' : d.shared ? 'shared' : 'cup';
  return (
    <li className="dose">
      <div className="dose-top">
        <h3>
          <i className="chip" style={{ background: material.colour ?? 'transparent' }} />
          {material.name}
          {!d.shared && <span className="soft"> for {d.uses[0]!.pot.name}</span>}
        </h3>
        <Segmented<'cup' | 'shared' | 'stock'>
          className="no-print"
          size="small"
          aria-label={`How ${material.name} is made up`}
          value={mode}
          onChange={(v) => {
            edit((p) =>
              setDispersion(
                p,
                material.id,
                v === 'cup'
                  ? null
                  : { stock: v === 'stock' ? { powderPercent: 25, gramsPerDrop: 0.04 } : null },
              ),
            );
          }}
          options={[
            { value: 'cup', label: 'a cup each' },
            { value: 'shared', label: 'made once' },
            { value: 'stock', label: 'from a bottle' },
          ]}
        />
      </div>
      {stock ? (
        <div className="row no-print">
          <NumberField
            label="Powder in the bottle"
            width={130}
            value={stock.powderPercent}
            digits={1}
            {...PLAN_LIMITS.powderPercent}
            step={1}
            suffix="%"
            onCommit={(powderPercent) => {
              edit((p) => setDispersion(p, material.id, { stock: { ...stock, powderPercent } }), 'stock');
            }}
          />
          <NumberField
            label="One drop"
            width={110}
            value={stock.gramsPerDrop}
            digits={3}
            {...PLAN_LIMITS.gramsPerDrop}
            step={0.005}
            suffix="g"
            onCommit={(gramsPerDrop) => {
              edit((p) => setDispersion(p, material.id, { stock: { ...stock, gramsPerDrop } }), 'stock');
            }}
          />
          <span className="soft small">Weigh 50 drops and divide. Shake the bottle: it settles.</span>
        </div>
      ) : (
        <p className="figure">
          <b>{measuredText(d.measured, print)}</b> in <b>{print.grams(d.liquid)}</b>{' '}
          {liquidName(plan, d.carrier.medium, d.fromBatch, d.shared ? undefined : d.uses[0]!.pot.id)}{' '}
          <span className="soft">
            1 : {print.number(d.carrier.ratio, 1)},{' '}
            {d.carrier.medium === 'glycerin'
              ? 'extra'
              : d.fromBatch
                ? d.carrier.medium === 'water'
                  ? 'out of the liquid'
                  : 'out of the batch oils'
                : 'extra'}
          </span>
          <Why of={`the dispersion of ${material.name}`} lines={() => why.dispersion(print, d)} />
        </p>
      )}
      {(d.shared || stock) && (
        <p className="figure">
          {d.uses.map((u, i) => (
            <span key={u.pot.id}>
              {i > 0 && ' · '}
              {u.pot.name}:{' '}
              <b>{u.drops !== null ? `${print.number(u.drops, 0)} drops` : print.grams(u.mass)}</b>
            </span>
          ))}
          {stock && <Why of={`the drops of ${material.name}`} lines={() => why.dispersion(print, d)} />}
        </p>
      )}
      {d.way && !stock && (
        <p className="soft small">
          {d.way.vessel}, {d.way.tool} · wait {d.way.wait} · {d.way.check}
        </p>
      )}
    </li>
  );
}

function CarrierPanel() {
  const plan = usePlan();
  const edit = useEdit();
  const print = usePrinter();
  const { pots, carriers } = usePrep();
  const oilFor = (batch: boolean): number =>
    carriers.find((c) => c.medium === 'oil' && c.fromBatch === batch)?.mass ?? 0;
  const stopped = useStopped();
  const oil = carrierOilBalance(plan);
  const sources = new Set(
    plan.pots.flatMap((p) => p.doses.filter((d) => d.carrier?.medium === 'oil').map((d) => d.source)),
  );
  return (
    <section className="panel" aria-label="Carriers">
      <h2>Carrier oil</h2>
      <div className="row">
        <MaterialPicker
          label={oil.material ? `Carrier oil: ${oil.material.name}` : 'Choose a carrier oil'}
          accept={isOil}
          taken={[]}
          value={plan.work.carrierOil === null ? null : (oil.material?.name ?? null)}
          onPick={(m) => {
            edit((p) => setCarrierOil(p, m));
          }}
          onClear={() => {
            edit((p) => setCarrierOil(p, null));
          }}
        />
      </div>
      <div className="setting">
        <span>Oil carriers are</span>
        <Segmented<CarrierSource | 'mixed'>
          aria-label="Oil carriers are"
          value={sources.size > 1 ? 'mixed' : ([...sources][0] ?? 'extra')}
          onChange={(v) => {
            if (v !== 'mixed') edit((p) => setCarrierSource(p, v));
          }}
          options={[
            { value: 'extra', label: 'extra' },
            { value: 'batch', label: 'from the batch oils' },
            ...(sources.size > 1 ? [{ value: 'mixed' as const, label: 'mixed', disabled: true }] : []),
          ]}
        />
      </div>
      <p className="soft small">
        Extra oil raises each pot’s superfat a little. Oil from the batch keeps the recipe as designed, but
        lowers the superfat of pots that get no carrier.
      </p>
      <div className="setting">
        <span>Same in every pot</span>
        <Switch
          aria-label="Same carrier in every pot"
          checked={plan.work.equalise}
          onChange={(equalise) => {
            edit((p) => setWork(p, { equalise }));
          }}
        />
      </div>
      <p className="figure">
        {oil.material?.name ?? 'Light oil'}: {print.mass(oilFor(true))} out of the recipe
        {oil.inRecipe !== null && (
          <>, {print.mass(Math.max(0, oil.inRecipe - oilFor(true)))} of it left to melt</>
        )}
        ; {print.mass(oilFor(false))} extra.
      </p>
      {!stopped && pots.length > 0 && (
        <table className="grid">
          <thead>
            <tr>
              <th scope="col">Pot</th>
              <th scope="col" className="num">
                Carrier
              </th>
              <th scope="col" className="num">
                Superfat
              </th>
            </tr>
          </thead>
          <tbody>
            {pots.map(({ pot, flow, rows }) => (
              <tr key={pot.id}>
                <th scope="row">{pot.name}</th>
                <td className="num figure">
                  {print.fixed(
                    rows.reduce((s, r) => s + r.carrierMass, flow.evenedOil),
                    1,
                  )}{' '}
                  g
                </td>
                <td className="num figure">
                  {flow.superfat === null ? '–' : `${print.fixed(flow.superfat * 100, 1)} %`}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}
