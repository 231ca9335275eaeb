import { BAND_COUNT } from '../colour/bands.ts';
import { labD65FromHex } from '../colour/srgb.ts';
import { referenceCanvas } from './canvas.ts';
import { fitCurve } from './defaultCurve.ts';
import { type Feature, featureShape } from './features.ts';
import { mixerOf, mixTables } from './mixer.ts';
import { type Fading, type Optics, type Shimmer, unfaded } from './optics.ts';
import { shapeFromHex, softReflectance } from './softReflectance.ts';
import { cured, fresh as freshStage, type Stage, YEAR_HOURS } from './stage.ts';

/** What is known of a colourant's looks before anyone has tested it; colours are `#rrggbb`. */
export interface Appearance {
  /** Dose the colours are stated for, g/kg oils. */
  readonly dose: number;
  /** Gelled and cured in the reference base. For one that does not survive lye: what it turns into. */
  readonly colour: string;
  /** Ungelled and cured, where gel changes more than the depth. */
  readonly ungelled?: string;
  /** In fresh batter, where it misleads. Half-life in hours. */
  readonly fresh?: { readonly colour: string; readonly halfLife: number };
  /** For an alkali-unstable one: the colour it has as bought, seen for some hours. */
  readonly before?: { readonly colour: string; readonly halfLife: number };
  /** Known absorption; guessed from the colour when absent. */
  readonly features?: readonly Feature[];
  /** Scattering per g/kg. The colour is met by the absorption alone. */
  readonly scatter: number;
  readonly saturation?: number;
  readonly fading?: FadingLooks;
  readonly emission?: Optics['emission'];
  readonly shimmer?: Shimmer;
}

/** How it fades: the share that remains, time constants in days, and what it comes to where that is no paler self. */
export interface FadingLooks extends Pick<Fading, 'remains' | 'darkDays' | 'lightDays'> {
  readonly ends?: { readonly dark: string; readonly light: string };
}

/** Features of known chemistry vary in height and bend a little; a guessed shape may bend a lot. */
const KNOWN = { heightFreedom: 0.7, shapeFreedom: 0.1, targetSigma: 0.4 };
const GUESSED = { heightFreedom: 0.1, shapeFreedom: 1, targetSigma: 0.4 };
/** Of what glows, a screen cannot show the colour, and nobody knows by how much it glows: it is met roughly. */
const GUESSED_GLOWING = { ...GUESSED, targetSigma: 3 };
/** The least that the strongest band of a typical dose adds to K: a tenth of what the gelled base absorbs there. */
const LEAST_AT_TYPICAL = 0.003;
/** The most: what is left of light then is lost in what the face throws back. */
const MOST_AT_TYPICAL = 12;
/** What it fades to is stated after a year, cured like everything else. */
const FADED_STAGE: Stage = { hours: YEAR_HOURS, gel: 1 };

const constant = (value: number): number[] => Array.from({ length: BAND_COUNT }, () => value);

/** Builds the default curves that meet the stated colours in the reference base. */
export function buildOptics(a: Appearance): Optics {
  const plain: Optics = {
    k: constant(0),
    kUngelled: null,
    s: constant(a.scatter),
    saturation: a.saturation ?? null,
    fresh: null,
    becomes: null,
    fading: null,
    emission: a.emission ?? null,
    specks: null,
    shimmer: a.shimmer ?? 'none',
  };

  /** Absorption that gives the stated dose a colour at a stage, of which `alive` is its own and the rest an end. */
  const curveFor = (
    hex: string,
    stage: Stage,
    features?: readonly Feature[],
    alive = 1,
    end = constant(0),
  ) => {
    const tables = mixTables(referenceCanvas, [plain], stage);
    const mixer = mixerOf(tables);
    return fitCurve({
      ...(features ? KNOWN : plain.emission ? GUESSED_GLOWING : GUESSED),
      features: features ? features.map(featureShape) : [shapeFromHex(hex)],
      leastPeak: LEAST_AT_TYPICAL / a.dose,
      mostPeak: MOST_AT_TYPICAL / a.dose,
      target: labD65FromHex(hex),
      predict: (k) => {
        for (let i = 0; i < BAND_COUNT; i++) tables.k[i * tables.stride] = k[i]! * alive + end[i]!;
        const [L, A, B] = mixer.lab([a.dose]);
        return [L!, A!, B!];
      },
    });
  };

  const ends = a.fading?.ends;
  const fading = a.fading
    ? {
        remains: a.fading.remains,
        darkDays: a.fading.darkDays,
        lightDays: a.fading.lightDays,
        darkEnd: ends ? curveFor(ends.dark, FADED_STAGE) : null,
        lightEnd: ends ? curveFor(ends.light, FADED_STAGE) : null,
      }
    : null;
  // A little of it has faded by the time that the cured colour is seen.
  const cure = (hex: string, gel: number, features?: readonly Feature[]): number[] => {
    const stage = cured(gel);
    if (!fading) return curveFor(hex, stage, features);
    const alive = unfaded(fading, stage);
    if (!fading.darkEnd) return curveFor(hex, stage, features, alive + (1 - alive) * fading.remains);
    return curveFor(
      hex,
      stage,
      features,
      alive,
      fading.darkEnd.map((k) => k * (1 - alive)),
    );
  };

  const k = cure(a.colour, 1, a.features);
  const kUngelled = a.ungelled ? cure(a.ungelled, 0) : null;
  const fresh = a.fresh ? { k: curveFor(a.fresh.colour, freshStage()), halfLife: a.fresh.halfLife } : null;
  if (!a.before) return { ...plain, k, kUngelled, fresh, fading };
  // It starts as the bought colour and becomes the settled one.
  return {
    ...plain,
    k: curveFor(a.before.colour, freshStage()),
    becomes: { k, halfLife: a.before.halfLife },
    fading,
  };
}

/** Optics of particles that are seen one by one and do not stain: `areaPerDose` of the face per g/kg. */
export function speckOptics(colour: string, areaPerDose: number): Optics {
  return {
    k: constant(0),
    kUngelled: null,
    s: constant(0),
    saturation: null,
    fresh: null,
    becomes: null,
    fading: null,
    emission: null,
    specks: {
      areaPerDose,
      reflectance: Array.from(softReflectance(colour), (r) => Number(r.toPrecision(4))),
    },
    shimmer: 'none',
  };
}
