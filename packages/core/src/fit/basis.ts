import { BAND_COUNT } from '../colour/bands.ts';

/**
 * What a curve may be bent by: cubic B-splines on even knots, about 15 nm apart, which add up to 1 everywhere. Narrow
 * enough for the edge of an oxide, and wide enough that the noise of one band moves its neighbours as well.
 */
export const BUMPS = 24;
/** Splines that are not zero in a band. */
export const OVERLAP = 4;

/** First spline that matters in each band (36), and the weights of four from there (36 × 4). */
export const bumpFrom = new Uint8Array(BAND_COUNT);
export const bumpWeights = new Float64Array(BAND_COUNT * OVERLAP);

for (let b = 0; b < BAND_COUNT; b++) {
  const at = (b / (BAND_COUNT - 1)) * (BUMPS - 3);
  const from = Math.min(BUMPS - OVERLAP, Math.floor(at));
  const t = at - from;
  bumpFrom[b] = from;
  bumpWeights.set(
    [
      (1 - t) ** 3 / 6,
      (3 * t ** 3 - 6 * t ** 2 + 4) / 6,
      (-3 * t ** 3 + 3 * t ** 2 + 3 * t + 1) / 6,
      t ** 3 / 6,
    ],
    b * OVERLAP,
  );
}

/** The sum of the splines in a band, with coefficients from `at` on. */
export function bend(p: ArrayLike<number>, at: number, b: number): number {
  const from = at + bumpFrom[b]!;
  const w = b * OVERLAP;
  return (
    p[from]! * bumpWeights[w]! +
    p[from + 1]! * bumpWeights[w + 1]! +
    p[from + 2]! * bumpWeights[w + 2]! +
    p[from + 3]! * bumpWeights[w + 3]!
  );
}
