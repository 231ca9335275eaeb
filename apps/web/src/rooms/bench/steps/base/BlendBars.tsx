import { blendProperties, USUAL } from '@kleur/core';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { usePlan } from '../../useDerived.ts';

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
              <dt>{label}</dt>
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
    </section>
  );
}
