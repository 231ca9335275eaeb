import { type LabD65, labD65FromXyz, type Xyz, xyzFromLabD65 } from './lab.ts';
import { viewingD65 } from './observer.ts';

/** Linear-light sRGB, 0–1 inside the gamut. */
export type LinearRgb = readonly [r: number, g: number, b: number];

// IEC 61966-2-1 primaries with the D65 white of the observer weights, rows exact to the white point so
// that Lab (100, 0, 0) is #ffffff. Derived from the chromaticities, not copied in rounded form.
const primaries = [
  [0.64, 0.33],
  [0.3, 0.6],
  [0.15, 0.06],
] as const;

type Matrix3 = readonly [Xyz, Xyz, Xyz];

function invert([[a, b, c], [d, e, f], [g, h, i]]: Matrix3): Matrix3 {
  const A = e * i - f * h;
  const B = f * g - d * i;
  const C = d * h - e * g;
  const det = a * A + b * B + c * C;
  return [
    [A / det, (c * h - b * i) / det, (b * f - c * e) / det],
    [B / det, (a * i - c * g) / det, (c * d - a * f) / det],
    [C / det, (b * g - a * h) / det, (a * e - b * d) / det],
  ];
}

const times = (m: Matrix3, v: Xyz): [number, number, number] => [
  m[0][0] * v[0] + m[0][1] * v[1] + m[0][2] * v[2],
  m[1][0] * v[0] + m[1][1] * v[1] + m[1][2] * v[2],
  m[2][0] * v[0] + m[2][1] * v[1] + m[2][2] * v[2],
];

const white: Xyz = [viewingD65.white[0] / 100, 1, viewingD65.white[2] / 100];

const rgbToXyz: Matrix3 = (() => {
  const columns = primaries.map(([x, y]) => [x / y, 1, (1 - x - y) / y] as const);
  const [r, g, b] = columns as unknown as Matrix3;
  const base: Matrix3 = [
    [r[0], g[0], b[0]],
    [r[1], g[1], b[1]],
    [r[2], g[2], b[2]],
  ];
  const scale = times(invert(base), white);
  return base.map((row) => row.map((v, i) => v * scale[i]!)) as unknown as Matrix3;
})();
const xyzToRgb = invert(rgbToXyz);

/** XYZ under D65 (Y = 100) → linear sRGB; outside 0–1 when out of gamut. */
export const linearRgbFromXyz = ([x, y, z]: Xyz): LinearRgb => times(xyzToRgb, [x / 100, y / 100, z / 100]);

/** Linear sRGB → XYZ under D65 (Y = 100). */
export function xyzFromLinearRgb(rgb: LinearRgb): Xyz {
  const [x, y, z] = times(rgbToXyz, rgb);
  return [x * 100, y * 100, z * 100];
}

/** IEC 61966-2-1 transfer function, linear → encoded. */
export const encodeChannel = (v: number): number =>
  v <= 0.0031308 ? 12.92 * v : 1.055 * v ** (1 / 2.4) - 0.055;

/** IEC 61966-2-1 transfer function, encoded → linear. */
export const decodeChannel = (v: number): number => (v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4);

/** Linear sRGB → `#rrggbb`, channels clipped to 0–1. Map into gamut first (see gamut.ts). */
export function hexFromLinearRgb(rgb: LinearRgb): string {
  const byte = (v: number): string =>
    Math.round(255 * encodeChannel(Math.min(1, Math.max(0, v))))
      .toString(16)
      .padStart(2, '0');
  return `#${rgb.map(byte).join('')}`;
}

export const HEX_PATTERN = /^#[0-9a-f]{6}$/i;

/**
 * `#rrggbb` → linear sRGB.
 * @throws RangeError for anything else.
 */
export function linearRgbFromHex(hex: string): LinearRgb {
  if (!HEX_PATTERN.test(hex)) throw new RangeError(`A colour is written #rrggbb, got "${hex}"`);
  const channel = (at: number): number => decodeChannel(parseInt(hex.slice(at, at + 2), 16) / 255);
  return [channel(1), channel(3), channel(5)];
}

/** `#rrggbb` → CIELAB D65. */
export const labD65FromHex = (hex: string): LabD65 => labD65FromXyz(xyzFromLinearRgb(linearRgbFromHex(hex)));

/** CIELAB D65 → linear sRGB, outside 0–1 when out of gamut. */
export const linearRgbFromLabD65 = (lab: LabD65): LinearRgb => linearRgbFromXyz(xyzFromLabD65(lab));
