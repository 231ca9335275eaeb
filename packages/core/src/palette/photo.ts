import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65, labD65FromXyz } from '../colour/lab.ts';
import { linearRgbFromOklab, oklabFromLinearRgb } from '../colour/oklch.ts';
import { decodeChannel, hexFromLinearRgb, xyzFromLinearRgb } from '../colour/srgb.ts';

export interface PhotoColour {
  readonly lab: LabD65;
  readonly hex: string;
  /** Share of the picture, 0–1. */
  readonly share: number;
}

export const PHOTO_COLOURS = { min: 3, max: 8 } as const;
/** Pixels that are looked at: more change nothing one could see. */
const SAMPLE = 24_000;
const ROUNDS = 14;
/** Clusters nearer than this are one colour. */
const MERGE = 5;
/** More clusters than wanted at first, so that small but distinct colours survive the merging. */
const SPARE = 4;

const linear = Float64Array.from({ length: 256 }, (_, i) => decodeChannel(i / 255));

/**
 * The colours of a picture by area: k-means in OKLab, near-duplicates merged, the largest first. Pixels are
 * RGBA bytes; see-through ones are left out. `random` makes it repeatable.
 * @throws RangeError when the bytes are no whole pixels or nothing in them is opaque.
 */
export function photoColours(rgba: Uint8ClampedArray, count: number, random: () => number): PhotoColour[] {
  if (rgba.length === 0 || rgba.length % 4 !== 0) throw new RangeError('A picture needs whole RGBA pixels');
  const points = sample(rgba);
  const n = points.length / 3;
  if (n === 0) throw new RangeError('The picture is see-through everywhere');
  const wanted = Math.min(PHOTO_COLOURS.max, Math.max(PHOTO_COLOURS.min, Math.round(count)));
  const centres = seedCentres(points, Math.min(n, wanted + SPARE), random);
  const sizes = settle(points, centres);
  const clusters = Array.from(sizes, (size, c) => ({
    ok: [centres[c * 3]!, centres[c * 3 + 1]!, centres[c * 3 + 2]!] as const,
    size,
  })).filter((c) => c.size > 0);
  return merge(clusters, wanted).map(({ ok, size }) => {
    const rgb = linearRgbFromOklab(ok);
    return { lab: labOf(ok), hex: hexFromLinearRgb(rgb), share: size / n };
  });
}

interface Cluster {
  readonly ok: readonly [number, number, number];
  readonly size: number;
}

const labOf = (ok: readonly [number, number, number]): LabD65 =>
  labD65FromXyz(xyzFromLinearRgb(linearRgbFromOklab(ok)));

/** Evenly spaced opaque pixels as OKLab triples. */
function sample(rgba: Uint8ClampedArray): Float64Array {
  const pixels = rgba.length / 4;
  const stride = Math.max(1, Math.floor(pixels / SAMPLE));
  const out: number[] = [];
  for (let p = 0; p < pixels; p += stride) {
    const at = p * 4;
    if (rgba[at + 3]! < 128) continue;
    out.push(...oklabFromLinearRgb([linear[rgba[at]!]!, linear[rgba[at + 1]!]!, linear[rgba[at + 2]!]!]));
  }
  return Float64Array.from(out);
}

const distance2 = (p: Float64Array, i: number, c: Float64Array, j: number): number =>
  (p[i * 3]! - c[j * 3]!) ** 2 + (p[i * 3 + 1]! - c[j * 3 + 1]!) ** 2 + (p[i * 3 + 2]! - c[j * 3 + 2]!) ** 2;

/** k-means++: each further centre is drawn with odds by its squared distance from those already there. */
function seedCentres(points: Float64Array, k: number, random: () => number): Float64Array {
  const n = points.length / 3;
  const centres = new Float64Array(k * 3);
  const nearest = new Float64Array(n).fill(Infinity);
  let pick = Math.floor(random() * n);
  for (let c = 0; c < k; c++) {
    for (let d = 0; d < 3; d++) centres[c * 3 + d] = points[pick * 3 + d]!;
    let total = 0;
    for (let i = 0; i < n; i++) {
      nearest[i] = Math.min(nearest[i]!, distance2(points, i, centres, c));
      total += nearest[i]!;
    }
    let left = random() * total;
    pick = 0;
    while (pick < n - 1 && (left -= nearest[pick]!) > 0) pick++;
  }
  return centres;
}

/** Lloyd's rounds; returns how many points each centre has. */
function settle(points: Float64Array, centres: Float64Array): Float64Array {
  const n = points.length / 3;
  const k = centres.length / 3;
  let sizes = new Float64Array(k);
  for (let round = 0; round < ROUNDS; round++) {
    const sums = new Float64Array(k * 3);
    sizes = new Float64Array(k);
    for (let i = 0; i < n; i++) {
      let best = 0;
      let least = Infinity;
      for (let c = 0; c < k; c++) {
        const d = distance2(points, i, centres, c);
        if (d < least) {
          least = d;
          best = c;
        }
      }
      sizes[best] = sizes[best]! + 1;
      for (let d = 0; d < 3; d++) sums[best * 3 + d] = sums[best * 3 + d]! + points[i * 3 + d]!;
    }
    for (let c = 0; c < k; c++) {
      if (sizes[c] === 0) continue;
      for (let d = 0; d < 3; d++) centres[c * 3 + d] = sums[c * 3 + d]! / sizes[c]!;
    }
  }
  return sizes;
}

/** Joins the nearest two until all are distinct and there are no more than wanted. */
function merge(clusters: readonly Cluster[], wanted: number): Cluster[] {
  const list = clusters.slice();
  for (;;) {
    let least = Infinity;
    let pair: readonly [number, number] = [0, 0];
    for (let i = 0; i < list.length; i++) {
      for (let j = i + 1; j < list.length; j++) {
        const d = deltaE00(labOf(list[i]!.ok), labOf(list[j]!.ok));
        if (d < least) {
          least = d;
          pair = [i, j];
        }
      }
    }
    if (list.length < 2 || (least >= MERGE && list.length <= wanted)) break;
    const [i, j] = pair;
    const [a, b] = [list[i]!, list[j]!];
    const size = a.size + b.size;
    const mean = (d: 0 | 1 | 2): number => (a.ok[d] * a.size + b.ok[d] * b.size) / size;
    list.splice(j, 1);
    list[i] = { ok: [mean(0), mean(1), mean(2)], size };
  }
  return list.sort((a, b) => b.size - a.size);
}

/** A generator of numbers in [0, 1) from a seed 1–2³¹: Lehmer, modulus 2³¹ − 1. */
export function seededRandom(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 48271) % 2147483647) / 2147483647;
}
