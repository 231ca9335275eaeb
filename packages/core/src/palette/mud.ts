import { chromaOf, type LabD65 } from '../colour/lab.ts';
import { type Canvas } from '../pigment/canvas.ts';
import { type Composition } from '../pigment/composition.ts';
import { predictLab } from '../pigment/mixer.ts';
import { type Stage } from '../pigment/stage.ts';

/** Below this share of the mean chroma an overworked pair is mud. */
export const MUD_BELOW = 0.35;
/** Colours with less chroma than this are white or bare: nothing to lose. */
const NEUTRAL = 16;

/** A blend of less chroma than this whose hue is that of neither is mud too, however much of their chroma it keeps. */
const MURKY = { chroma: 15, hue: 40 } as const;

export interface Blend {
  /** What an even blend of the two becomes. */
  readonly lab: LabD65;
  /** Its chroma over the mean chroma of the two; 1 where one of them is neutral and pale. */
  readonly index: number;
  readonly mud: boolean;
}

/**
 * Two pots worked into one: half of each, mixed as the soap mixes them and not as screens do. The canvas is
 * halved with them (scent and tints on either side).
 */
export const blendPots = (one: Composition, two: Composition, stage: Stage): Blend =>
  blendedLab(
    one,
    two,
    [one, two].map((c) => predictLab(c.canvas, c.parts, stage)),
    stage,
  );

/** The same, for pots whose own colours at the stage are known. */
export function blendedLab(one: Composition, two: Composition, ends: readonly LabD65[], stage: Stage): Blend {
  const lab = stirredLab([one, two], [1, 1], stage);
  const pale = ends.some((e) => chromaOf(e) < NEUTRAL && e[0] > 75);
  const mean = (chromaOf(ends[0]!) + chromaOf(ends[1]!)) / 2;
  const index = pale ? 1 : chromaOf(lab) / Math.max(1e-6, mean);
  return { lab, index, mud: !pale && (index < MUD_BELOW || isMurky(lab, ends)) };
}

/** Of little colour, and of a hue that neither of the two has; what is neutral has none. */
const isMurky = (lab: LabD65, ends: readonly LabD65[]): boolean => {
  const coloured = ends.filter((e) => chromaOf(e) >= NEUTRAL);
  return (
    chromaOf(lab) < MURKY.chroma &&
    coloured.length > 0 &&
    coloured.every((e) => hueBetween(lab, e) > MURKY.hue)
  );
};

/** Angle between two hues, 0–180 degrees. */
function hueBetween(one: LabD65, two: LabD65): number {
  const angle = ([, a, b]: LabD65): number => (Math.atan2(b, a) * 180) / Math.PI;
  const d = Math.abs(angle(one) - angle(two)) % 360;
  return Math.min(d, 360 - d);
}

/**
 * Several pots stirred to one shade.
 * @param weights how much of each, in any unit; they must not all be 0.
 */
export function stirredLab(pots: readonly Composition[], weights: readonly number[], stage: Stage): LabD65 {
  const sum = weights.reduce((a, b) => a + b, 0);
  const mean = (of: (c: Composition) => number): number =>
    pots.reduce((total, c, i) => total + (of(c) * weights[i]!) / sum, 0);
  const canvas: Canvas = {
    carotenoid: mean((c) => c.canvas.carotenoid),
    chlorophyll: mean((c) => c.canvas.chlorophyll),
    brown: mean((c) => c.canvas.brown),
    milk: mean((c) => c.canvas.milk),
    scent: pots.some((c) => c.canvas.scent)
      ? {
          vanillin: mean((c) => c.canvas.scent?.vanillin ?? 0),
          tan: mean((c) => c.canvas.scent?.tan ?? 0),
          stabilised: Math.max(...pots.map((c) => c.canvas.scent?.stabilised ?? 0)),
        }
      : null,
  };
  const parts = pots.flatMap((c, i) => c.parts.map((p) => ({ ...p, dose: (p.dose * weights[i]!) / sum })));
  return predictLab(canvas, parts, stage);
}
