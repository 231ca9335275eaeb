import { type LabD65 } from './lab.ts';

/** Cosines and sines of the degrees that CIEDE2000 names. */
const deg = (d: number): number => (d * Math.PI) / 180;
const COS = { 30: Math.cos(deg(30)), 6: Math.cos(deg(6)), 63: Math.cos(deg(63)) };
const SIN = { 30: Math.sin(deg(30)), 6: Math.sin(deg(6)), 63: Math.sin(deg(63)) };

/**
 * ΔE00 near one colour as a plain quadratic form: the weights SL, SC, SH and the a* stretch of CIEDE2000
 * taken at that colour. Nine numbers, rows of M, with |M·(lab − target)| ≈ ΔE00 for small differences. What the
 * least-squares steps of the search work on; the ranking uses the true formula. The waves over the hue are polynomials of
 * its cosine and sine: no angle is needed.
 * @param out written and returned
 */
export function localMetric([L, a, b]: LabD65, out: Float64Array = new Float64Array(9)): Float64Array {
  const square = a * a + b * b;
  const C7 = square * square * square * Math.sqrt(square);
  const G = 0.5 * (1 - Math.sqrt(C7 / (C7 + 25 ** 7)));
  const stretched = (1 + G) * a;
  const C = Math.sqrt(stretched * stretched + b * b);
  const cos = C > 0 ? stretched / C : 1;
  const sin = C > 0 ? b / C : 0;
  const cos2 = 2 * cos * cos - 1;
  const sin2 = 2 * sin * cos;
  const cos3 = cos * cos2 - sin * sin2;
  const sin3 = sin * cos2 + cos * sin2;
  const T =
    1 -
    0.17 * (cos * COS[30] + sin * SIN[30]) +
    0.24 * cos2 +
    0.32 * (cos3 * COS[6] - sin3 * SIN[6]) -
    0.2 * ((2 * cos2 * cos2 - 1) * COS[63] + 2 * sin2 * cos2 * SIN[63]);
  const l2 = (L - 50) * (L - 50);
  const SL = 1 + (0.015 * l2) / Math.sqrt(20 + l2);
  const SC = 1 + 0.045 * C;
  const SH = 1 + 0.015 * C * T;
  // Rows: lightness, along the hue, across the hue.
  out[0] = 1 / SL;
  out[4] = ((1 + G) * cos) / SC;
  out[5] = sin / SC;
  out[7] = (-(1 + G) * sin) / SH;
  out[8] = cos / SH;
  return out;
}
