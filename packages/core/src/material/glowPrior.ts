import { oklabFromLinearRgb, oklchFromOklab } from '../colour/oklch.ts';
import { linearRgbFromHex } from '../colour/srgb.ts';
import { type Optics } from '../pigment/optics.ts';
import { type MaterialKind } from './material.ts';

/**
 * Where fluorescent pigments of a hue glow, by the OKLCH hue of their colour in degrees: the dyes in them take in what
 * lies just below and give it out there. Yellow (coumarin) near 520 nm, green the same dye with a blue, orange and pink
 * (rhodamine) near 600 nm, violet (a rhodamine with a blue) further red, blue near 450 nm.
 */
const GLOWS: readonly (readonly [hue: number, peak: number])[] = [
  [0, 602],
  [30, 606],
  [60, 600],
  [110, 522],
  [150, 518],
  [200, 490],
  [265, 450],
  [285, 450],
  [285.1, 622],
  [310, 616],
  [340, 606],
  [360, 602],
];
const WIDTH = 25;
/** What the starting shelf’s products have in the middle. */
const EFFICIENCY = 0.2;

/** What a material probably glows with, from its kind and colour `#rrggbb`; null for what does not. */
export function glowPrior(kind: MaterialKind, colour: string): Optics['emission'] {
  if (kind !== 'fluorescent') return null;
  const [, , hue] = oklchFromOklab(oklabFromLinearRgb(linearRgbFromHex(colour)));
  const after = Math.max(
    1,
    GLOWS.findIndex(([h]) => h >= hue),
  );
  const [h0, p0] = GLOWS[after - 1]!;
  const [h1, p1] = GLOWS[after]!;
  const peak = p0 + ((hue - h0) / (h1 - h0)) * (p1 - p0);
  return { peak: Math.round(peak), width: WIDTH, efficiency: EFFICIENCY };
}
