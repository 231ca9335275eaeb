import { type PrepSheet } from '@kleur/core/work';
import * as why from '@kleur/core/why';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { Why } from '../../../../shared/ui/Why.tsx';
import { usePlan } from '../../state/useDerived.ts';

/** Every weighing of batter in the order of the work, jug tared each time. */
export function WeighTable({ prep }: { readonly prep: PrepSheet }) {
  const print = usePrinter();
  const plan = usePlan();
  const { moulding } = plan;
  const named = prep.pots.reduce((sum, p) => sum + p.flow.toTop, 0);
  const top = moulding.reserve - named;
  const lates = prep.weighings.some((w) => w.after !== '');
  return (
    <section aria-label="Weighing the batter">
      <h3>Weighing the batter: set the jug on the scale, tare, pour</h3>
      <table className="grid weighing">
        <thead>
          <tr>
            <th scope="col">Into</th>
            <th scope="col">From</th>
            <th scope="col" className="num">
              Scale shows
            </th>
            <th scope="col" className="num">
              Then left there
            </th>
            {lates && <th scope="col">When</th>}
            <th scope="col">
              <span className="sr-only">Done</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {prep.weighings.map((w, i) => (
            <tr key={i}>
              <th scope="row">{w.pot.name}</th>
              <td>{w.from?.name ?? (w.pot.ownLye ? 'its own batter' : 'the bowl')}</td>
              <td className="num figure">
                <Why
                  of={`the weight of ${w.pot.name}`}
                  lines={() =>
                    why.weighed(
                      plan,
                      print,
                      prep.flow.pots.find((p) => p.pot === w.pot)!,
                    )
                  }
                />
                <b>{print.mass(w.mass)}</b>
              </td>
              <td className="num figure">{print.mass(w.remains)}</td>
              {lates && <td className="soft">{w.after}</td>}
              <td className="tick-box" aria-hidden />
            </tr>
          ))}
        </tbody>
      </table>
      {top > 0.5 && (
        <p className="figure">
          Keep {print.mass(top, true)} {named > 0 && 'more '}for the top or for piping: the moulds are
          reckoned without it.
        </p>
      )}
    </section>
  );
}
