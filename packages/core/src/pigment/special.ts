import { BAND_COUNT, BAND_START_NM, BAND_STEP_NM, type Spectrum, spectrumFrom } from '../colour/bands.ts';
import {
  addGlow,
  type Amount,
  type Body,
  type BodySlope,
  type EmissionBands,
  feedGlow,
  type Glowing,
  glowBands,
  onceForEach,
  seenBands,
} from './glow.ts';
import { MAX_SPECK_AREA, type Optics } from './optics.ts';

/** Fluorescence may lift a band above the light that falls on it, but not without bound. */
export const MAX_REFLECTANCE = 1.5;

/** However many plates there are, most of the light gets in between them. */
const MOST_SHEEN = 0.3;

/** Most doses that a mixture is followed by at once. */
const MOST_SLOPES = 4;

type SpecialOptics = Pick<Optics, 'emission' | 'specks' | 'terms'>;
type Specks = NonNullable<Optics['specks']>;
type Sheen = NonNullable<NonNullable<Optics['terms']>['sheen']>;

/** A colourant that does more than take up light and scatter it, in a mixture. */
export interface SpecialPart extends Amount {
  /** A fluorescent that lights its own band, and what it takes up: the same by each slope. */
  readonly emitter: (EmissionBands & { taken: number; readonly takenBy: Float64Array }) | null;
  /** One whose light is born under the surface. */
  readonly glow: Glowing | null;
  readonly specks: Specks | null;
  readonly sheen: Sheen | null;
}

/** Whether a colourant glows, shows as specks, or mirrors. */
export const isSpecial = ({ emission, specks, terms }: SpecialOptics): boolean =>
  emission !== null || specks !== null || Boolean(terms?.sheen);

/** A special colourant of which nothing is in a mixture yet; not to be shared between threads. @param k see `Amount` */
export function specialPart({ emission, specks, terms }: SpecialOptics, k: Spectrum): SpecialPart {
  const bySlope = (): Float64Array => new Float64Array(MOST_SLOPES);
  return {
    k,
    slope: -1,
    e: 0,
    dose: 0,
    doseSlope: 0,
    emitter: emission && !terms ? { ...emitterBands(emission), taken: 0, takenBy: bySlope() } : null,
    glow:
      emission && terms
        ? {
            bands: glowBands(emission),
            quench: terms.quench,
            taken: 0,
            deep: 0,
            takenBy: bySlope(),
            deepBy: bySlope(),
          }
        : null,
    specks,
    sheen: terms?.sheen ?? null,
  };
}

/**
 * What fluorescents, specks and plates make of a mixture: fluorescence first, then specks that cover it, then plates at
 * the face. Rewrites the reflectance of the body, and of its slopes (at most four) by effective doses. No slope moves specks.
 */
export function addSpecials(
  parts: readonly SpecialPart[],
  body: Body,
  slopes: readonly BodySlope[] = [],
): void {
  // All of them are fed by the unlit colour, then by what glows under the surface: their order does not matter.
  for (const part of parts) if (part.glow) feedGlow(part.glow, part, body, slopes);
  for (const part of parts) if (part.glow) addGlow(part.glow, part, body, slopes, MAX_REFLECTANCE);
  for (const part of parts) if (part.emitter) feedEmitter(part.emitter, part, body, slopes);
  for (const part of parts) if (part.emitter) addEmission(part.emitter, body, slopes);
  coverWithSpecks(parts, body, slopes);
  mirror(parts, body, slopes);
}

type Emitter = NonNullable<SpecialPart['emitter']>;

/** How what a fluorescent takes up changes with the reflectance and with the absorption of each band. */
const byR = new Float64Array(BAND_COUNT);
const byK = new Float64Array(BAND_COUNT);

/** Light taken in below its peak by a fluorescent. */
function feedEmitter(
  emitter: Emitter,
  { e, k, slope }: Amount,
  { K, R }: Body,
  slopes: readonly BodySlope[],
): void {
  const { takenBy, last } = emitter;
  let each = 0;
  for (let b = 0; b <= last; b++) {
    const per = k[b]! / K[b]!;
    const lit = (1 - R[b]!) * per;
    each += lit;
    byR[b] = -e * per;
    byK[b] = (-e * lit) / K[b]!;
  }
  emitter.taken = e * each;
  for (let j = 0; j < slopes.length; j++) {
    const by = slopes[j]!;
    let more = j === slope ? each : 0;
    for (let b = 0; b <= last; b++) more += byR[b]! * by.R[b]! + byK[b]! * by.K[b]!;
    takenBy[j] = more;
  }
}

/** It comes back in its band, less what leaves as heat. */
function addEmission(
  { light, from, to, taken, takenBy }: Emitter,
  { R }: Body,
  slopes: readonly BodySlope[],
): void {
  for (let b = from; b < to; b++) R[b] = Math.min(MAX_REFLECTANCE, R[b]! + light[b]! * taken);
  for (let j = 0; j < slopes.length; j++) {
    const by = slopes[j]!.R;
    const more = takenBy[j]!;
    for (let b = from; b < to; b++) by[b] = R[b]! < MAX_REFLECTANCE ? by[b]! + light[b]! * more : 0;
  }
}

/** Specks lie side by side on the ground, whatever their order; what they would cover beyond the most, they share. */
function coverWithSpecks(parts: readonly SpecialPart[], { R }: Body, slopes: readonly BodySlope[]): void {
  let wanted = 0;
  for (const { dose, specks } of parts) if (specks) wanted += dose * specks.areaPerDose;
  if (wanted === 0) return;
  const covered = Math.min(MAX_SPECK_AREA, wanted);
  for (let b = 0; b < BAND_COUNT; b++) {
    let seen = R[b]! * (1 - covered);
    for (const { dose, specks } of parts)
      if (specks) seen += ((dose * specks.areaPerDose * covered) / wanted) * specks.reflectance[b]!;
    R[b] = seen;
    for (const by of slopes) by.R[b] = by.R[b]! * (1 - covered);
  }
}

/** Plates near the face mirror a share of the light before it gets in, and of what comes out. */
function mirror(parts: readonly SpecialPart[], { R }: Body, slopes: readonly BodySlope[]): void {
  let share = 0;
  for (const { sheen, dose } of parts) if (sheen) share += sheen.share * (1 - Math.exp(-dose / sheen.dose));
  if (share === 0) return;
  const most = Math.min(MOST_SHEEN, share);
  const through = (1 - most) ** 2;
  for (let j = 0; j < slopes.length; j++) {
    let more = 0;
    for (const { sheen, slope, dose, doseSlope } of parts)
      if (sheen && slope === j && share <= MOST_SHEEN)
        more += (sheen.share * Math.exp(-dose / sheen.dose) * doseSlope) / sheen.dose;
    const by = slopes[j]!.R;
    for (let b = 0; b < BAND_COUNT; b++) by[b] = through * by[b]! + more * (1 - 2 * (1 - most) * R[b]!);
  }
  for (let b = 0; b < BAND_COUNT; b++) R[b] = most + through * R[b]!;
}

/** A fluorescent that lights its own band: normalised, less what leaves as heat. */
const emitterBands = onceForEach(({ peak, width, efficiency }) => {
  const raw = spectrumFrom((nm) => Math.exp(-0.5 * ((nm - peak) / width) ** 2));
  const sum = raw.reduce((total, v) => total + v, 0);
  const light = raw.map((v) => (v / sum) * efficiency);
  return { light, ...seenBands(light), last: Math.floor((peak - BAND_START_NM) / BAND_STEP_NM) };
});
