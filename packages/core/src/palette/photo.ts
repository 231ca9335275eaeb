import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65, labD65FromXyz } from '../colour/lab.ts';
import { linearRgbFromOklab, oklabFromLinearRgb } from '../colour/oklch.ts';
import { decodeChannel, hexFromLinearRgb, xyzFromLinearRgb } from '../colour/srgb.ts';
import { type Cell, clusterCells, type Cluster } from './densityClusters.ts';

export interface PhotoColour {
  readonly lab: LabD65;
  readonly hex: string;
  /** Share of the picture, 0–1. */
  readonly share: number;
}

export const PHOTO_COLOURS = { min: 3, max: 8 } as const;
/** Clusters nearer than this are one colour. */
const MERGE = 5;
/** Clusters of less than this share of the picture are stray pixels. */
const STRAY = 0.003;
/** Pixels are counted in cells of RGB of this many bits a channel, each with the mean of what fell in. */
const BITS = 5;
const CELLS = 1 << (3 * BITS);

const linear = Float64Array.from({ length: 256 }, (_, i) => decodeChannel(i / 255));

/** Counts every pixel of a picture, tile by tile, so that no pattern can hide between the pixels looked at. */
export interface PhotoCounter {
  /** Pixels are RGBA bytes; see-through ones are left out. @throws RangeError when they are no whole pixels. */
  add(rgba: Uint8ClampedArray): void;
  /** The colours by area, the largest first. @throws RangeError when nothing was opaque. */
  colours(count: number): PhotoColour[];
}

export function createPhotoCounter(): PhotoCounter {
  const counts = new Float64Array(CELLS);
  const sums = [0, 1, 2].map(() => new Float64Array(CELLS));
  return {
    add: (rgba) => {
      if (rgba.length === 0 || rgba.length % 4 !== 0)
        throw new RangeError('A picture needs whole RGBA pixels');
      const [reds, greens, blues] = sums as [Float64Array, Float64Array, Float64Array];
      const shift = 8 - BITS;
      for (let at = 0; at < rgba.length; at += 4) {
        if (rgba[at + 3]! < 128) continue;
        const [r, g, b] = [rgba[at]!, rgba[at + 1]!, rgba[at + 2]!];
        const cell = ((r >> shift) << (2 * BITS)) | ((g >> shift) << BITS) | (b >> shift);
        counts[cell] = counts[cell]! + 1;
        reds[cell] = reds[cell]! + linear[r]!;
        greens[cell] = greens[cell]! + linear[g]!;
        blues[cell] = blues[cell]! + linear[b]!;
      }
    },
    colours: (count) => {
      const cells: Cell[] = [];
      let all = 0;
      for (let i = 0; i < CELLS; i++) {
        const size = counts[i]!;
        if (size === 0) continue;
        all += size;
        const [r, g, b] = sums.map((s) => s[i]! / size);
        cells.push({ at: oklabFromLinearRgb([r!, g!, b!]), size });
      }
      if (all === 0) throw new RangeError('The picture is see-through everywhere');
      const wanted = Math.min(PHOTO_COLOURS.max, Math.max(PHOTO_COLOURS.min, Math.round(count)));
      const found = clusterCells(cells, wanted);
      const seen = found.filter((c) => c.size >= STRAY * all);
      return merge(seen.length > 0 ? seen : found, wanted).map(({ at, size }) => {
        const rgb = linearRgbFromOklab(at);
        return { lab: labOf(at), hex: hexFromLinearRgb(rgb), share: size / all };
      });
    },
  };
}

/**
 * The colours of a picture by area, the largest first; small accents are kept, and noise is one colour. The same
 * picture gives the same answer.
 * @throws RangeError when the bytes are no whole pixels or nothing in them is opaque.
 */
export function photoColours(rgba: Uint8ClampedArray, count: number): PhotoColour[] {
  const counter = createPhotoCounter();
  counter.add(rgba);
  return counter.colours(count);
}

const labOf = (at: Cluster['at']): LabD65 => labD65FromXyz(xyzFromLinearRgb(linearRgbFromOklab(at)));

/** How much a cluster's size counts when there are too many: what lies between two colours goes before an accent. */
const SIZE_COUNTS = 0.25;

/** Joins those that are one colour, then those that are missed least, until there are no more than wanted. */
function merge(clusters: readonly Cluster[], wanted: number): Cluster[] {
  const list = clusters.slice();
  for (;;) {
    let least = Infinity;
    let nearest = Infinity;
    let pair: readonly [number, number] = [0, 0];
    for (let i = 0; i < list.length; i++) {
      for (let j = i + 1; j < list.length; j++) {
        const [a, b] = [list[i]!, list[j]!];
        const d = deltaE00(labOf(a.at), labOf(b.at));
        const loss = d < MERGE ? d / 1e6 : d * Math.min(a.size, b.size) ** SIZE_COUNTS;
        nearest = Math.min(nearest, d);
        if (loss < least) {
          least = loss;
          pair = [i, j];
        }
      }
    }
    if (list.length < 2 || (nearest >= MERGE && list.length <= wanted)) break;
    const [i, j] = pair;
    const [a, b] = [list[i]!, list[j]!];
    const size = a.size + b.size;
    const mean = (d: 0 | 1 | 2): number => (a.at[d] * a.size + b.at[d] * b.size) / size;
    list.splice(j, 1);
    list[i] = { at: [mean(0), mean(1), mean(2)], size };
  }
  return list.sort((a, b) => b.size - a.size);
}
