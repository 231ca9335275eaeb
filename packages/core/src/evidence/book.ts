import { flowOf } from '../balance/balance.ts';
import { gelOf } from '../balance/gel.ts';
import { potComposition } from '../balance/potComposition.ts';
import { type FitMaterial, type FitReading } from '../fit/problem.ts';
import { defaultCurve } from '../material/curve.ts';
import { type Material } from '../material/material.ts';
import { defaultOptics } from '../material/ownMaterial.ts';
import { type Canvas } from '../pigment/canvas.ts';
import { type Optics } from '../pigment/optics.ts';
import { type Stage } from '../pigment/stage.ts';
import { type MadeBatch } from './compare.ts';
import { type GelSeen, type Reading, stageOfFace } from './reading.ts';

/** A reading of a batch with all that a fit needs to know of its bar. */
export interface BookReading {
  readonly reading: Reading;
  readonly potName: string;
  /** What coloured the pot, g/kg oils, by the ids of the plan's materials. */
  readonly doses: readonly { readonly materialId: string; readonly dose: number }[];
  readonly canvas: Canvas;
  readonly stage: Stage;
}

/**
 * Readings of a batch, each with what really went into its pot and the stage that its face was at: the gel that was seen
 * at the cut, else the likelier one.
 */
export function bookReadings(
  { plan, weighed }: MadeBatch,
  gelSeen: GelSeen | null,
  readings: readonly Reading[],
): BookReading[] {
  const flow = flowOf(plan, weighed);
  const planned = gelOf(plan).gel;
  return readings.flatMap((reading): BookReading[] => {
    const pot = plan.pots.find((p) => p.id === reading.potId);
    if (!pot) return [];
    const { canvas, parts, age } = potComposition(plan, pot, undefined, flow);
    const stage = stageOfFace(plan, gelSeen, planned, reading);
    return [
      {
        reading,
        potName: pot.name,
        doses: parts.flatMap(({ optics, dose }) => {
          const material = plan.materials.find((m) => m.optics === optics);
          return material ? [{ materialId: material.id, dose }] : [];
        }),
        canvas,
        stage: { ...stage, hours: stage.hours + age },
      },
    ];
  });
}

/** As a fit takes it. Readings of one way of reading see the same share of the gloss. */
export const asFitReading = ({ reading, doses, canvas, stage }: BookReading): FitReading => ({
  id: reading.id,
  parts: doses.map((d) => ({ id: d.materialId, dose: d.dose })),
  canvas,
  stage,
  instrument: reading.how,
  seen: { lab: reading.lab, doubt: reading.doubt },
});

/**
 * A colourant of the shelf before any bar: its default curve, whatever was fitted to it since, so that every fit starts
 * from the same place. Null for what has no colour of its own, and for specks, which are seen one by one.
 * @param starting curve that it was given at first, where that is known
 */
export function fitMaterial(m: Material, starting?: Optics | null): FitMaterial | null {
  if (!m.window || m.optics === null || m.optics.specks) return null;
  const optics = m.curve?.origin.kind === 'fitted' ? (starting ?? defaultOptics(m)) : m.optics;
  return (
    optics && {
      id: m.id,
      optics,
      spread: defaultCurve(m.kind).spread,
      typical: m.window.typical,
      mirrors: m.kind === 'mica',
      turns: m.kind === 'botanical' || m.kind === 'dye',
    }
  );
}
