import { type ScreenColour, screenColourFromLabD65 } from '../colour/gamut.ts';
import { type LabD65, labD65FromReflectance } from '../colour/lab.ts';
import { type Canvas } from './canvas.ts';
import { createMixer, predictLab } from './mixer.ts';
import { type Optics } from './optics.ts';
import { type Stage } from './stage.ts';

/** A colourant at a dose in g per kg oils of the pot. */
export interface CompositionPart {
  readonly optics: Optics;
  readonly dose: number;
}

/** What is in a pot, as far as its colour goes. */
export interface Composition {
  readonly canvas: Canvas;
  readonly parts: readonly CompositionPart[];
  /** Hours that it is older than the last pour. */
  readonly age: number;
  /** Gel of its own, whatever the batch does; null to go with the batch. */
  readonly gel: number | null;
}

export interface PredictedColour extends ScreenColour {
  readonly lab: LabD65;
}

/** The stage that a composition is at when the batch is at one. */
export const stageOf = ({ age, gel }: Composition, stage: Stage): Stage => ({
  ...stage,
  hours: stage.hours + age,
  gel: gel ?? stage.gel,
});

/** Reflectance (36 bands, gloss excluded) of a composition at a stage. */
export function predictReflectance(composition: Composition, stage: Stage): Float64Array {
  const { canvas, parts } = composition;
  const mixer = createMixer(
    canvas,
    parts.map((p) => p.optics),
    stageOf(composition, stage),
  );
  return mixer.reflectance(parts.map((p) => p.dose));
}

/** CIELAB D65 of a composition at a stage. */
export const labOf = (composition: Composition, stage: Stage): LabD65 =>
  predictLab(composition.canvas, composition.parts, stageOf(composition, stage));

/** Colour of a composition at a stage. */
export function predictColour(composition: Composition, stage: Stage): PredictedColour {
  const lab = labD65FromReflectance(predictReflectance(composition, stage));
  return { lab, ...screenColourFromLabD65(lab) };
}
