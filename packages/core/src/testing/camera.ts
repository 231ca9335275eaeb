import { type Spectrum, spectrumFrom, wavelengths } from '../colour/bands.ts';
import { xyzD65FromReflectance } from '../colour/lab.ts';
import { encodeChannel, type LinearRgb, linearRgbFromXyz } from '../colour/srgb.ts';
import { seededRandom } from '../numerics/random.ts';

/*
 * Cameras that are not there: three sensitivities unlike any observer's, white balance, the matrix to sRGB that its
 * maker fitted in daylight, a tone curve, eight bits. What they see is worked out from spectra alone.
 */

type Rgb = [number, number, number];
type Matrix = readonly [Rgb, Rgb, Rgb];

const bell = (mean: number, sd: number): Spectrum =>
  spectrumFrom((nm) => Math.exp(-0.5 * ((nm - mean) / sd) ** 2));
const plus = (a: Spectrum, b: Spectrum, part: number): Spectrum => a.map((v, i) => v + part * b[i]!);

export type Sensitivities = readonly [Spectrum, Spectrum, Spectrum];

/** Cameras that the corrections for lights were fitted on. */
const KNOWN_CAMERAS: readonly Sensitivities[] = [
  [bell(602, 38), bell(537, 42), bell(455, 26)],
  [plus(bell(610, 32), bell(450, 30), 0.12), bell(530, 38), bell(462, 24)],
  [bell(595, 45), bell(545, 45), bell(450, 32)],
  [bell(598, 30), bell(532, 36), bell(468, 28)],
  [bell(615, 40), bell(540, 46), bell(452, 22)],
  [plus(bell(600, 34), bell(430, 20), 0.05), bell(550, 40), bell(460, 30)],
];

/** Cameras that they were not. */
export const OTHER_CAMERAS: readonly Sensitivities[] = [
  [bell(605, 36), bell(534, 40), bell(458, 25)],
  [plus(bell(597, 40), bell(445, 22), 0.06), bell(540, 40), bell(464, 27)],
  [bell(608, 42), bell(542, 38), bell(455, 30)],
];

/** Blackbody of T kelvins (Planck 1900), relative. */
export const blackbody = (kelvin: number): Spectrum =>
  spectrumFrom((nm) => {
    const metres = nm * 1e-9;
    return 1e-30 / (metres ** 5 * (Math.exp(0.014388 / (metres * kelvin)) - 1));
  });
/** A white LED: a blue peak and a phosphor. */
export const led = (blue: number, peak: number, phosphor: number, width: number): Spectrum =>
  plus(bell(phosphor, width), bell(peak, 10), blue);
/** A tube of three narrow bands over a broad ground. */
export const tube = (ground: number): Spectrum =>
  plus(
    plus(
      plus(
        spectrumFrom(() => ground),
        bell(580, 45),
        0.6,
      ),
      bell(545, 6),
      1.2,
    ),
    plus(bell(611, 6), bell(436, 6), 0.78),
    0.9,
  );

const dot = (a: Spectrum, b: Spectrum, c: Spectrum): number =>
  a.reduce((sum, v, i) => sum + v * b[i]! * c[i]!, 0);
export const flat = (reflectance: number): Spectrum => spectrumFrom(() => reflectance);

/** Least squares of rows A · X = B, each of three. */
function fitMatrix(A: readonly LinearRgb[], B: readonly LinearRgb[]): Matrix {
  const m: Rgb[] = [
    [0, 0, 0],
    [0, 0, 0],
    [0, 0, 0],
  ];
  const r: Rgb[] = [
    [0, 0, 0],
    [0, 0, 0],
    [0, 0, 0],
  ];
  A.forEach((a, n) => {
    for (let i = 0; i < 3; i++)
      for (let j = 0; j < 3; j++) {
        m[i]![j]! += a[i]! * a[j]!;
        r[i]![j]! += a[i]! * B[n]![j]!;
      }
  });
  const det = ([a, b, c]: readonly Rgb[]): number =>
    a![0] * (b![1] * c![2] - b![2] * c![1]) -
    a![1] * (b![0] * c![2] - b![2] * c![0]) +
    a![2] * (b![0] * c![1] - b![1] * c![0]);
  const whole = det(m);
  const entry = (row: number, column: number): number =>
    det(m.map((line, i) => line.map((v, j) => (j === row ? r[i]![column]! : v)) as Rgb)) / whole;
  return [0, 1, 2].map((i) => [entry(i, 0), entry(i, 1), entry(i, 2)]) as unknown as Matrix;
}

const times = (m: Matrix, v: LinearRgb): LinearRgb => [
  v[0] * m[0][0] + v[1] * m[1][0] + v[2] * m[2][0],
  v[0] * m[0][1] + v[1] * m[1][1] + v[2] * m[2][1],
  v[0] * m[0][2] + v[1] * m[1][2] + v[2] * m[2][2],
];

/** Smooth reflectances of every hue, that a camera's maker has a chart of. */
function chart(): Spectrum[] {
  const random = seededRandom(7);
  return Array.from({ length: 120 }, () => {
    const knots = Array.from({ length: 5 }, random);
    const first = wavelengths[0]!;
    const span = wavelengths.at(-1)! - first;
    return spectrumFrom((nm) => {
      const at = ((nm - first) / span) * 4;
      const i = Math.min(3, Math.floor(at));
      return 0.03 + 0.9 * (knots[i]! * (1 - at + i) + knots[i + 1]! * (at - i));
    });
  });
}

/** What a camera makes of a reflectance under a light, white balanced, before its tone curve: linear sRGB. */
export function cameraOf(sensitivities: Sensitivities, light: Spectrum): (r: Spectrum) => LinearRgb {
  const raw = (r: Spectrum, l: Spectrum): LinearRgb =>
    sensitivities.map((s) => dot(s, l, r)) as unknown as Rgb;
  const balanced = (l: Spectrum): ((r: Spectrum) => LinearRgb) => {
    const white = raw(flat(1), l);
    return (r) => raw(r, l).map((v, i) => v / white[i]!) as unknown as Rgb;
  };
  const inDaylight = balanced(blackbody(5500));
  const patches = chart();
  const fitted = fitMatrix(
    patches.map(inDaylight),
    patches.map((r) => linearRgbFromXyz(xyzD65FromReflectance(r))),
  );
  // White stays white.
  const white = times(fitted, [1, 1, 1]);
  const matrix = fitted.map((row) => row.map((v, i) => v / white[i]!)) as unknown as Matrix;
  const here = balanced(light);
  return (r) => times(matrix, here(r));
}

/** Tone curves that pictures come with: linear light to encoded, both 0–1. */
export const TONES = {
  plain: (v: number): number => encodeChannel(v),
  contrast: (v: number): number => {
    const e = encodeChannel(v);
    return 0.5 * e + 0.5 * e * e * (3 - 2 * e);
  },
  soft: (v: number): number => encodeChannel(1 - Math.exp(-1.6 * v)),
  bright: (v: number): number => encodeChannel(v) ** 0.8,
  film: (v: number): number => {
    const x = v * 1.1;
    return encodeChannel(Math.min(1, (x * (2.51 * x + 0.03)) / (x * (2.43 * x + 0.59) + 0.14)));
  },
} as const;
export type Tone = keyof typeof TONES;

/**
 * A square of one colour as a picture has it, with the noise of a sensor.
 * @param slope how much brighter its right edge is than its left, as a part of the mean
 */
export function squareOf(
  seen: LinearRgb,
  tone: Tone,
  { size = 16, exposure = 0.85, cast = [1, 1, 1], slope = 0, seed = 3 }: SquareOptions = {},
): Uint8ClampedArray {
  const random = seededRandom(seed);
  const pixels = new Uint8ClampedArray(size * size * 4);
  for (let i = 0; i < size * size; i++) {
    const across = 1 + slope * ((i % size) / (size - 1) - 0.5);
    for (let c = 0; c < 3; c++) {
      const light = Math.max(0, seen[c]! * exposure * cast[c]! * across * (1 + 0.02 * (random() - 0.5)));
      pixels[4 * i + c] = Math.round(255 * TONES[tone](Math.min(1, light)));
    }
    pixels[4 * i + 3] = 255;
  }
  return pixels;
}

export interface SquareOptions {
  readonly size?: number;
  readonly exposure?: number;
  /** Factors of the channels that white balance left. */
  readonly cast?: LinearRgb;
  readonly slope?: number;
  readonly seed?: number;
}

/**
 * What colours of white-balanced pictures under some lights have to be multiplied by: least squares over the known
 * cameras, dark soaps weighed like light ones; white stays white.
 */
export function matrixForLights(lights: readonly Spectrum[], soaps: readonly Spectrum[]): Matrix {
  const truth = soaps.map((r) => linearRgbFromXyz(xyzD65FromReflectance(r)));
  const rows = KNOWN_CAMERAS.flatMap((sensitivities) =>
    lights.flatMap((light) => {
      const see = cameraOf(sensitivities, light);
      return soaps.map((r, i) => {
        const known = truth[i]!;
        const weight = 1 / (0.05 + Math.max(0, (known[0] + known[1] + known[2]) / 3));
        const scaled = (v: LinearRgb): LinearRgb => [v[0] * weight, v[1] * weight, v[2] * weight];
        return [scaled(see(r)), scaled(known)] as const;
      });
    }),
  );
  const fitted = fitMatrix(
    rows.map(([seen]) => seen),
    rows.map(([, known]) => known),
  );
  const white = times(fitted, [1, 1, 1]);
  return fitted.map((row) => row.map((v, i) => v / white[i]!)) as unknown as Matrix;
}
