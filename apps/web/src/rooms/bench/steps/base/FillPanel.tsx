import { fillOf } from '@kleur/core/balance';
import { type Moulding, PLAN_LIMITS, setMoulding } from '@kleur/core/plan';
import { grams } from '@kleur/core/units';
import * as why from '@kleur/core/why';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { NumberField } from '../../../../shared/ui/NumberField.tsx';
import { MassField } from '../../../../shared/ui/Quantity.tsx';
import { Why } from '../../../../shared/ui/Why.tsx';
import { usePlan } from '../../state/useDerived.ts';
import { useEdit } from '../../state/useEdit.ts';

export function FillPanel() {
  const plan = usePlan();
  const edit = useEdit();
  const print = usePrinter();
  const fill = fillOf(plan);
  const { moulding } = plan;
  const set = (change: Partial<Moulding>): void => {
    edit((p) => setMoulding(p, change), `moulding:${Object.keys(change).join()}`);
  };
  const full = Math.max(fill.wanted, fill.have, 1);
  return (
    <section aria-label="Fill" className="panel">
      <h2>
        Fill
        <Why of="how full the moulds get" lines={() => why.fill(plan, print)} />
      </h2>
      {fill.ratio === null ? (
        <p className="soft figure">
          No mould yet. The batter makes {print.volume(fill.volume)}, {print.mass(fill.batter)}.
        </p>
      ) : (
        <>
          <div
            className="fill-gauge"
            role="img"
            aria-label={`${print.number(fill.ratio * 100, 0)} % of the room is filled`}
          >
            <i className="fill-batter" style={{ width: `${((fill.have - fill.embeds) / full) * 100}%` }} />
            <i className="fill-embeds" style={{ width: `${(fill.embeds / full) * 100}%` }} />
            <i className="fill-line" style={{ left: `${(fill.wanted / full) * 100}%` }} />
          </div>
          <p className="figure">
            <b>{print.number(fill.ratio * 100, 1)} %</b> full: {print.volume(fill.have)} for{' '}
            {print.volume(fill.wanted)}
            {fill.embeds > 0 && <span className="soft">, {print.volume(fill.embeds)} of it embeds</span>}
          </p>
        </>
      )}
      <div className="row">
        <MassField
          label="For the top or piping"
          width={140}
          value={moulding.reserve}
          {...PLAN_LIMITS.mass}
          step={10}
          onCommit={(v) => {
            set({ reserve: grams(v) });
          }}
        />
        <MassField
          label="Sticks to each jug"
          width={130}
          value={moulding.lossPerJug}
          min={0}
          max={200}
          step={1}
          onCommit={(v) => {
            set({ lossPerJug: grams(v) });
          }}
        />
        <NumberField
          label="Density, if measured"
          width={140}
          value={moulding.density}
          digits={3}
          {...PLAN_LIMITS.density}
          suffix="g/ml"
          onCommit={(density) => {
            set({ density });
          }}
          onClear={() => {
            set({ density: null });
          }}
        />
      </div>
      {moulding.density === null && (
        <p className="soft small figure">
          Worked out: {print.fixed(fill.density, 3)} g/ml
          <Why of="the density" lines={() => why.density(plan, print)} />
        </p>
      )}
    </section>
  );
}
