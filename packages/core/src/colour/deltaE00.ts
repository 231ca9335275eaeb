import { type LabD50, type LabD65 } from './lab.ts';

const RADIANS = Math.PI / 180;
const POW25_7 = 25 ** 7;

/**
 * CIEDE2000 colour difference between two CIELAB colours of the same white point; never converts.
 *
 * Source: Sharma, Wu and Dalal (2005), "The CIEDE2000 color-difference formula: implementation notes,
 * supplementary test data, and mathematical observations", equations 2–22, with kL = kC = kH = 1.
 */
export function deltaE00<T extends LabD65 | LabD50>(one: T, two: T): number {
  const [L1, a1, b1] = one;
  const [L2, a2, b2] = two;
  const meanC7 = ((Math.hypot(a1, b1) + Math.hypot(a2, b2)) / 2) ** 7;
  // Stretches a* of near-greys, where the eye sees hue more finely than CIELAB says.
  const G = 0.5 * (1 - Math.sqrt(meanC7 / (meanC7 + POW25_7)));
  const a1p = (1 + G) * a1;
  const a2p = (1 + G) * a2;
  const C1 = Math.hypot(a1p, b1);
  const C2 = Math.hypot(a2p, b2);
  const h1 = hue(b1, a1p);
  const h2 = hue(b2, a2p);

  const grey = C1 * C2 === 0;
  let dh = grey ? 0 : h2 - h1;
  // A tie at exactly 180° stays positive (pair 14 of the published set); hence the slack against rounding.
  if (dh > 180 + 1e-10) dh -= 360;
  else if (dh < -180 - 1e-10) dh += 360;
  const dL = L2 - L1;
  const dC = C2 - C1;
  const dH = 2 * Math.sqrt(C1 * C2) * Math.sin((dh / 2) * RADIANS);

  const L = (L1 + L2) / 2;
  const C = (C1 + C2) / 2;
  let h = h1 + h2;
  if (!grey) {
    if (Math.abs(h1 - h2) > 180 + 1e-10) h += h < 360 ? 360 : -360;
    h /= 2;
  }
  const T =
    1 -
    0.17 * Math.cos((h - 30) * RADIANS) +
    0.24 * Math.cos(2 * h * RADIANS) +
    0.32 * Math.cos((3 * h + 6) * RADIANS) -
    0.2 * Math.cos((4 * h - 63) * RADIANS);
  const L50 = (L - 50) ** 2;
  const SL = 1 + (0.015 * L50) / Math.sqrt(20 + L50);
  const SC = 1 + 0.045 * C;
  const SH = 1 + 0.015 * C * T;
  const C7 = C ** 7;
  // The rotation term: blues, where chroma and hue differences are not independent.
  const RT =
    -Math.sin(60 * Math.exp(-(((h - 275) / 25) ** 2)) * RADIANS) * 2 * Math.sqrt(C7 / (C7 + POW25_7));
  const l = dL / SL;
  const c = dC / SC;
  const t = dH / SH;
  return Math.sqrt(l * l + c * c + t * t + RT * c * t);
}

/** Hue angle in degrees 0–360; 0 for the grey axis. */
function hue(b: number, a: number): number {
  if (a === 0 && b === 0) return 0;
  const h = Math.atan2(b, a) / RADIANS;
  return h < 0 ? h + 360 : h;
}
