import { Collapse } from 'antd';
import { barSentence, blendAcids, FELT, type Felt, oilsBring } from '@kleur/core/balance';
import { sapNaoh } from '@kleur/core/material';
import { colourWords, deltaE00 } from '@kleur/core/colour';
import { canvasOfOils, type Material } from '@kleur/core/material';
import { cured, type FittedBase, labOf, predictColour } from '@kleur/core/pigment';
import { materialOf } from '@kleur/core/plan';
import { batterPace } from '@kleur/core/work';
import * as why from '@kleur/core/why';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { Why } from '../../../../shared/ui/Why.tsx';
import { usePlan } from '../../state/useDerived.ts';
import { WhiteLimit } from './WhiteLimit.tsx';
import styles from './BaseLines.module.css';

const FELT_NAMES: Readonly<Record<Felt, string>> = {
  foams: 'foams at once',
  firm: 'firm',
  holds: 'holds the lather',
  gentle: 'gentle',
  brief: 'keeps less long',
};

/** What the oils do to this bar, in the order that a colourist asks: the canvas, the pace, the bar. */
export function BaseLines() {
  const plan = usePlan();
  if (plan.base.oils.length === 0) return null;
  return (
    <section aria-label="What the oils do" className={styles.lines}>
      <CanvasLine />
      <PaceLine />
      <BarLine />
      <Collapse
        ghost
        size="small"
        destroyOnHidden
        items={[{ key: 'oils', label: 'What each oil brings', children: <ByOil /> }]}
      />
    </section>
  );
}

/** Colour of the soap of some oils alone. */
const soapOf = (
  oils: readonly { readonly material: Material; readonly share: number }[],
  gel: 0 | 1,
  base?: FittedBase,
) => predictColour({ canvas: canvasOfOils(oils, null, 0, base), parts: [], age: 0, gel: null }, cured(gel));

function CanvasLine() {
  const plan = usePlan();
  const oils = plan.base.oils.map((o) => ({ material: materialOf(plan, o.materialId), share: o.percent }));
  const base = plan.base.learnt?.base;
  const [gelled, ungelled] = [soapOf(oils, 1, base), soapOf(oils, 0, base)];
  const tint = mostTint(oils);
  return (
    <div className={styles.line}>
      <div className={styles.pair} aria-hidden>
        <i style={{ background: ungelled.hex }} />
        <i style={{ background: gelled.hex }} />
      </div>
      <div>
        <p>
          <b>Canvas.</b> {sentence(colourWords(ungelled.lab))} ungelled, {colourWords(gelled.lab)} gelled
          {tint && `; ${tint.name.toLowerCase()} makes ${tint.most ? 'most' : 'half'} of the tint`}.
        </p>
        <WhiteLimit />
      </div>
    </div>
  );
}

const sentence = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** The oil that tints the bar most, where one does half of it or more. */
function mostTint(
  oils: readonly { readonly material: Material; readonly share: number }[],
): { readonly name: string; readonly most: boolean } | null {
  const clear = labOf({ canvas: canvasOfOils([]), parts: [], age: 0, gel: null }, cured(1));
  const tints = oils.map(({ material, share }) => ({
    name: material.name,
    tint: share * deltaE00(clear, soapOf([{ material, share: 1 }], 1).lab),
  }));
  const sum = tints.reduce((total, t) => total + t.tint, 0);
  const [top] = tints.toSorted((a, b) => b.tint - a.tint);
  if (!top || sum < 100 || top.tint < sum / 2) return null;
  return { name: top.name, most: top.tint > sum * 0.65 };
}

/** Effects on the pace that are too small to name. */
const NAMED = 1.06;

function PaceLine() {
  const plan = usePlan();
  const print = usePrinter();
  const { light, medium, thick, factors } = batterPace(plan);
  const drivers = factors.filter((f) => Math.max(f.factor, 1 / f.factor) > NAMED).slice(0, 2);
  const end = Math.max(60, thick * 1.1);
  const at = (minutes: number): string => `${(minutes / end) * 100}%`;
  return (
    <div className={styles.line}>
      <div className={styles.pace} aria-hidden>
        <i style={{ left: at(light) }} />
        <i style={{ left: at(medium) }} />
        <i style={{ left: at(thick) }} />
      </div>
      <p>
        <b>Pace.</b> Light trace in about <span className="figure">{print.number(light, 0)}</span> min, medium
        in <span className="figure">{print.number(medium, 0)}</span>, thick in{' '}
        <span className="figure">{print.number(thick, 0)}</span>
        {drivers.length > 0 &&
          `; ${drivers.map((f) => `${f.what} ${f.factor < 1 ? 'quickens' : 'slows'} it`).join(', ')}`}
        .
      </p>
    </div>
  );
}

function BarLine() {
  const plan = usePlan();
  const print = usePrinter();
  const blend = blendAcids(plan);
  if (blend.known === 0) return null;
  const whole = FELT.reduce((sum, g) => sum + blend[g], 0);
  return (
    <div className={styles.line}>
      <div className={styles.bar} aria-hidden>
        {FELT.map((g) => (
          <i key={g} data-group={g} style={{ flexGrow: blend[g] / whole }} />
        ))}
      </div>
      <div>
        <p>
          <b>Bar.</b> {barSentence(blend)}
        </p>
        <ul className={styles.groups}>
          {FELT.map((g) => (
            <li key={g}>
              <i data-group={g} aria-hidden /> {FELT_NAMES[g]}{' '}
              <span className="figure">{print.number((blend[g] / whole) * 100, 0)} %</span>
              <Why of={FELT_NAMES[g]} lines={() => why.felt(plan, print, g)} />
            </li>
          ))}
        </ul>
        {blend.known < 0.999 && (
          <p className="soft small">
            For the {print.number(blend.known * 100, 0)} % of the oils whose fatty acids are known.
          </p>
        )}
      </div>
    </div>
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
          {FELT.map((key) => (
            <th key={key} scope="col" className="num">
              {FELT_NAMES[key]}
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
            {FELT.map((key) => (
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
