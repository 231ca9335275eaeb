import { type Spectrum } from '../colour/bands.ts';
import { faded, gelReached, halved, type Stage } from './stage.ts';

export type Shimmer = 'none' | 'satin' | 'sparkle';

/**
 * What a colourant does to light, per unit dose. Plain numbers, so that it can be stored and sent.
 * Absorption and scattering are per g/kg oils of effective dose, on the scale where the scattering of the
 * ungelled cured reference base is 1. Every array has 36 bands.
 */
export interface Optics {
  /** Settled absorption in a gelled bar (and, where `kUngelled` is null, in an ungelled one). */
  readonly k: readonly number[];
  readonly kUngelled: readonly number[] | null;
  /** Scattering. */
  readonly s: readonly number[];
  /** Dose at which flocculation has halved the effect of the next gram, g/kg; null for none. */
  readonly saturation: number | null;
  /** Absorption in fresh batter, relaxing to the settled curve. */
  readonly fresh: { readonly k: readonly number[]; readonly halfLife: number } | null;
  /** What a colourant that does not survive lye turns into. Half-life in hours. */
  readonly becomes: { readonly k: readonly number[]; readonly halfLife: number } | null;
  readonly fading: Fading | null;
  /** Fluorescence: peak and width in nm, and the share of absorbed light given back (0–0.6). */
  readonly emission: { readonly peak: number; readonly width: number; readonly efficiency: number } | null;
  /** Particles seen one by one: share of the face per g/kg, and their own reflectance. */
  readonly specks: { readonly areaPerDose: number; readonly reflectance: readonly number[] } | null;
  readonly shimmer: Shimmer;
  /** What bars of it have told beyond that; absent for a default curve. */
  readonly terms?: FittedTerms;
}

/** What only readings of real bars can tell of a colourant. */
export interface FittedTerms {
  /** As `saturation`, for scattering; null for none. */
  readonly scatterSaturation: number | null;
  /** Of a fluorescent, whose light is then born under the surface: dose at which half of it is lost to crowding, g/kg. */
  readonly quench: number | null;
  /** Of plates: share of the light that they mirror at the face, and the dose at which 63 % of that is there, g/kg. */
  readonly sheen: { readonly share: number; readonly dose: number } | null;
}

/** How a colourant loses its colour, in the dark and in light. */
export interface Fading {
  /** Share of the absorption that is left where no end is known. */
  readonly remains: number;
  /** Time constants in days. */
  readonly darkDays: number;
  readonly lightDays: number;
  /** Absorption that it comes to; null for a paler version of itself. */
  readonly darkEnd: readonly number[] | null;
  readonly lightEnd: readonly number[] | null;
}

/** c / (1 + c/c_sat): what a dose of c g/kg does when part of it flocculates. */
export const effectiveDose = (dose: number, saturation: number | null): number =>
  saturation === null ? dose : dose / (1 + dose / saturation);

/** Dose at which flocculation has halved the scattering of the next gram; null for none. */
export const scatterSaturationOf = ({
  saturation,
  terms,
}: Pick<Optics, 'saturation' | 'terms'>): number | null => (terms ? terms.scatterSaturation : saturation);

/** Share of the colour that has not faded yet at a stage, 0–1. */
export const unfaded = ({ darkDays, lightDays }: Fading, { hours, light }: Stage): number =>
  faded(hours, 0, light ? lightDays : darkDays);

/** Largest share of the face that specks may cover: beyond, they overlap. */
export const MAX_SPECK_AREA = 0.6;

/** Absorption per unit effective dose at a stage: fading, gel, fresh shift and alkali change applied. */
export function absorptionAt(optics: Optics, stage: Stage, out: Spectrum): Spectrum {
  const { fading, becomes, fresh } = optics;
  const alive = fading ? unfaded(fading, stage) : 1;
  const end = fading && (stage.light ? fading.lightEnd : fading.darkEnd);
  const remains = fading?.remains ?? 1;
  const gel = gelReached(stage);
  const ungelled = optics.kUngelled ?? optics.k;
  const freshShare = fresh ? halved(stage.hours, fresh.halfLife) : 0;
  const aliveShare = becomes ? halved(stage.hours, becomes.halfLife) : 1;
  for (let i = 0; i < out.length; i++) {
    let k = ungelled[i]! + (optics.k[i]! - ungelled[i]!) * gel;
    if (fresh) k += (fresh.k[i]! - k) * freshShare;
    if (becomes) k = becomes.k[i]! + (k - becomes.k[i]!) * aliveShare;
    out[i] = k * alive + (end ? end[i]! : k * remains) * (1 - alive);
  }
  return out;
}
