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
  readonly emission: Emission;
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
const rootSlope = (K: number, S: number, root: number, dK: number, dS: number): number =>
  ((K + S) * dK + K * dS) / root;

/** Works out what feeds a glow, from a body that does not glow yet. */
export function feedGlow(
  glow: Glowing,
  { k, e, slope }: Amount,
  { K, S, R }: Body,
  slopes: readonly BodySlope[],
): void {
  const { emission, takenBy, deepBy } = glow;
  const last = lastFed(emission);
  glow.taken = 0;
  glow.deep = 0;
  takenBy.fill(0);
  deepBy.fill(0);
  for (let b = 0; b <= last; b++) {
    const root = rootOf(K[b]!, S[b]!);
    const per = (k[b]! * DAYLIGHT[b]!) / K[b]!;
    const dark = 1 - R[b]!;
    const t = dark * e * per;
    glow.taken += t;
    glow.deep += t * root;
    for (let j = 0; j < slopes.length; j++) {
      const by = slopes[j]!;
      const more = (j === slope ? dark * per : 0) - by.R[b]! * e * per - (t * by.K[b]!) / K[b]!;
      takenBy[j] = takenBy[j]! + more;
      deepBy[j] = deepBy[j]! + more * root + t * rootSlope(K[b]!, S[b]!, root, by.K[b]!, by.S[b]!);
    }
  }
  if (glow.taken === 0) return;
  glow.deep /= glow.taken;
  for (let j = 0; j < slopes.length; j++) deepBy[j] = (deepBy[j]! - glow.deep * takenBy[j]!) / glow.taken;
}

/**
 * Light born under the surface: as deep as the light that feeds it goes (1/√(K(K + 2S)) of two-constant theory), so
 * that the pot takes up a part of it on its way out, and what starts downwards is thrown back by the body. Adds it to
 * the reflectance of a body that `feedGlow` has seen, and of its slopes, up to `most`.
 */
export function addGlow(
  { emission, quench, taken, deep, takenBy, deepBy }: Glowing,
  { dose, slope, doseSlope }: Amount,
  { K, S, R, inner }: Body,
  slopes: readonly BodySlope[],
  most: number,
): void {
  if (taken === 0) return;
  const gain = emission.efficiency / (1 + (quench === null ? 0 : dose / quench));
  const crowded = quench === null ? 0 : doseSlope / (quench + dose);
  for (let b = 0; b < BAND_COUNT; b++) {
    const shape = emissionShape(emission, b);
    if (shape < 1e-7) continue;
    const root = rootOf(K[b]!, S[b]!);
    const sum = S[b]! + K[b]! + root;
    const rInf = S[b]! / sum;
    const out = (deep / (deep + root)) * (1 + rInf) * ((1 - inner) / (1 - inner * rInf));
    const each = (gain * shape * out) / DAYLIGHT[b]!;
    const bright = R[b]! + each * taken;
    R[b] = Math.min(most, bright);
    for (let j = 0; j < slopes.length; j++) {
      const by = slopes[j]!;
      const dRoot = rootSlope(K[b]!, S[b]!, root, by.K[b]!, by.S[b]!);
      const dInf = (by.S[b]! - rInf * (by.S[b]! + by.K[b]! + dRoot)) / sum;
      const dOut =
        (deepBy[j]! * root - deep * dRoot) / (deep * (deep + root)) +
        dInf * (1 / (1 + rInf) + inner / (1 - inner * rInf)) -
        (j === slope ? crowded : 0);
      by.R[b] = bright > most ? 0 : by.R[b]! + each * (takenBy[j]! + taken * dOut);
    }
  }
}
