import { cautionText } from '@kleur/core/material';
import { type PrepSheet } from '@kleur/core/work';
import { usePlan } from '../../state/useDerived.ts';

/** The cautions of this batch, once and in plain words. */
export function Safety({ prep }: { readonly prep: PrepSheet }) {
  const { work } = usePlan();
  const materials = [...prep.totals, ...prep.additives, ...prep.lines].map((t) => t.material);
  const powders = materials.some((m) => m.cautions.includes('fine-powder'));
  const mist = work.finish.includes('mist');
  const others = [...new Set(materials.flatMap((m) => m.cautions))].filter(
    (c) => !['fine-powder', 'fades', 'alkali-unstable', 'alkali-shift', 'clumps'].includes(c),
  );
  return (
    <section className="safety" aria-label="Safety">
      <h3>Safety</h3>
      <ul>
        <li>
          Lye burns skin and eyes: goggles, gloves, long sleeves, closed shoes, fresh air; children and pets
          out. Lye to the liquid, in small portions, never liquid to lye; never aluminium or zinc. On skin or
          in eyes: rinse with plenty of running water at once and for long, and get medical help.
        </li>
        <li>Fresh batter is caustic for a day or more: gloves for mixing, unmoulding and cutting early.</li>
        <li>Check the lye figure with a second calculation and your supplier’s own values.</li>
        {mist && (
          <li>
            Isopropyl alcohol is very flammable: no flame, no pilot light, never into a warm oven after
            misting; heat first, mist later.
          </li>
        )}
        {powders && <li>{cautionText['fine-powder']}</li>}
        {prep.scent && prep.scent.mass > 0 && (
          <li>Scent: never above the supplier’s limit for rinse-off soap; measure in glass or steel.</li>
        )}
        {others.map((c) => (
          <li key={c}>
            {materials
              .filter((m) => m.cautions.includes(c))
              .map((m) => m.name)
              .join(', ')}
            : {cautionText[c]}
          </li>
        ))}
        <li>Supplier sheets and local rules come before anything said here.</li>
      </ul>
    </section>
  );
}
