import { PNG } from 'pngjs';
import { decode, encode } from './transfer.ts';

/** Where the patches and the bars of `photoOf` lie, as parts of its width and height. */
export const PATCHES = { white: [0.17, 0.2], grey: [0.47, 0.2], black: [0.77, 0.2] } as const;
export const barAt = (i: number, count: number): readonly [number, number] => [
  0.05 + (0.9 * (i + 0.5)) / count,
  0.7,
];

const luminance = (lightness: number): number => ((lightness + 16) / 116) ** 3;
const CARD = [95, 50, 20].map(luminance);
const GROUND = 0.25;

/** A photo of a card (L* 95, 50, 20) over bars of some colours, in a light that is not white. */
export function photoOf(
  hexes: readonly string[],
  { exposure = 0.8, cast = [1, 0.93, 0.8], width = 800 }: PhotoOptions = {},
): Buffer {
  const height = Math.round(width * 0.75);
  const png = new PNG({ width, height });
  const bars = hexes.map((hex) => [1, 3, 5].map((at) => decode(parseInt(hex.slice(at, at + 2), 16) / 255)));
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const u = x / width;
      const v = y / height;
      const patch = v > 0.08 && v < 0.32 ? Math.floor((u - 0.05) / 0.3) : -1;
      const bar = v > 0.45 && v < 0.95 ? Math.floor(((u - 0.05) / 0.9) * bars.length) : -1;
      const grey = CARD[patch];
      const seen = bars[bar] ?? (grey === undefined ? [GROUND, GROUND, GROUND] : [grey, grey, grey]);
      for (let c = 0; c < 3; c++)
        png.data[4 * (y * width + x) + c] = Math.round(255 * encode(seen[c]! * cast[c]! * exposure));
      png.data[4 * (y * width + x) + 3] = 255;
    }
  return PNG.sync.write(png);
}

export interface PhotoOptions {
  readonly exposure?: number;
  readonly cast?: readonly number[];
  readonly width?: number;
}
