import { chromaOf, type LabD65 } from '../colour/lab.ts';
import { type Composition } from '../pigment/composition.ts';
import { predictLab } from '../pigment/mixer.ts';
import { type Stage } from '../pigment/stage.ts';

/** Below this share of the mean chroma an overworked pair is mud. */
export const MUD_BELOW = 0.35;
/** Colours with less chroma than this are white or bare: nothing to lose. */
const NEUTRAL = 16;

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
  const half = (c: Composition) => c.parts.map((p) => ({ ...p, dose: p.dose / 2 }));
  const mean = (a: number, b: number): number => (a + b) / 2;
  const [p, q] = [one.canvas, two.canvas];
  const canvas = {
    carotenoid: mean(p.carotenoid, q.carotenoid),
    chlorophyll: mean(p.chlorophyll, q.chlorophyll),
    brown: mean(p.brown, q.brown),
    milk: mean(p.milk, q.milk),
    scent:
      p.scent || q.scent
        ? {
            vanillin: mean(p.scent?.vanillin ?? 0, q.scent?.vanillin ?? 0),
            tan: mean(p.scent?.tan ?? 0, q.scent?.tan ?? 0),
            stabilised: Math.max(p.scent?.stabilised ?? 0, q.scent?.stabilised ?? 0),
          }
        : null,
  };
  const lab = predictLab(canvas, [...half(one), ...half(two)], stage);
  const pale = ends.some((e) => chromaOf(e) < NEUTRAL && e[0] > 75);
  const index = pale ? 1 : chromaOf(lab) / Math.max(1e-6, mean(chromaOf(ends[0]!), chromaOf(ends[1]!)));
  return { lab, index, mud: index < MUD_BELOW };
}
