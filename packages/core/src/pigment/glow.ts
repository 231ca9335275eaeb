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

/** A mixture of which one colourant glows (36 bands each). */
export interface Glowing {
  readonly K: Spectrum;
  readonly S: Spectrum;
  /** What comes back without the glow. */
  readonly unlit: Spectrum;
  /** Absorption of the colourant that glows. */
  readonly own: Spectrum;
  /** Part of the diffuse light inside that the surface throws back. */
  readonly inner: number;
}

/**
 * Light born under the surface: as deep as the light that feeds it goes (1/√(K(K + 2S)) of two-constant theory), so
 * that the pot takes up a part of it on its way out, and what starts downwards is thrown back by the body.
 * @param gain efficiency, less what is lost to crowding
 */
export function addGlow(
  emission: Emission,
  gain: number,
  { K, S, unlit, own, inner }: Glowing,
  out: Spectrum,
): void {
  const last = lastFed(emission);
  const rootOf = (b: number): number => Math.sqrt(K[b]! * (K[b]! + 2 * S[b]!));
  let taken = 0;
  let deep = 0;
  for (let b = 0; b <= last; b++) {
    const t = ((1 - unlit[b]!) * own[b]! * DAYLIGHT[b]!) / K[b]!;
    taken += t;
    deep += t * rootOf(b);
  }
  if (taken === 0) return;
  deep /= taken;
  for (let b = 0; b < BAND_COUNT; b++) {
    const shape = emissionShape(emission, b);
    if (shape < 1e-7) continue;
    const root = rootOf(b);
    const rInf = S[b]! / (S[b]! + K[b]! + root);
    const comesOut = ((deep / (deep + root)) * (1 + rInf) * (1 - inner)) / (1 - inner * rInf);
    out[b] = out[b]! + (gain * taken * shape * comesOut) / DAYLIGHT[b]!;
  }
}
