import { type LabD65, labD65FromXyz } from '../colour/lab.ts';
import {
  linearRgbFromOklab,
  oklabFromLinearRgb,
  oklabFromOklch,
  type Oklch,
  oklchFromOklab,
} from '../colour/oklch.ts';
import { linearRgbFromLabD65, xyzFromLinearRgb } from '../colour/srgb.ts';

/** Perceptual: equal angles look equally apart. Painters': red, yellow and blue a third apart; says what mixes to what. */
export const WHEELS = ['perceptual', 'painters'] as const;
export type Wheel = (typeof WHEELS)[number];

export const SCHEMES = ['complement', 'split', 'triad', 'neighbours', 'one-hue', 'browns'] as const;
export type Scheme = (typeof SCHEMES)[number];

/** Painters' angle → OKLCH hue, through red, orange, yellow, green, blue, violet and red again. */
const PAINTERS: readonly (readonly [painters: number, oklch: number])[] = [
  [0, 25],
  [60, 58],
  [120, 100],
  [180, 148],
  [240, 258],
  [300, 312],
  [360, 385],
];

const wrap = (degrees: number): number => ((degrees % 360) + 360) % 360;

function interpolate(x: number, table: readonly (readonly [number, number])[]): number {
  const next = Math.max(
    1,
    table.findIndex(([at]) => at >= x),
  );
  const [x0, y0] = table[next - 1]!;
  const [x1, y1] = table[next]!;
  return y0 + ((x - x0) / (x1 - x0)) * (y1 - y0);
}

/** Angle on a wheel (degrees) → OKLCH hue. */
export const hueOfAngle = (angle: number, wheel: Wheel): number =>
  wheel === 'perceptual' ? wrap(angle) : wrap(interpolate(wrap(angle), PAINTERS));

/** OKLCH hue → angle on a wheel (degrees). Inverse of `hueOfAngle`. */
export function angleOfHue(hue: number, wheel: Wheel): number {
  if (wheel === 'perceptual') return wrap(hue);
  const h = wrap(hue);
  const first = PAINTERS[0]![1];
  const swapped = PAINTERS.map(([p, o]) => [o, p] as const);
  return wrap(interpolate(h < first ? h + 360 : h, swapped));
}

/** OKLCH → Lab D65. */
export const labFromOklch = (lch: Oklch): LabD65 =>
  labD65FromXyz(xyzFromLinearRgb(linearRgbFromOklab(oklabFromOklch(lch))));

/** Lab D65 → OKLCH. */
export const oklchFromLab = (lab: LabD65): Oklch =>
  oklchFromOklab(oklabFromLinearRgb(linearRgbFromLabD65(lab)));

export interface HarmonySettings {
  readonly wheel: Wheel;
  readonly scheme: Scheme;
  /** Angle of the leading colour on the wheel, degrees. */
  readonly angle: number;
  /** Stretches the angles between the colours: 1 as the scheme has it. */
  readonly stretch: number;
  /** OKLCH lightness (0–1) and chroma of the leading colour. */
  readonly lightness: number;
  readonly chroma: number;
  /** Colours, 2–8. */
  readonly count: number;
}

export const HARMONY_COUNT = { min: 2, max: 8 } as const;

/** Angles of the schemes from the leading colour. */
const ANGLES: Readonly<Record<Exclude<Scheme, 'one-hue' | 'browns'>, readonly number[]>> = {
  complement: [0, 180],
  split: [0, 150, 210],
  triad: [0, 120, 240],
  neighbours: [0, 30, -30, 60, -60],
};

/** Lightness of the further rounds through the angles: a tint, a shade, a paler tint. */
const ROUNDS: readonly (readonly [lightness: number, chroma: number])[] = [
  [0, 1],
  [0.16, 0.6],
  [-0.2, 0.75],
  [0.26, 0.35],
];

/** White, warm, orange, near-black and the middle between them: browns are a palette of their own. */
const BROWNS: readonly Oklch[] = [
  [0.93, 0.02, 80],
  [0.55, 0.08, 60],
  [0.34, 0.05, 45],
  [0.68, 0.12, 60],
  [0.24, 0.02, 40],
  [0.76, 0.06, 75],
  [0.45, 0.09, 45],
  [0.84, 0.04, 85],
];

const clampLightness = (L: number): number => Math.min(0.97, Math.max(0.18, L));

/** The wanted colours of a harmony, the leading one first. Not yet what any shelf can reach. */
export function harmony(s: HarmonySettings): LabD65[] {
  const count = Math.min(HARMONY_COUNT.max, Math.max(HARMONY_COUNT.min, Math.round(s.count)));
  const lead = hueOfAngle(s.angle, s.wheel);
  if (s.scheme === 'browns') return BROWNS.slice(0, count).map((lch) => labFromOklch(lch));
  if (s.scheme === 'one-hue') {
    // From a tint to a shade with a tone among them, spread over lightness.
    const low = clampLightness(s.lightness - 0.28 * s.stretch);
    const high = clampLightness(s.lightness + 0.28 * s.stretch);
    return Array.from({ length: count }, (_, i) => {
      const t = i / (count - 1);
      const L = high + (low - high) * t;
      const tone = i % 3 === 1 ? 0.55 : 1;
      // Tints and shades hold less chroma than the middle.
      return labFromOklch([L, s.chroma * tone * (1 - 0.5 * Math.abs(2 * t - 1)), lead]);
    });
  }
  const angles = ANGLES[s.scheme];
  return Array.from({ length: count }, (_, i) => {
    const [dL, c] = ROUNDS[Math.floor(i / angles.length) % ROUNDS.length]!;
    const hue = hueOfAngle(s.angle + angles[i % angles.length]! * s.stretch, s.wheel);
    return labFromOklch([clampLightness(s.lightness + dL), s.chroma * c, hue]);
  });
}
