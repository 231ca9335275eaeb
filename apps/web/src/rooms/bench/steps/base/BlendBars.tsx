import { Collapse } from 'antd';
import { blendProperties, oilsBring, sapNaoh, USUAL } from '@kleur/core/balance';
import { canvasOfOils, type Material } from '@kleur/core/material';
import { cured, predictColour } from '@kleur/core/pigment';
import * as why from '@kleur/core/why';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { Why } from '../../../../shared/ui/Why.tsx';
import { usePlan } from '../../state/useDerived.ts';

const ROWS = [
  ['hardness', 'Hardness'],
  ['cleansing', 'Cleansing'],
  ['bubbly', 'Quick lather'],
  ['creamy', 'Dense lather'],
  ['conditioning', 'Conditioning'],
] as const;
const FULL = 80;

/** What the blend's fatty acids bring, against the usual span of an all-round bar. */
export function BlendBars() {
  const plan = usePlan();
  const print = usePrinter();
  const blend = blendProperties(plan);
  if (plan.base.oils.length === 0 || blend.known === 0) return null;
  return (
    <section aria-label="What the oils bring" className="blend">
      <h3>What the oils bring</h3>
      <dl>
        {ROWS.map(([key, label]) => {
          const value = blend[key];
          const [low, high] = USUAL[key];
          const where =
            value < low ? 'below the usual span' : value > high ? 'above the usual span' : 'usual';
          return (
            <div key={key} title={`${label}: usual ${low} to ${high} %`}>
              <dt>
                {label}
                <Why of={label} lines={() => why.property(plan, print, key)} />
              </dt>
              <dd>
                <span className="blend-track" aria-hidden>
                  <i
                    className="blend-usual"
                    style={{ left: `${(low / FULL) * 100}%`, width: `${((high - low) / FULL) * 100}%` }}
                  />
                  <i className="blend-value" style={{ left: `${Math.min(100, (value / FULL) * 100)}%` }} />
                </span>
                <span className="figure">{print.fixed(value, 0)}</span>
                <span className={where === 'usual' ? 'soft small' : 'small'}>{where}</span>
              </dd>
            </div>
          );
        })}
      </dl>
      <p className="soft small">
        % of fatty acids
        {blend.known < 0.999 &&
          `, for the ${print.number(blend.known * 100, 0)} % of the oils that are known`}
        ; the grey band is the usual span of an all-round bar.
      </p>
      <Collapse
        ghost
        size="small"
        destroyOnHidden
        items={[{ key: 'oils', label: 'What each oil brings', children: <ByOil /> }]}
      />
    </section>
  );
}

/** The same figures oil by oil, with what each does to the pace and to the colour of the bare bar. */
function ByOil() {
  const plan = usePlan();
  const print = usePrinter();
  return (
    <table className="grid by-oil">
      <thead>
        <tr>
          <th scope="col">Oil</th>
          {ROWS.map(([key, label]) => (
            <th key={key} scope="col" className="num">
              {label}
            </th>
          ))}
          <th scope="col" className="num">
            g NaOH/g
          </th>
          <th scope="col">Pace</th>
          <th scope="col">Tint</th>
        </tr>
      </thead>
      <tbody>
        {oilsBring(plan).map((o) => (
          <tr key={o.id}>
            <th scope="row">{o.material.name}</th>
            {ROWS.map(([key]) => (
              <td key={key} className="num figure">
                {o.part ? print.fixed(o.part[key], 1) : '?'}
              </td>
            ))}
            <td className="num figure">
              {o.material.oil?.sapKoh == null ? '?' : print.fixed(sapNaoh(o.material.oil.sapKoh), 4)}
              {o.material.oil?.sapKoh != null && (
                <span className="soft"> ± {print.number(o.material.oil.sapSpread, 1)} %</span>
              )}
            </td>
            <td>{o.pace < 0.93 ? 'quickens' : o.pace > 1.07 ? 'slows' : 'even'}</td>
            <td>
              <i
                className="chip chip-wide"
                title={`Soap of ${o.material.name.toLowerCase()} alone, cured`}
                style={{ background: tintOf(o.material) }}
              />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const tintOf = (material: Material): string =>
  predictColour({ canvas: canvasOfOils([{ material, share: 1 }]), parts: [], age: 0, gel: null }, cured())
    .hex;
