import { BAND_COUNT, BAND_START_NM, BAND_STEP_NM, type Spectrum, wavelengths } from '../colour/bands.ts';
import { type Optics } from './optics.ts';

/** Daylight D65 over the bands (CIE 15), relative to 560 nm: what a colour that glows lives on. */
export const DAYLIGHT: readonly number[] = [
  0.4998, 0.5465, 0.8275, 0.9149, 0.9343, 0.8668, 1.0487, 1.1701, 1.1781, 1.1486, 1.1592, 1.0881, 1.0935,
  1.078, 1.0479, 1.0769, 1.0441, 1.0405, 1, 0.9633, 0.9579, 0.8869, 0.9001, 0.896, 0.877, 0.8329, 0.837,
  0.8003, 0.8021, 0.8228, 0.7828, 0.6972, 0.7161, 0.7435, 0.616, 0.6989,
];

/** Where a fluorescent takes light up and gives it back: its emission band as it was fitted. */
export type Emission = NonNullable<Optics['emission']>;

/** Last band whose light can still lift something up to the peak: half a width beyond it. */
export const lastFed = ({ peak, width }: Pick<Emission, 'peak' | 'width'>): number =>
  Math.min(BAND_COUNT - 1, Math.floor((peak + width / 2 - BAND_START_NM) / BAND_STEP_NM));

/** Share of the emission in a band; the bands add up to 1. */
export function emissionShape({ peak, width }: Pick<Emission, 'peak' | 'width'>, b: number): number {
  const z = (wavelengths[b]! - peak) / width;
  return (Math.exp(-0.5 * z * z) * BAND_STEP_NM) / (width * Math.sqrt(2 * Math.PI));
}

/** As good as no light: less than this of a fluorescent's in a band. */
const UNSEEN = 1e-7;

/** The bands in which something of an emission (36) is seen: from one to before another. */
export function seenBands(light: Spectrum): { readonly from: number; readonly to: number } {
  const isSeen = (v: number): boolean => v >= UNSEEN;
  return { from: Math.max(0, light.findIndex(isSeen)), to: light.findLastIndex(isSeen) + 1 };
}

/** An emission, band by band. */
export interface EmissionBands {
  /** What comes back in each band of the light that is taken up (36); as good as nothing outside `from`–`to`. */
  readonly light: Spectrum;
  readonly from: number;
  readonly to: number;
  /** The last band that feeds it. */
  readonly last: number;
}

/** Works the bands of an emission out once. */
export function onceForEach(bandsOf: (emission: Emission) => EmissionBands): typeof bandsOf {
  const known = new WeakMap<Emission, EmissionBands>();
  return (emission) => {
    let bands = known.get(emission);
    if (!bands) known.set(emission, (bands = bandsOf(emission)));
    return bands;
  };
}

/** A glow under daylight: its light is over the light of the band. */
export const glowBands = onceForEach((emission) => {
  const shape = Float64Array.from({ length: BAND_COUNT }, (_, b) => emissionShape(emission, b));
  const light = shape.map((v, b) => (emission.efficiency * v) / DAYLIGHT[b]!);
  return { light, ...seenBands(shape), last: lastFed(emission) };
});

/** A mixture before anything glows in it (36 bands each). */
export interface Body {
  readonly K: Spectrum;
  readonly S: Spectrum;
  /** What comes back of the light that falls on it. */
  readonly R: Spectrum;
  /** Part of the diffuse light inside that the surface throws back. */
  readonly inner: number;
}

/** How a mixture changes with one dose, in whatever unit that is counted (36 bands each). */
export type BodySlope = Pick<Body, 'K' | 'S' | 'R'>;

/** The colourant that glows in it. */
export interface Glowing {
  readonly bands: EmissionBands;
  /** Dose at which half of its light is lost to crowding, g/kg; null for none. */
  readonly quench: number | null;
  /** Light that it takes up, and how deep that goes on average (`feedGlow`); then the same by each slope. */
  taken: number;
  deep: number;
  readonly takenBy: Float64Array;
  readonly deepBy: Float64Array;
}

/** How much of a colourant is in a mixture. */
export interface Amount {
  /** Absorption per unit of effective dose (36). */
  readonly k: Spectrum;
  /** Which slope of the mixture is by its effective dose, or −1. */
  slope: number;
  /** Effective dose, dose in g/kg, and by how much the dose grows with the effective one. */
  e: number;
  dose: number;
  doseSlope: number;
}

const rootOf = (K: number, S: number): number => Math.sqrt(K * (K + 2 * S));

// How sums over bands change with the absorption, scattering and reflectance of each band: scratch of one call.
const byK = new Float64Array(BAND_COUNT);
const byS = new Float64Array(BAND_COUNT);
const byR = new Float64Array(BAND_COUNT);
const roots = new Float64Array(BAND_COUNT);

/** Works out what feeds a glow, from a body that does not glow yet. */
export function feedGlow(
  glow: Glowing,
  { k, e, slope }: Amount,
  { K, S, R }: Body,
  slopes: readonly BodySlope[],
): void {
  const { takenBy, deepBy } = glow;
  const { last } = glow.bands;
  let each = 0;
  let eachDeep = 0;
  for (let b = 0; b <= last; b++) {
    const root = rootOf(K[b]!, S[b]!);
    const per = (k[b]! * DAYLIGHT[b]!) / K[b]!;
    const lit = (1 - R[b]!) * per;
    each += lit;
    eachDeep += lit * root;
    roots[b] = root;
    byR[b] = -e * per;
    byK[b] = (-e * lit) / K[b]!;
  }
  glow.taken = e * each;
  glow.deep = each === 0 ? 0 : eachDeep / each;
  const { taken, deep } = glow;
  for (let j = 0; j < slopes.length; j++) {
    const by = slopes[j]!;
    let more = j === slope ? each : 0;
    let moreDeep = j === slope ? eachDeep : 0;
    for (let b = 0; b <= last; b++) {
      const change = byR[b]! * by.R[b]! + byK[b]! * by.K[b]!;
      // byK is what is taken up, over −K.
      const deeper = (-byK[b]! * K[b]! * ((K[b]! + S[b]!) * by.K[b]! + K[b]! * by.S[b]!)) / roots[b]!;
      more += change;
      moreDeep += change * roots[b]! + deeper;
    }
    takenBy[j] = more;
    deepBy[j] = taken === 0 ? 0 : (moreDeep - deep * more) / taken;
  }
}

/**
 * Light born under the surface: as deep as the light that feeds it goes (1/√(K(K + 2S)) of two-constant theory), so
 * that the pot takes up a part of it on its way out, and what starts downwards is thrown back by the body. Adds it to
 * the reflectance of a body that `feedGlow` has seen, and of its slopes, up to `most`.
 */
export function addGlow(
  { bands, quench, taken, deep, takenBy, deepBy }: Glowing,
  { dose, slope, doseSlope }: Amount,
  { K, S, R, inner }: Body,
  slopes: readonly BodySlope[],
  most: number,
): void {
  if (taken === 0) return;
  const { light, from, to } = bands;
  const gain = 1 / (1 + (quench === null ? 0 : dose / quench));
  const crowded = quench === null ? 0 : doseSlope / (quench + dose);
  for (let b = from; b < to; b++) {
    const root = rootOf(K[b]!, S[b]!);
    const sum = S[b]! + K[b]! + root;
    const rInf = S[b]! / sum;
    const out = (deep / (deep + root)) * (1 + rInf) * ((1 - inner) / (1 - inner * rInf));
    const each = gain * light[b]! * out;
    R[b] = Math.min(most, R[b]! + each * taken);
    if (slopes.length === 0) continue;
    // Logarithmic derivatives of what gets out.
    const perInf = (1 / (1 + rInf) + inner / (1 - inner * rInf)) / sum;
    const perRoot = -1 / (deep + root) - rInf * perInf;
    byK[b] = (perRoot * (K[b]! + S[b]!)) / root - rInf * perInf;
    byS[b] = (perRoot * K[b]!) / root + (1 - rInf) * perInf;
    roots[b] = root;
    byR[b] = each;
  }
  for (let j = 0; j < slopes.length; j++) {
    const by = slopes[j]!;
    const less = j === slope ? crowded : 0;
    for (let b = from; b < to; b++) {
      const share = byK[b]! * by.K[b]! + byS[b]! * by.S[b]! - less;
      const deeper = (deepBy[j]! * roots[b]!) / (deep * (deep + roots[b]!));
      const more = takenBy[j]! + taken * (share + deeper);
      by.R[b] = R[b]! < most ? by.R[b]! + byR[b]! * more : 0;
    }
  }
}
