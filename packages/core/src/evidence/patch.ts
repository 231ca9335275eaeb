import { decodeChannel, type LinearRgb } from '../colour/srgb.ts';

/** A small square of a picture, averaged in linear light. */
export interface Patch {
  /** As the picture has it, decoded as sRGB: tone curve and light still in it. 0–1 each. */
  readonly rgb: LinearRgb;
  /** Share of its pixels in which a channel has reached its end, 0–1. */
  readonly clipped: number;
  /** The same at the dark end. */
  readonly black: number;
  /** How much brighter one edge is than the opposite one, as a part of the mean: the light across it. */
  readonly slope: number;
  /** Relative standard deviation of the brightness beside that slope: texture, specks, an edge in the square. */
  readonly texture: number;
}

/** A channel counts as at its end from here on: cameras compress the last steps. */
const BRIGHT_END = 253;
const DARK_END = 2;

const DECODED = Float64Array.from({ length: 256 }, (_, byte) => decodeChannel(byte / 255));

/**
 * Averages a square of pixels.
 * @param rgba 4 bytes a pixel, row by row, `width` × `height` of them, encoded as sRGB
 * @throws RangeError for a square of fewer than 4 × 4 pixels or of another length.
 */
export function patchOf(rgba: ArrayLike<number>, width: number, height: number): Patch {
  if (width < 4 || height < 4) throw new RangeError('A patch needs at least 4 × 4 pixels');
  if (rgba.length !== width * height * 4)
    throw new RangeError(`Expected ${width * height * 4} bytes, got ${rgba.length}`);
  const count = width * height;
  const sum: [number, number, number] = [0, 0, 0];
  const light = new Float64Array(count);
  let clipped = 0;
  let black = 0;
  for (let i = 0; i < count; i++) {
    let high = 0;
    let low = 255;
    for (let c = 0; c < 3; c++) {
      const byte = rgba[4 * i + c]!;
      const linear = DECODED[byte]!;
      sum[c]! += linear;
      light[i]! += linear / 3;
      high = Math.max(high, byte);
      low = Math.min(low, byte);
    }
    if (high >= BRIGHT_END) clipped += 1;
    if (low <= DARK_END) black += 1;
  }
  const { slope, rest } = planeOf(light, width, height);
  return {
    rgb: [sum[0] / count, sum[1] / count, sum[2] / count],
    clipped: clipped / count,
    black: black / count,
    slope,
    texture: rest,
  };
}

/** Least squares of a plane over a grid: its rise from edge to edge and what it leaves, relative to the mean. */
function planeOf(
  light: Float64Array,
  width: number,
  height: number,
): { readonly slope: number; readonly rest: number } {
  const mean = light.reduce((a, b) => a + b, 0) / light.length;
  if (!(mean > 0)) return { slope: 0, rest: 0 };
  let sx = 0;
  let sy = 0;
  let xx = 0;
  let yy = 0;
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const dx = x - (width - 1) / 2;
      const dy = y - (height - 1) / 2;
      const v = light[y * width + x]! - mean;
      sx += dx * v;
      sy += dy * v;
      xx += dx * dx;
      yy += dy * dy;
    }
  const gx = sx / xx;
  const gy = sy / yy;
  let rest = 0;
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const plane = mean + gx * (x - (width - 1) / 2) + gy * (y - (height - 1) / 2);
      rest += (light[y * width + x]! - plane) ** 2;
    }
  return {
    slope: Math.hypot(gx * (width - 1), gy * (height - 1)) / mean,
    rest: Math.sqrt(rest / light.length) / mean,
  };
}
