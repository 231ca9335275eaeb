import { type ScreenColour, screenColourFromLabD65 } from '../colour/gamut.ts';
import { type Canvas, referenceCanvas } from '../pigment/canvas.ts';
import { predictLab } from '../pigment/mixer.ts';
import { cured } from '../pigment/stage.ts';
import { type Material } from './material.ts';

export interface TintLadder {
  /** Doses in g/kg oils, faint to ceiling. */
  readonly doses: readonly number[];
  readonly gelled: readonly ScreenColour[];
  readonly ungelled: readonly ScreenColour[];
}

export const LADDER_STEPS = 7;
/** Where an entry has no faint dose, the ladder starts this far below the typical one. */
const FAINT_FALLBACK = 0.15;

/** The cured colour of a material from faint to ceiling, in equal ratios; null for what has no colour. */
export function tintLadder(material: Material, canvas: Canvas = referenceCanvas): TintLadder | null {
  const { optics, window } = material;
  if (!optics || !window) return null;
  const from = window.faint ?? window.typical * FAINT_FALLBACK;
  const ratio = window.ceiling / from;
  const doses = Array.from({ length: LADDER_STEPS }, (_, i) => from * ratio ** (i / (LADDER_STEPS - 1)));
  const row = (gel: number): ScreenColour[] =>
    doses.map((dose) => screenColourFromLabD65(predictLab(canvas, [{ optics, dose }], cured(gel))));
  return { doses, gelled: row(1), ungelled: row(0) };
}
