import { BAND_COUNT } from '../colour/bands.ts';
import { labD65FromHex } from '../colour/srgb.ts';
import { referenceCanvas } from './canvas.ts';
import { type CurveProblem, fitCurve } from './defaultCurve.ts';
import { absorptionShape, type Feature } from './features.ts';
import { mixerOf, mixTables } from './mixer.ts';
import { type Optics, type Shimmer } from './optics.ts';
import { shapeFromHex, softReflectance } from './softReflectance.ts';
import { cured, faded, fresh as freshStage, type Stage } from './stage.ts';

/** What is known of a colourant's looks before anyone has tested it; colours are `#rrggbb`. */
export interface Appearance {
  /** Dose the colours are stated for, g/kg oils. */
  readonly dose: number;
  /** Gelled and cured in the reference base. For one that does not live through lye: what it turns into. */
  readonly colour: string;
  /** Ungelled and cured, where gel changes more than the depth. */
  readonly ungelled?: string;
  /** In fresh batter, where it misleads. */
  readonly fresh?: { readonly colour: string; readonly halfLife: number };
  /** For an alkali-unstable one: the colour it has as bought, seen for some hours. */
  readonly before?: { readonly colour: string; readonly halfLife: number };
  /** Known absorption; guessed from the colour when absent. */
  readonly features?: readonly Feature[];
  /** Scattering per g/kg that its kind suggests, and how far it may move to meet the colour. */
  readonly scatter: number;
  readonly scatterFreedom?: number;
  readonly saturation?: number;
  readonly fading?: Optics['fading'];
  readonly emission?: Optics['emission'];
  readonly shimmer?: Shimmer;
}

/** Known chemistry bends a little; a guessed shape may bend a lot. */
const KNOWN_SHAPE_FREEDOM = 0.6;
const GUESSED_SHAPE_FREEDOM = 1;
const DEFAULT_SCATTER_FREEDOM = 0.5;

const constant = (value: number): number[] => Array.from({ length: BAND_COUNT }, () => value);

/** Builds the default curves that meet the stated colours in the reference base. */
export function buildOptics(a: Appearance): Optics {
  const main = a.features ? absorptionShape(a.features) : shapeFromHex(a.colour);
  const shapeFreedom = a.features ? KNOWN_SHAPE_FREEDOM : GUESSED_SHAPE_FREEDOM;
  const draft: Optics = {
    k: constant(0),
    kUngelled: null,
    s: constant(a.scatter),
    saturation: a.saturation ?? null,
    fresh: null,
    becomes: null,
    fading: a.fading ?? null,
    emission: a.emission ?? null,
    specks: null,
    shimmer: a.shimmer ?? 'none',
  };

  /** Colour of the stated dose at a stage, for absorption and scattering under trial. */
  const predictAt = (stage: Stage): CurveProblem['predict'] => {
    const tables = mixTables(referenceCanvas, [draft], stage);
    const mixer = mixerOf(tables);
    const left = draft.fading ? faded(stage.hours, draft.fading.remains, draft.fading.darkDays) : 1;
    return (k, s) => {
      for (let i = 0; i < BAND_COUNT; i++) {
        tables.k[i * tables.stride] = k[i]! * left;
        tables.s[i * tables.stride] = s;
      }
      const [L, A, B] = mixer.lab([a.dose]);
      return [L!, A!, B!];
    };
  };

  // Side curves are fitted as the whole absorption at their stage, with the scattering already known.
  const side = (hex: string, stage: Stage, scatter: number): number[] =>
    fitCurve({
      shape: shapeFromHex(hex),
      scatter,
      scatterFreedom: 0,
      shapeFreedom: GUESSED_SHAPE_FREEDOM,
      target: labD65FromHex(hex),
      predict: predictAt(stage),
    }).k;

  const settled = fitCurve({
    shape: main,
    scatter: a.scatter,
    scatterFreedom: a.scatterFreedom ?? DEFAULT_SCATTER_FREEDOM,
    shapeFreedom,
    target: labD65FromHex(a.colour),
    predict: predictAt(cured(1)),
  });
  const s = settled.scatter;
  const base: Optics = { ...draft, k: settled.k, s: constant(s) };

  const kUngelled = a.ungelled ? side(a.ungelled, cured(0), s) : null;
  const fresh = a.fresh ? { k: side(a.fresh.colour, freshStage(), s), halfLife: a.fresh.halfLife } : null;
  if (!a.before) return { ...base, kUngelled, fresh };
  // It starts as the bought colour and becomes the settled one.
  return {
    ...base,
    k: side(a.before.colour, freshStage(), s),
    becomes: { k: settled.k, halfLife: a.before.halfLife },
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
