import { flowOf } from '../balance/balance.ts';
import { gelOf } from '../balance/gel.ts';
import { potComposition } from '../balance/potComposition.ts';
import { type FitMaterial, type FitReading } from '../fit/problem.ts';
import { defaultCurve } from '../material/curve.ts';
import { startingCurve } from '../material/catalogue/index.ts';
import { type Material, type MaterialKind } from '../material/material.ts';
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

/** A colourant as a fit takes it, by what its kind lets bars tell. */
export const colourantToFit = (
  id: string,
  kind: MaterialKind,
  optics: Optics,
  typical: number,
): FitMaterial => ({
  id,
  optics,
  spread: defaultCurve(kind).spread,
  typical,
  mirrors: kind === 'mica',
  turns: kind === 'botanical' || kind === 'dye',
});

/**
 * A colourant of the shelf before any bar: its default curve, whatever was fitted to it since, so that every fit starts
 * from the same place. Null for what has no colour of its own, and for specks, which are seen one by one.
 */
export function fitMaterial(m: Material): FitMaterial | null {
  if (!m.window || m.optics === null || m.optics.specks) return null;
  const optics = m.curve?.origin.kind === 'fitted' ? startingCurve(m).optics : m.optics;
  return optics && colourantToFit(m.id, m.kind, optics, m.window.typical);
}
