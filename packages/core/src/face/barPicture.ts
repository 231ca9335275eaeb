import { encodeChannel, linearRgbFromLabD65 } from '../colour/srgb.ts';
import { type LabD65 } from '../colour/lab.ts';
import { seededRandom } from '../numerics/random.ts';

/*
 * A picture of cut bars beside a card, as a phone would take it: for the demo, and for trying the reading of photos
 * without a camera. Every pixel comes from colours and seeded noise; nothing in it was ever photographed.
 */

/** A stripe of the cut face. */
export interface BarStripe {
  readonly lab: LabD65;
  /** Of the face, 0–1. */
  readonly share: number;
}

export interface BarPictureOptions {
  readonly width: number;
  readonly height: number;
  /** Colours of the card’s patches from left to right. */
  readonly card: readonly LabD65[];
  /** Factors of the channels that the light leaves, and how bright white becomes. */
  readonly cast: readonly [number, number, number];
  readonly exposure: number;
  readonly seed: number;
}

/** Pixels of a picture, 4 bytes each (red, green, blue, opaque), row by row. */
export interface Pixels {
  readonly width: number;
  readonly height: number;
  readonly rgba: Uint8ClampedArray;
}

const TABLE: LabD65 = [62, 0.5, 3];
/** The card lies along the top, the bar below it. Parts of the height and width. */
const CARD = { top: 0.06, bottom: 0.26, left: 0.08, right: 0.92 } as const;
const BAR = { top: 0.36, bottom: 0.94, left: 0.12, right: 0.88 } as const;
/** Where two stripes meet the line wanders by this part of the height. */
const WANDER = 0.008;
const GRAIN = 0.035;

/** The middle of a patch of the card, and of a stripe of the bar, as parts of the picture. */
export const cardSpot = (i: number, count: number): readonly [number, number] => [
  CARD.left + ((CARD.right - CARD.left) * (i + 0.5)) / count,
  (CARD.top + CARD.bottom) / 2,
];
export function stripeSpot(stripes: readonly BarStripe[], i: number): readonly [number, number] {
  const before = stripes.slice(0, i).reduce((sum, s) => sum + s.share, 0);
  const all = stripes.reduce((sum, s) => sum + s.share, 0);
  return [0.5, BAR.top + ((BAR.bottom - BAR.top) * (before + stripes[i]!.share / 2)) / all];
}

/** Shades of the grain that are told apart. */
const SHADES = 16;

/** A colour as the picture has it in each shade of the grain, 3 bytes a shade. */
function shadesOf(lab: LabD65, { cast, exposure }: BarPictureOptions): Uint8Array {
  const light = linearRgbFromLabD65(lab);
  return Uint8Array.from({ length: 3 * SHADES }, (_, i) => {
    const c = i % 3;
    const grain = 1 + GRAIN * (Math.floor(i / 3) / (SHADES - 1) - 0.5);
    const v = Math.max(0, light[c]!) * cast[c]! * exposure * grain;
    return Math.round(255 * encodeChannel(Math.min(1, v)));
  });
}

/** Bars of layered stripes, from the top down, beside a card. The same question gives the same pixels. */
export function barPicture(stripes: readonly BarStripe[], options: BarPictureOptions): Pixels {
  const { width, height, card, seed } = options;
  const random = seededRandom(seed);
  const phases = stripes.map(() => random() * 6.28);
  const table = shadesOf(TABLE, options);
  const patches = card.map((lab) => shadesOf(lab, options));
  const colours = stripes.map((s) => shadesOf(s.lab, options));
  const rgba = new Uint8ClampedArray(width * height * 4).fill(255);
  const cardTop = CARD.top * height;
  const cardBottom = CARD.bottom * height;
  for (let x = 0; x < width; x++) {
    const u = x / width;
    const patch = patches[Math.floor(((u - CARD.left) / (CARD.right - CARD.left)) * patches.length)];
    const onBar = u >= BAR.left && u < BAR.right;
    // Where each stripe ends in this column, px from the top.
    const ends = onBar ? endsAt(stripes, phases, u).map((v) => v * height) : [];
    const barTop = BAR.top * height;
    let stripe = 0;
    for (let y = 0; y < height; y++) {
      let seen = table;
      if (y >= cardTop && y < cardBottom) seen = patch ?? table;
      else if (onBar && y >= barTop) {
        while (stripe < ends.length && y >= ends[stripe]!) stripe++;
        seen = colours[stripe] ?? table;
      }
      const shade = 3 * ((random() * SHADES) | 0);
      const to = 4 * (y * width + x);
      rgba[to] = seen[shade]!;
      rgba[to + 1] = seen[shade + 1]!;
      rgba[to + 2] = seen[shade + 2]!;
    }
  }
  return { width, height, rgba };
}

/** Where stripes end in a column of the face, as parts of the picture’s height; the lines between them wander. */
function endsAt(stripes: readonly BarStripe[], phases: readonly number[], u: number): number[] {
  const all = stripes.reduce((sum, s) => sum + s.share, 0);
  let edge: number = BAR.top;
  return stripes.map((s, i) => {
    edge += ((BAR.bottom - BAR.top) * s.share) / all;
    return i === stripes.length - 1 ? edge : edge + WANDER * Math.sin(u * 23 + phases[i]!);
  });
}
