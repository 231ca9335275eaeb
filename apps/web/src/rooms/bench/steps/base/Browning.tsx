import { useMemo } from 'react';
import { planCanvas } from '@kleur/core/balance';
import { type Canvas, cured, predictColour } from '@kleur/core/pigment';
import { useColours } from '../../BenchContext.ts';
import { usePlan } from '../../state/useDerived.ts';

const DAYS = [0, 2, 5, 10, 20, 42, 90];
/** The bare base with and without the scent, over the weeks of the cure. */
export function Browning() {
  const plan = usePlan();
  const { gel } = useColours().stage;
  const rows = useMemo(() => {
    const look = (canvas: Canvas) =>
      DAYS.map(
        (d) => predictColour({ canvas, parts: [], age: 0, gel: null }, { ...cured(gel), hours: d * 24 }).hex,
      );
    return [
      ['Scented', look(planCanvas(plan, true))],
      ['Unscented', look(planCanvas(plan, false))],
    ] as const;
  }, [plan, gel]);
  return (
    <section aria-label="Browning over time">
      <h3>How it browns</h3>
      <table className="browning figure">
        <thead>
          <tr>
            <td />
            {DAYS.map((d) => (
              <th key={d} scope="col">
                {d === 0 ? 'fresh' : `${d} d`}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([name, hexes]) => (
            <tr key={name}>
              <th scope="row">{name}</th>
              {hexes.map((hex, i) => (
                <td key={i}>
                  <i style={{ background: hex }} title={hex} />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
