import { liquidName, type PrepSheet } from '@kleur/core/work';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { usePlan } from '../../state/useDerived.ts';

/** Everything beside the base that must be on the bench, over all pots. */
export function GatherSection({ prep }: { readonly prep: PrepSheet }) {
  const print = usePrinter();
  const plan = usePlan();
  return (
    <section aria-label="Gather">
      <h3>Gather, over all pots</h3>
      {prep.totals.length === 0 && <p className="soft">No colourants in this plan.</p>}
      <table className="grid">
        <tbody>
          {prep.totals.map((t) => (
            <tr key={t.material.id}>
              <th scope="row">
                {t.material.name}
                <span className="soft"> {t.pots === 1 ? '1 pot' : `${t.pots} pots`}</span>
              </th>
              <td className="num figure">{print.weighed(t.mass)} g</td>
              <td className="tick-box" aria-hidden />
            </tr>
          ))}
          {prep.lines.map((l) => (
            <tr key={l.line.id}>
              <th scope="row">
                {l.material.name}
                <span className="soft"> sieved in lines</span>
              </th>
              <td className="num figure">{print.number(l.mass, 2)} g</td>
              <td className="tick-box" aria-hidden />
            </tr>
          ))}
          {prep.scent?.parts
            .filter((p) => p.mass > 0)
            .map((p) => (
              <tr key={p.material.id}>
                <th scope="row">
                  {p.material.name}
                  <span className="soft"> scent</span>
                </th>
                <td className="num figure">{print.mass(p.mass)}</td>
                <td className="tick-box" aria-hidden />
              </tr>
            ))}
          {prep.scent && prep.scent.stabiliser > 0 && (
            <tr>
              <th scope="row">Vanillin stabiliser</th>
              <td className="num figure">{print.mass(prep.scent.stabiliser)}</td>
              <td className="tick-box" aria-hidden />
            </tr>
          )}
          {prep.carriers.map((c, i) => (
            <tr key={`${c.medium}:${String(c.fromBatch)}`} className={i === 0 ? 'rule' : undefined}>
              <th scope="row">
                {liquidName(plan, c.medium, c.fromBatch)}
                <span className="soft">
                  {' '}
                  for dispersing
                  {c.fromBatch && (c.medium === 'water' ? ', out of the liquid' : ', out of the oils')}
                </span>
              </th>
              <td className="num figure">{print.fixed(c.mass, 1)} g</td>
              <td className="tick-box" aria-hidden />
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
