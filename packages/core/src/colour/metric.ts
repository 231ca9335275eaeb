import { type LabD65 } from './lab.ts';

/**
 * ΔE00 near one colour as a plain quadratic form: the weights SL, SC, SH and the a* stretch of CIEDE2000
 * taken at that colour. Nine numbers, rows of M, with |M·(lab − target)| ≈ ΔE00 for small differences. What the
 * least-squares steps of the search work on; the ranking uses the true formula.
 */
export function localMetric([L, a, b]: LabD65): Float64Array {
  const C7 = Math.hypot(a, b) ** 7;
  const G = 0.5 * (1 - Math.sqrt(C7 / (C7 + 25 ** 7)));
  const stretched = (1 + G) * a;
  const C = Math.hypot(stretched, b);
  const h = Math.atan2(b, stretched);
  const deg = (d: number): number => (d * Math.PI) / 180;
  const T =
    1 -
    0.17 * Math.cos(h - deg(30)) +
    0.24 * Math.cos(2 * h) +
    0.32 * Math.cos(3 * h + deg(6)) -
    0.2 * Math.cos(4 * h - deg(63));
  const SL = 1 + (0.015 * (L - 50) ** 2) / Math.sqrt(20 + (L - 50) ** 2);
  const SC = 1 + 0.045 * C;
  const SH = 1 + 0.015 * C * T;
  // Rows: lightness, along the hue, across the hue.
  const cos = C > 0 ? stretched / C : 1;
  const sin = C > 0 ? b / C : 0;
  return Float64Array.of(1 / SL, 0, 0, 0, ((1 + G) * cos) / SC, sin / SC, 0, (-(1 + G) * sin) / SH, cos / SH);
}
