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
  readonly dose: number;
  /** Its effective dose, and what it absorbs per unit of that (36). */
  readonly e: number;
  readonly k: Spectrum;
  /** Which of the slopes is by its own effective dose, or −1, and by how much its dose grows with that. */
  readonly slope: number;
  readonly doseSlope: number;
}

/**
 * Light born under the surface: as deep as the light that feeds it goes (1/√(K(K + 2S)) of two-constant theory), so
 * that the pot takes up a part of it on its way out, and what starts downwards is thrown back by the body.
 * @param body and its slopes, as they are without any glow
 * @param lit what it adds to each band (36), and to each of the slopes: added to what is there
 */
export function addGlow(
  { emission, quench, dose, e, k, slope, doseSlope }: Glowing,
  { K, S, R, inner }: Body,
  slopes: readonly BodySlope[],
  lit: Spectrum,
  litSlopes: readonly Spectrum[],
): void {
  const last = lastFed(emission);
  const rootOf = (b: number): number => Math.sqrt(K[b]! * (K[b]! + 2 * S[b]!));
  const rootSlope = (b: number, root: number, by: BodySlope): number =>
    ((K[b]! + S[b]!) * by.K[b]! + K[b]! * by.S[b]!) / root;
  let taken = 0;
  let depth = 0;
  for (let b = 0; b <= last; b++) {
    const t = ((1 - R[b]!) * e * k[b]! * DAYLIGHT[b]!) / K[b]!;
    taken += t;
    depth += t * rootOf(b);
  }
  if (taken === 0) return;
  const deep = depth / taken;
  const gain = emission.efficiency / (1 + (quench === null ? 0 : dose / quench));
  // By each slope: the light taken up, and how deep.
  const changes = slopes.map((by, j) => {
    let more = 0;
    let deeper = 0;
    for (let b = 0; b <= last; b++) {
      const root = rootOf(b);
      const per = (k[b]! * DAYLIGHT[b]!) / K[b]!;
      const t = (1 - R[b]!) * e * per;
      const d = (j === slope ? (1 - R[b]!) * per : 0) - by.R[b]! * e * per - (t * by.K[b]!) / K[b]!;
      more += d;
      deeper += d * root + t * rootSlope(b, root, by);
    }
    const crowded = quench !== null && j === slope ? doseSlope / (quench + dose) : 0;
    return { more, crowded, deep: (deeper - deep * more) / taken };
  });
  for (let b = 0; b < BAND_COUNT; b++) {
    const shape = emissionShape(emission, b);
    if (shape < 1e-7) continue;
    const root = rootOf(b);
    const sum = S[b]! + K[b]! + root;
    const rInf = S[b]! / sum;
    const out = (deep / (deep + root)) * (1 + rInf) * ((1 - inner) / (1 - inner * rInf));
    const each = (gain * shape * out) / DAYLIGHT[b]!;
    lit[b] = lit[b]! + each * taken;
    changes.forEach((change, j) => {
      const by = slopes[j]!;
      const dRoot = rootSlope(b, root, by);
      const dInf = (by.S[b]! - rInf * (by.S[b]! + by.K[b]! + dRoot)) / sum;
      const dOut =
        (change.deep * root - deep * dRoot) / (deep * (deep + root)) +
        dInf * (1 / (1 + rInf) + inner / (1 - inner * rInf));
      litSlopes[j]![b] = litSlopes[j]![b]! + each * (change.more + taken * (dOut - change.crowded));
    });
  }
}
