import { type LabD65 } from './lab.ts';
import { linearRgbFromOklab, oklabFromLinearRgb } from './oklch.ts';
import { hexFromLinearRgb, linearRgbFromLabD65, type LinearRgb } from './srgb.ts';

/** A colour as the screen can show it. */
export interface ScreenColour {
  /** `#rrggbb`, always displayable. */
  readonly hex: string;
  /** False when the screen shows the nearest of the same hue and lightness instead. */
  readonly inGamut: boolean;
}

/** Rounding slack: a channel this far outside still prints as 00 or ff. */
const GAMUT_SLACK = 0.0005;
/** Bisection steps: chroma to about one part in a million. */
const STEPS = 20;

const fits = (rgb: LinearRgb): boolean => rgb.every((v) => v >= -GAMUT_SLACK && v <= 1 + GAMUT_SLACK);

/**
 * CIELAB D65 → the nearest displayable sRGB of the same OKLCH hue and lightness: chroma is reduced by
 * bisection. Beyond white or black only lightness is left, and it is clipped.
 */
export function screenColourFromLabD65(lab: LabD65): ScreenColour {
  const rgb = linearRgbFromLabD65(lab);
  if (fits(rgb)) return { hex: hexFromLinearRgb(rgb), inGamut: true };
  const [L, a, b] = oklabFromLinearRgb(rgb);
  if (L >= 1) return { hex: '#ffffff', inGamut: false };
  if (L <= 0) return { hex: '#000000', inGamut: false };
  let low = 0;
  let high = 1;
  for (let i = 0; i < STEPS; i++) {
    const mid = (low + high) / 2;
    if (fits(linearRgbFromOklab([L, a * mid, b * mid]))) low = mid;
    else high = mid;
  }
  return { hex: hexFromLinearRgb(linearRgbFromOklab([L, a * low, b * low])), inGamut: false };
}
