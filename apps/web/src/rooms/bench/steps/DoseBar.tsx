import { scaleLog } from 'd3-scale';
import { useMemo } from 'react';
import { potCanvas } from '@kleur/core/balance';
import { type DoseWindow, type Material } from '@kleur/core/material';
import { predictColour, type Stage } from '@kleur/core/pigment';
import { type Pot } from '@kleur/core/plan';
import { gramsPerKg, type GramsPerKg } from '@kleur/core/units';
import { usePrinter } from '../../../shared/hooks/useSettings.ts';
import { useColours } from '../BenchContext.ts';
import { usePlan } from '../useDerived.ts';

const STEPS = 24;
/** The bar runs past the ceiling, so that a dose beyond it can be seen. */
const BEYOND = 1.35;
/** Where an entry has no faint dose the bar starts at this share of the typical one. */
const START = 0.1;

const lower = (w: DoseWindow): number => (w.faint ?? w.typical * START * 2) * 0.5;

/**
 * The dose on a logarithmic bar painted with what each dose would look like alone on this base, at the time of
 * the time strip. Faint, typical and ceiling are marked.
 */
export function DoseBar(props: {
  readonly material: Material;
  readonly window: DoseWindow;
  readonly dose: GramsPerKg;
  readonly pot: Pot;
  readonly onDose: (dose: GramsPerKg) => void;
}) {
  const { material, window: w, dose } = props;
  const { stage } = useColours();
  const print = usePrinter();
  const scale = useMemo(
    () =>
      scaleLog()
        .domain([lower(w), w.ceiling * BEYOND])
        .range([0, 1])
        .clamp(true),
    [w],
  );
  const trail = useTrail(material, scale, stage, props.pot);
  const marks = [
    ...(w.faint === null ? [] : [['faint', w.faint] as const]),
    ['typical', w.typical] as const,
    ['ceiling', w.ceiling] as const,
  ];
  return (
    <div className="dose-bar">
      <div className="dose-trail" aria-hidden>
        {trail.map((hex, i) => (
          <i key={i} style={{ background: hex }} />
        ))}
      </div>
      <input
        type="range"
        aria-label={`${material.name}, strength`}
        aria-valuetext={`${print.significant(dose, 3)} g per kg oils`}
        min={0}
        max={1}
        step={0.002}
        value={dose > 0 ? scale(dose) : 0}
        onChange={(e) => {
          props.onDose(gramsPerKg(Number(scale.invert(Number(e.target.value)).toPrecision(3))));
        }}
      />
      <div className="dose-marks" aria-hidden>
        {marks.map(([name, at]) => (
          <span key={name} style={{ left: `${scale(at) * 100}%` }}>
            {name}
          </span>
        ))}
      </div>
    </div>
  );
}

/** Two dozen colours take well under a millisecond, so they need no worker. */
function useTrail(
  material: Material,
  scale: { invert(p: number): number },
  stage: Stage,
  pot: Pot,
): readonly string[] {
  const plan = usePlan();
  return useMemo(() => {
    const { optics } = material;
    if (!optics) return [];
    const canvas = potCanvas(plan, pot);
    return Array.from({ length: STEPS }, (_, i) => {
      const parts = [{ optics, dose: scale.invert((i + 0.5) / STEPS) }];
      return predictColour({ canvas, parts, age: 0, gel: null }, stage).hex;
    });
  }, [plan, material, scale, stage, pot]);
}
