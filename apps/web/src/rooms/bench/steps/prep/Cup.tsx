import { liquidName, type PrepPot } from '@kleur/core/work';
import * as why from '@kleur/core/why';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { Why } from '../../../../shared/ui/Why.tsx';
import { PotSwatch } from '../../PotSwatch.tsx';
import { usePlan } from '../../state/useDerived.ts';
import { amountText, ownLiquid } from './amount.ts';

/** One pot on the sheet: what is poured, measured and dispersed for it. */
export function Cup({ pot, number }: { readonly pot: PrepPot; readonly number: number }) {
  const print = usePrinter();
  const plan = usePlan();
  const said = pot.pot.draws.every((d) => d.from === null) ? 'plain batter' : 'batter';
  return (
    <section className="cup" aria-label={pot.pot.name}>
      <header>
        <PotSwatch potId={pot.pot.id} stage="cured" label={pot.pot.name} className="cup-fill" />
        <div>
          <h4>
            {number}. {pot.pot.name}
          </h4>
          <p className="figure">
            {pot.batter === null
              ? `${print.mass(pot.oils, true)} oils`
              : `Pour ${print.mass(pot.batter, true)} ${said}`}
          </p>
        </div>
      </header>
      {pot.rows.length === 0 ? (
        <p className="soft">
          {pot.pot.draws.some((d) => d.from !== null) ? 'Nothing to add.' : 'Nothing to add: the bare base.'}
        </p>
      ) : (
        <table className="grid">
          <thead>
            <tr>
              <th scope="col">Powder</th>
              <th scope="col" className="num">
                Measure
              </th>
              <th scope="col">In</th>
              <th scope="col" className="num">
                Liquid
              </th>
            </tr>
          </thead>
          <tbody>
            {pot.rows.map((row) => (
              <tr key={row.row.id}>
                <th scope="row">
                  {row.material.name}
                  <div className="soft small">{row.hint}</div>
                </th>
                <td className="num figure">
                  <Why
                    of={`${row.material.name} for ${pot.pot.name}`}
                    lines={() => why.dose(print, pot.flow, row)}
                  />
                  <b>{amountText(row, print)}</b>
                </td>
                <td className="cup-medium">
                  {row.carrier ? liquidName(plan, row.carrier.medium, row.fromBatch, pot.pot.id) : '–'}
                </td>
                <td className="num figure">
                  {ownLiquid(row) === null ? '–' : `${print.fixed(ownLiquid(row)!, 1)} g`}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {pot.flow.evenedOil > 0.05 && (
        <p className="figure">
          So that all pots carry as much, {print.fixed(pot.flow.evenedOil, 1)} g{' '}
          {liquidName(
            plan,
            'oil',
            pot.flow.evenedFromBatch,
            pot.pot.id,
          )}
        </p>
      )}
      {pot.pot.place === 'mould' && pot.flow.toTop > 0 && (
        <p className="figure">Keep {print.mass(pot.flow.toTop, true)} of it for the top</p>
      )}
      {pot.scent > 0 && <p className="figure">Scent, last and by hand: {print.mass(pot.scent)}</p>}
    </section>
  );
}
