import { liquidName } from '@kleur/core/work';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { PotSwatch } from '../../PotSwatch.tsx';
import { useDocument, usePlan, usePrep } from '../../state/useDerived.ts';
import { amountText, ownLiquid } from './amount.ts';
import { PrintButton } from './PrintButton.tsx';

/** One label a cup, to print, cut and stick on. */
export function LabelsPart() {
  const { name } = useDocument();
  const { pots } = usePrep();
  const print = usePrinter();
  const plan = usePlan();
  return (
    <section aria-label="Cup labels">
      <div className="section-head no-print">
        <p className="soft">Print, cut, and stick one on each cup before lye meets oil.</p>
        <PrintButton label="Print labels" />
      </div>
      <ul className="labels">
        {pots.map((p, i) => (
          <li key={p.pot.id} className="label">
            <PotSwatch potId={p.pot.id} stage="cured" label={p.pot.name} className="label-fill" />
            <div>
              <p className="label-number">{i + 1}</p>
              <h3>{p.pot.name}</h3>
              <p className="small">{name}</p>
              <ul className="figure">
                {p.rows.map((r) => (
                  <li key={r.row.id}>
                    {r.material.name}: <b>{amountText(r, print)}</b>
                    {r.carrier && ownLiquid(r) !== null && (
                      <>
                        {' '}
                        in {print.fixed(ownLiquid(r)!, 1)} g{' '}
                        {liquidName(plan, r.carrier.medium, r.fromBatch, p.pot.id)}
                      </>
                    )}
                  </li>
                ))}
                {p.rows.length === 0 && <li>no colour</li>}
                {p.scent > 0 && <li>scent last: {print.mass(p.scent)}</li>}
                <li>
                  batter:{' '}
                  {print.mass(
                    p.flow.draws.reduce((s, d) => s + d.mass, 0),
                    true,
                  )}
                </li>
              </ul>
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}
