import { type ScreenColour, screenColourFromLabD65 } from '../colour/gamut.ts';
import { type LabD65, labD65FromReflectance } from '../colour/lab.ts';
import { type Material, TAN_AS_VANILLIN } from '../material/material.ts';
import { type Canvas, type ScentBrowning } from '../pigment/canvas.ts';
import { createMixer } from '../pigment/mixer.ts';
import { type Optics } from '../pigment/optics.ts';
import { type Stage } from '../pigment/stage.ts';
import { materialOf, type Plan, type Pot } from './plan.ts';

/** What is in a pot, as far as its colour goes. */
export interface Composition {
  readonly canvas: Canvas;
  readonly parts: readonly { readonly optics: Optics; readonly dose: number }[];
}

export interface PredictedColour extends ScreenColour {
  readonly lab: LabD65;
}

/** Tint of an oil blend: the oils' amounts weighted by share. Shares are normalised, so 99.7 % is no darker. */
export function canvasOfOils(
  oils: readonly { readonly material: Material; readonly share: number }[],
  scent: ScentBrowning | null = null,
): Canvas {
  const sum = oils.reduce((total, o) => total + o.share, 0);
  const mean = (of: (m: Material) => number): number =>
    sum > 0 ? oils.reduce((total, o) => total + o.share * of(o.material), 0) / sum : 0;
  return {
    carotenoid: mean((m) => m.oil?.carotenoid ?? 0),
    chlorophyll: mean((m) => m.oil?.chlorophyll ?? 0),
    brown: mean((m) => m.oil?.brown ?? 0),
    scent,
  };
}

/** Browning that a scent brings at a dose in g per kg oils. */
export const scentBrowning = (scent: Material, dose: number): ScentBrowning => ({
  vanillin: (scent.scent?.vanillin ?? 0) * dose,
  tan: TAN_AS_VANILLIN[scent.scent?.tan ?? 'none'] * dose,
});

/** Canvas of a plan's batter, with or without its scent. */
export function planCanvas(plan: Plan, scented: boolean): Canvas {
  const { oils, scent } = plan.base;
  return canvasOfOils(
    oils.map((o) => ({ material: materialOf(plan, o.materialId), share: o.percent })),
    scented && scent ? scentBrowning(materialOf(plan, scent.materialId), scent.dose) : null,
  );
}

export function potComposition(plan: Plan, pot: Pot): Composition {
  const parts = pot.doses.flatMap((row) => {
    const { optics } = materialOf(plan, row.materialId);
    return optics && row.dose > 0 ? [{ optics, dose: row.dose }] : [];
  });
  return { canvas: planCanvas(plan, pot.scented), parts };
}

/** The uncoloured batter: the canvas everything else is painted on. */
export const bareComposition = (plan: Plan): Composition => ({ canvas: planCanvas(plan, false), parts: [] });

/** Reflectance (36 bands, gloss excluded) of a composition at a stage. */
export function predictReflectance({ canvas, parts }: Composition, stage: Stage): Float64Array {
  const mixer = createMixer(
    canvas,
    parts.map((p) => p.optics),
    stage,
  );
  return mixer.reflectance(parts.map((p) => p.dose));
}

/** Colour of a composition at a stage. */
export function predictColour(composition: Composition, stage: Stage): PredictedColour {
  const lab = labD65FromReflectance(predictReflectance(composition, stage));
  return { lab, ...screenColourFromLabD65(lab) };
}
