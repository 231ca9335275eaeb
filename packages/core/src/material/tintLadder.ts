import { type ScreenColour, screenColourFromLabD65 } from '../colour/gamut.ts';
import { type Canvas, referenceCanvas } from '../pigment/canvas.ts';
import { predictLab } from '../pigment/mixer.ts';
import { cured } from '../pigment/stage.ts';
import { type Material } from './material.ts';
import { TAN } from './browning.ts';

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
export function tintLadder(
  material: Pick<Material, 'optics' | 'window'>,
  canvas: Canvas = referenceCanvas,
): TintLadder | null {
  const { optics, window } = material;
  if (!optics || !window) return null;
  const from = window.faint ?? window.typical * FAINT_FALLBACK;
  const ratio = window.ceiling / from;
  const doses = Array.from({ length: LADDER_STEPS }, (_, i) => from * ratio ** (i / (LADDER_STEPS - 1)));
  const row = (gel: number): ScreenColour[] =>
    doses.map((dose) => screenColourFromLabD65(predictLab(canvas, [{ optics, dose }], cured(gel))));
  return { doses, gelled: row(1), ungelled: row(0) };
}

/** What a shelf item looks like in soap: colours gelled and ungelled, side by side, and what they show. */
export interface ShelfFace {
  readonly shows: 'doses' | 'oil' | 'scent';
  /** In g/kg oils for `doses`; empty otherwise. */
  readonly doses: readonly number[];
  readonly gelled: readonly ScreenColour[];
  readonly ungelled: readonly ScreenColour[];
}

/**
 * The face of any shelf item at cure: the tint ladder of a colourant, the bare bar of an oil alone, the
 * browning of a scent at its limit. Null for what leaves no mark.
 */
export function shelfFace(material: Pick<Material, 'optics' | 'window' | 'oil' | 'scent'>): ShelfFace | null {
  const ladder = tintLadder(material);
  if (ladder) return { shows: 'doses', ...ladder };
  const { oil, scent } = material;
  const bare = (canvas: Canvas) => ({
    doses: [],
    gelled: [screenColourFromLabD65(predictLab(canvas, [], cured(1)))],
    ungelled: [screenColourFromLabD65(predictLab(canvas, [], cured(0)))],
  });
  if (oil)
    return {
      shows: 'oil',
      ...bare({
        ...referenceCanvas,
        carotenoid: oil.carotenoid,
        chlorophyll: oil.chlorophyll,
        brown: oil.brown,
      }),
    };
  if (!scent) return null;
  const browning = {
    vanillin: scent.vanillin * scent.limit,
    tan: TAN[scent.tan] * scent.limit,
    stabilised: 0,
  };
  return { shows: 'scent', ...bare({ ...referenceCanvas, scent: browning }) };
}
