import { BAND_COUNT, BAND_START_NM, BAND_STEP_NM, type Spectrum, spectrumFrom } from '../colour/bands.ts';
import { addGlow, type Body, type BodySlope, type Emission } from './glow.ts';
import { MAX_SPECK_AREA, type Optics } from './optics.ts';

/** Fluorescence may lift a band above the light that falls on it, but not without bound. */
export const MAX_REFLECTANCE = 1.5;

/** However many plates there are, most of the light gets in between them. */
const MOST_SHEEN = 0.3;

type SpecialOptics = Pick<Optics, 'emission' | 'specks' | 'terms'>;

/** A colourant that does more than take up light and scatter it, in a mixture. */
export interface SpecialPart {
  readonly optics: SpecialOptics;
  /** Absorption per unit of effective dose (36). */
  readonly k: Spectrum;
  /** Which slope of the mixture is by its effective dose, or −1. */
  slope: number;
  /** Effective dose, dose in g/kg, and by how much the dose grows with the effective one. */
  e: number;
  dose: number;
  doseSlope: number;
}

/** Whether a colourant glows, shows as specks, or mirrors. */
export const isSpecial = ({ emission, specks, terms }: SpecialOptics): boolean =>
  emission !== null || specks !== null || Boolean(terms?.sheen);

/**
 * What fluorescents, specks and plates make of a mixture: fluorescence first, then specks that cover it, then plates at
 * the face. Slopes are those by effective doses; a mixture without any is only lit.
 * @returns a function that rewrites the reflectance of a body, and of its slopes; not to be shared between threads
 */
export function createSpecials(
  parts: readonly SpecialPart[],
): (body: Body, slopes?: readonly BodySlope[]) => void {
  const glowing = parts.flatMap((part) => {
    const { emission, terms } = part.optics;
    return emission && terms ? [{ part, emission, quench: terms.quench }] : [];
  });
  const emitters = parts.flatMap((part) => {
    const { emission, terms } = part.optics;
    return emission && !terms ? [{ part, ...emissionBand(emission) }] : [];
  });
  const specked = parts.flatMap((part) => (part.optics.specks ? [{ part, specks: part.optics.specks }] : []));
  const plates = parts.flatMap((part) =>
    part.optics.terms?.sheen ? [{ part, ...part.optics.terms.sheen }] : [],
  );
  const lit = new Float64Array(BAND_COUNT);
  const litSlopes: Spectrum[] = [];

  /** Adds what was lit; a band that is as bright as can be stays so. */
  function light({ R }: Body, slopes: readonly BodySlope[]): void {
    for (let b = 0; b < BAND_COUNT; b++) {
      const bright = R[b]! + lit[b]!;
      R[b] = Math.min(MAX_REFLECTANCE, bright);
      slopes.forEach((by, j) => {
        by.R[b] = bright > MAX_REFLECTANCE ? 0 : by.R[b]! + litSlopes[j]![b]!;
      });
    }
  }

  function clear(slopes: readonly BodySlope[]): void {
    while (litSlopes.length < slopes.length) litSlopes.push(new Float64Array(BAND_COUNT));
    lit.fill(0);
    for (const each of litSlopes) each.fill(0);
  }

  return (body, slopes = []) => {
    if (glowing.length > 0) {
      clear(slopes);
      for (const { part, emission, quench } of glowing)
        addGlow({ ...part, emission, quench }, body, slopes, lit, litSlopes);
      light(body, slopes);
    }
    if (emitters.length > 0) {
      clear(slopes);
      for (const emitter of emitters) addEmission(emitter, body, slopes, lit, litSlopes);
      light(body, slopes);
    }
    if (specked.length > 0) coverWithSpecks(specked, body, slopes);
    if (plates.length > 0) mirror(plates, body, slopes);
  };
}

interface Emitter extends EmissionBand {
  readonly part: SpecialPart;
}

/** Light taken in below its peak by a fluorescent comes back in its band, less what leaves as heat. */
function addEmission(
  { part, shape, last, efficiency }: Emitter,
  { K, R }: Body,
  slopes: readonly BodySlope[],
  lit: Spectrum,
  litSlopes: readonly Spectrum[],
): void {
  const { e, k, slope } = part;
  let taken = 0;
  for (let b = 0; b <= last; b++) taken += ((1 - R[b]!) * e * k[b]!) / K[b]!;
  for (let b = 0; b < BAND_COUNT; b++) lit[b] = lit[b]! + efficiency * taken * shape[b]!;
  slopes.forEach((by, j) => {
    let more = 0;
    for (let b = 0; b <= last; b++) {
      const per = k[b]! / K[b]!;
      more += (j === slope ? (1 - R[b]!) * per : 0) - e * per * (by.R[b]! + ((1 - R[b]!) * by.K[b]!) / K[b]!);
    }
    const out = litSlopes[j]!;
    for (let b = 0; b < BAND_COUNT; b++) out[b] = out[b]! + efficiency * more * shape[b]!;
  });
}

type Specks = NonNullable<Optics['specks']>;

/** Specks lie side by side on the ground, whatever their order; what they would cover beyond the most, they share. */
function coverWithSpecks(
  specked: readonly { readonly part: SpecialPart; readonly specks: Specks }[],
  { R }: Body,
  slopes: readonly BodySlope[],
): void {
  let wanted = 0;
  for (const { part, specks } of specked) wanted += part.dose * specks.areaPerDose;
  if (wanted === 0) return;
  const covered = Math.min(MAX_SPECK_AREA, wanted);
  for (let b = 0; b < BAND_COUNT; b++) {
    let seen = R[b]! * (1 - covered);
    for (const { part, specks } of specked)
      seen += ((part.dose * specks.areaPerDose * covered) / wanted) * specks.reflectance[b]!;
    R[b] = seen;
    for (const by of slopes) by.R[b] = by.R[b]! * (1 - covered);
  }
}

type Sheen = NonNullable<NonNullable<Optics['terms']>['sheen']>;

/** Plates near the face mirror a share of the light before it gets in, and of what comes out. */
function mirror(
  plates: readonly ({ readonly part: SpecialPart } & Sheen)[],
  { R }: Body,
  slopes: readonly BodySlope[],
): void {
  let share = 0;
  for (const { part, share: each, dose } of plates) share += each * (1 - Math.exp(-part.dose / dose));
  const isFull = share > MOST_SHEEN;
  const most = Math.min(MOST_SHEEN, share);
  const through = (1 - most) ** 2;
  slopes.forEach((by, j) => {
    let more = 0;
    if (!isFull)
      for (const { part, share: each, dose } of plates)
        if (part.slope === j) more += (each * Math.exp(-part.dose / dose) * part.doseSlope) / dose;
    for (let b = 0; b < BAND_COUNT; b++) by.R[b] = through * by.R[b]! + more * (1 - 2 * (1 - most) * R[b]!);
  });
  for (let b = 0; b < BAND_COUNT; b++) R[b] = most + through * R[b]!;
}

interface EmissionBand {
  readonly shape: Spectrum;
  readonly last: number;
  readonly efficiency: number;
}
const bands = new WeakMap<Emission, EmissionBand>();

/** A fluorescent's emission: normalised band (sums to 1), the last band that feeds it, and its efficiency. */
function emissionBand(emission: Emission): EmissionBand {
  const known = bands.get(emission);
  if (known) return known;
  const { peak, width, efficiency } = emission;
  const raw = spectrumFrom((nm) => Math.exp(-0.5 * ((nm - peak) / width) ** 2));
  const sum = raw.reduce((total, v) => total + v, 0);
  const band = {
    shape: raw.map((v) => v / sum),
    last: Math.floor((peak - BAND_START_NM) / BAND_STEP_NM),
    efficiency,
  };
  bands.set(emission, band);
  return band;
}
