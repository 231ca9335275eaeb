import { encodeChannel } from '../colour/srgb.ts';

/** A neutral patch as one channel of a picture has it, and what it should be. Both linear, 0–1. */
export interface Neutral {
  readonly shown: number;
  readonly known: number;
}

/** Takes a channel of a picture back to linear light, where the white of the card is as light as it is known to be. */
export type ToneCurve = (shown: number) => number;

/** Where the logistic ends, a little beyond white, so that white itself stays finite. */
const END = 1.02;
/** Nothing is read below this step of 255. */
const LEAST = 1 / 255;

const logistic = (shown: number): number => {
  const e = Math.min(1, Math.max(LEAST, encodeChannel(shown)));
  return Math.log(e / (END - e));
};

/**
 * The tone curve of one channel from neutral patches. Encoded values follow the logarithm of the light along a curve
 * that is nearly a logistic, whatever a camera does to contrast, shoulder and toe: in these two scales a parabola
 * through white, grey and black undoes it. With white and one more it is a straight line; with white alone the picture
 * counts as plain sRGB, scaled.
 * @param neutrals 1 to 3, the lightest first; `shown` and `known` above 0 and falling
 */
export function toneCurve(neutrals: readonly Neutral[]): ToneCurve {
  const [white, ...others] = neutrals;
  if (!white) throw new RangeError('A tone curve needs the white of the card');
  if (others.length === 0) {
    const scale = white.known / white.shown;
    return (shown) => shown * scale;
  }
  const xs = neutrals.map((n) => logistic(n.shown));
  const ys = neutrals.map((n) => Math.log(n.known));
  return (shown) => Math.exp(throughPoints(xs, ys, logistic(shown)));
}

/** Lagrange's polynomial. */
function throughPoints(xs: readonly number[], ys: readonly number[], x: number): number {
  return xs.reduce((sum, xi, i) => {
    const weight = xs.reduce((w, xj, j) => (i === j ? w : (w * (x - xj)) / (xi - xj)), 1);
    return sum + weight * ys[i]!;
  }, 0);
}
