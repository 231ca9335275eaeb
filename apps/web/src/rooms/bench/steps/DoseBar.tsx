import { memo, useMemo, useRef } from 'react';
import { potCanvas } from '@kleur/core/balance';
import { type DoseWindow, isPale, type Material } from '@kleur/core/material';
import { type Canvas, cured, justSeen, predictColour } from '@kleur/core/pigment';
import { gramsPerKg, type GramsPerKg } from '@kleur/core/units';
import { type Axis, logAxis } from '../../../shared/axis/logAxes.ts';
import { usePrinter } from '../../../shared/hooks/useSettings.ts';
import { useTouchNotice } from '../../../shared/hooks/useUndoNotice.tsx';
import { Slide } from '../../../shared/ui/Slide.tsx';
import { useStage } from '../BenchContext.ts';
import { usePlanPart } from '../state/useDerived.ts';

const STEPS = 24;
/** The bar runs past the ceiling, so that a dose beyond it can be seen. */
const BEYOND = 1.35;
/** Where an entry has no faint dose the bar starts at this share of the typical one. */
const START = 0.1;

/** And below what is just seen, in shares of it. */
const BEFORE_SEEN = 0.6;

const lower = (w: DoseWindow): number => (w.faint ?? w.typical * START * 2) * 0.5;

/**
 * The dose on a logarithmic bar painted with what each dose would look like alone on this base, at the time of
 * the time strip. Where it is just seen on this base when cured, typical and ceiling are marked.
 */
export function DoseBar(props: {
  readonly material: Material;
  readonly window: DoseWindow;
  readonly dose: GramsPerKg;
  readonly potId: string;
  readonly onDose: (dose: GramsPerKg) => void;
}) {
  const { material, window: w, dose } = props;
  const print = usePrinter();
  const ground = useGround(props.potId);
  const { gel } = useStage();
  const seen = useMemo(() => {
    const { optics } = material;
    return optics && ground && !isPale(material) ? justSeen(ground, optics, cured(gel), w.ceiling) : null;
  }, [material, ground, gel, w]);
  const axis = useMemo(
    () => logAxis(Math.min(lower(w), (seen ?? Infinity) * BEFORE_SEEN), w.ceiling * BEYOND),
    [w, seen],
  );
  const before = useRef(dose);
  const tellTouched = useTouchNotice();
  const say = (d: GramsPerKg): string => `${print.significant(d, 3)} g per kg oils`;
  const marks = [
    ...(seen === null ? [] : [['just seen', seen] as const]),
    ['typical', w.typical] as const,
    ['ceiling', w.ceiling] as const,
  ];
  return (
    <div className="dose-bar">
      <DoseTrail material={material} axis={axis} potId={props.potId} />
      <Slide
        label={`${material.name}, strength`}
        valueText={say(dose)}
        step={0.002}
        value={dose > 0 ? axis.at(dose) : 0}
        onChange={(at) => {
          props.onDose(gramsPerKg(Number(axis.valueAt(at).toPrecision(3))));
        }}
        onHold={() => {
          before.current = dose;
        }}
        onCancel={() => {
          props.onDose(before.current);
        }}
        onTouched={() => {
          const back = before.current;
          if (back !== dose)
            tellTouched(material.name, print.significant(back, 3), say(dose), () => {
              props.onDose(back);
            });
        }}
      />
      <div className="dose-marks" aria-hidden>
        {marks.map(([name, at]) => (
          <span key={name} style={{ left: `${axis.at(at) * 100}%` }}>
            {name}
          </span>
        ))}
      </div>
    </div>
  );
}

/** The uncoloured batter of a pot. It is worked out anew with each plan and mostly the same: compared by what is in it. */
function useGround(potId: string): Canvas | null {
  const key = usePlanPart((plan) => {
    const pot = plan.pots.find((p) => p.id === potId);
    return JSON.stringify(pot ? potCanvas(plan, pot) : null);
  });
  return useMemo(() => JSON.parse(key) as Canvas | null, [key]);
}

/** What each dose would look like alone. Two dozen colours take well under a millisecond, so they need no worker. */
const DoseTrail = memo(function DoseTrail(props: {
  readonly material: Material;
  readonly axis: Axis;
  readonly potId: string;
}) {
  const { material, axis, potId } = props;
  const stage = useStage();
  const ground = useGround(potId);
  const trail = useMemo(() => {
    const { optics } = material;
    if (!optics || !ground) return [];
    return Array.from({ length: STEPS }, (_, i) => {
      const parts = [{ optics, dose: axis.valueAt((i + 0.5) / STEPS) }];
      return predictColour({ canvas: ground, parts, age: 0, gel: null }, stage).hex;
    });
  }, [ground, material, axis, stage]);
  return (
    <div className="dose-trail" aria-hidden>
      {trail.map((hex, i) => (
        <i key={i} style={{ background: hex }} />
      ))}
    </div>
  );
});
