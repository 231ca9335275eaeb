import { type Spectrum, spectrumFrom } from '../colour/bands.ts';
import { linearRgbFromHex } from '../colour/srgb.ts';
import { absorptionRatio } from './kubelkaMunk.ts';
import { internalFromMeasured } from './surface.ts';

/** Width in nm of the passage from one lobe to the next. */
const SOFTNESS = 12;
const rises = (nm: number, at: number): number => 1 / (1 + Math.exp(-(nm - at) / SOFTNESS));

/**
 * A smooth reflectance (36 bands) that roughly has the colour `#rrggbb`: three soft lobes meeting at 490 and
 * 585 nm. A stand-in where only a screen colour is known.
 */
export function softReflectance(hex: string): Spectrum {
  const [r, g, b] = linearRgbFromHex(hex);
  return spectrumFrom((nm) => {
    const red = rises(nm, 585);
    const blue = 1 - rises(nm, 490);
    return red * r + blue * b + (1 - red - blue) * g;
  });
}

/** The absorption shape (K/S) of `softReflectance`, kept off pure black and white. A start for `fitCurve`. */
export const shapeFromHex = (hex: string): Spectrum =>
  softReflectance(hex).map((r) => absorptionRatio(internalFromMeasured(Math.min(0.93, Math.max(0.02, r)))));
