import { flowOf } from '../balance/balance.ts';
import { gelOf } from '../balance/gel.ts';
import { potComposition } from '../balance/potComposition.ts';
import { type LabD65, labD65FromXyz, xyzFromLabD65 } from '../colour/lab.ts';
import { type FitMaterial, type FitReading } from '../fit/problem.ts';
import { defaultCurve } from '../material/curve.ts';
import { startingCurve } from '../material/catalogue/index.ts';
import { type Material, type MaterialKind } from '../material/material.ts';
import { type Canvas } from '../pigment/canvas.ts';
import { type Optics } from '../pigment/optics.ts';
import { type Stage } from '../pigment/stage.ts';
import { SURFACE_K1 } from '../pigment/surface.ts';
import { type MadeBatch } from './compare.ts';
import { type GelSeen, type Reading, type ReadWith, stageOfFace } from './reading.ts';
import { type TestBar, testBarCanvas } from './testBar.ts';

/** What was read, of whatever bar. */
type Read = Pick<Reading, 'id' | 'lab' | 'how' | 'doubt'> & ReadWith;

/** A reading with all that a fit needs to know of its bar. */
export interface BookReading<R extends Read = Reading> {
  readonly reading: R;
  /** What coloured it, g/kg oils, by the ids of its materials. */
  readonly doses: readonly { readonly materialId: string; readonly dose: number }[];
  readonly canvas: Canvas;
  readonly stage: Stage;
}

/** A reading of a batch's pot. */
export interface PotReading extends BookReading {
  readonly potName: string;
}

/**
 * Readings of a batch, each with what really went into its pot and the stage that its face was at: the gel that was seen
 * at the cut, else the likelier one.
 */
export function bookReadings(
  { plan, weighed }: MadeBatch,
  gelSeen: GelSeen | null,
  readings: readonly Reading[],
): PotReading[] {
  const flow = flowOf(plan, weighed);
  const planned = gelOf(plan).gel;
  return readings.flatMap((reading): PotReading[] => {
    const pot = plan.pots.find((p) => p.id === reading.potId);
    if (!pot) return [];
    const { canvas, parts, age, gel } = potComposition(plan, pot, undefined, flow);
    const seen = stageOfFace(plan, gelSeen, planned, reading);
    const stage = { ...seen, gel: reading.gelled === undefined ? (gel ?? seen.gel) : seen.gel };
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

/** A test bar with the canvas of its oils and its scent. */
export const testBarReading = (bar: TestBar, shelf: ReadonlyMap<string, Material>): BookReading<TestBar> => ({
  reading: bar,
  doses: bar.doses,
  canvas: testBarCanvas(bar, shelf),
  stage: { hours: bar.hours, gel: bar.gel },
});

/**
 * As a fit takes it: on the base that nobody has told yet, so that every fit starts from the same place, and without the
 * gloss. Readings of one instrument see the same share of what gloss is left.
 */
export function asFitReading({ reading, doses, canvas, stage }: BookReading<Read>): FitReading {
  const { base: _told, ...plain } = canvas;
  const { spectrum, lab, doubt, hasGloss = false } = reading;
  return {
    id: reading.id,
    parts: doses.map((d) => ({ id: d.materialId, dose: d.dose })),
    canvas: plain,
    stage,
    instrument: reading.instrument ?? reading.how,
    seen: spectrum
      ? { spectrum: Float64Array.from(spectrum, (r) => Math.max(0, r - (hasGloss ? SURFACE_K1 : 0))) }
      : { lab: hasGloss ? withoutGloss(lab) : lab, doubt },
  };
}

/** A colour that was read with the gloss of the surface, as the eye sees it. */
const withoutGloss = (lab: LabD65): LabD65 => {
  const white = xyzFromLabD65([100, 0, 0]);
  return labD65FromXyz(
    xyzFromLabD65(lab).map((v, i) => Math.max(0, v - SURFACE_K1 * white[i]!)) as [number, number, number],
  );
};

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
  if (!m.window || !m.optics) return null;
  if (m.optics.specks) return null;
  const optics = m.curve?.origin.kind === 'fitted' ? startingCurve(m).optics : m.optics;
  return optics && colourantToFit(m.id, m.kind, optics, m.window.typical);
}
