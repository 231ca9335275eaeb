import { BAND_COUNT, type Spectrum } from '../colour/bands.ts';
import { absorptionShape, band, brown, flat } from './features.ts';
import {
  baseScatter,
  CURED_HOURS,
  faded,
  GELLED_SCATTER,
  gelReached,
  HOURS_PER_DAY,
  SKIN_BROWNS,
  type Stage,
} from './stage.ts';
import { SURFACE_K2 } from './surface.ts';

/**
 * The uncoloured batter of a pot: what its oils and its scent bring. Tints are amounts on the 0–10 scale of
 * the oil table, weighted by share; zero everywhere is the near-white reference base.
 */
export interface Canvas {
  readonly carotenoid: number;
  readonly chlorophyll: number;
  readonly brown: number;
  /** Milk in the liquid, as a share of it, 0–1. */
  readonly milk: number;
  /** Browning of the scent, or null for an unscented pot. */
  readonly scent: ScentBrowning | null;
  /** The base as bare bars have told it; absent for the reference base. */
  readonly base?: FittedBase;
}

/** What readings have told of the base that everything is mixed into. Arrays have 36 bands. */
export interface FittedBase {
  /** Absorption, cured. */
  readonly kUngelled: readonly number[];
  readonly kGelled: readonly number[];
  /** Scattering of the gelled base, cured, of which the ungelled one's is 1. */
  readonly gelScatter: readonly number[];
  /** Part of the diffuse light inside that the surface throws back (Saunderson's K2). */
  readonly inner: number;
  /** Scattering is divided by 1 + this × all powder in g/kg. */
  readonly load: number;
  /** Logarithms of what a fresh bar absorbs and scatters more than the reference base does at its age. */
  readonly young: { readonly absorbs: number; readonly scatters: number };
  /** Factor on the browning of scents, and on the time that it takes; absent for the usual time. */
  readonly browns: number;
  readonly brownsPace?: number;
  /** Only how it ages and browns was told: its colour, cured, is the reference base's, and as little known. */
  readonly isGuessed?: boolean;
  /** Gloss that the reader sees on an ungelled and a gelled face: colours are as it reads them. */
  readonly gloss: readonly [ungelled: number, gelled: number];
}

export interface ScentBrowning {
  /** Vanillin, with ethyl vanillin counted at 1.5 times its share, in g per kg oils of the pot. */
  readonly vanillin: number;
  /** Browning from anything else, in units of a slight tan at 50 g/kg oils. */
  readonly tan: number;
  /** How much of the stabiliser called for was given, 0–1. */
  readonly stabilised: number;
}

export const referenceCanvas: Canvas = { carotenoid: 0, chlorophyll: 0, brown: 0, milk: 0, scent: null };

// Fitted so that the reference base reads Lab D65 (91, −0.5, 7) ungelled and (86, −0.5, 10) gelled, cured.
// Gelled soap absorbs more than its lower scattering alone explains: light travels further between crystals.
const plainUngelled = absorptionShape([brown(65.4, 0.03123), flat(0.00245)]);
const plainGelled = absorptionShape([brown(65.8, 0.0497), flat(0.00437)]);
/** A young bar is this much darker than a cured one, and pales with this time constant in days. */
const AGEING = { young: 0.15, days: 14 };
/** Share of the ageing that is still to come, 0–1. */
export const youth = (hours: number): number =>
  faded(hours, 0, AGEING.days) - faded(CURED_HOURS, 0, AGEING.days);
const aged = (hours: number): number => 1 + AGEING.young * faded(hours, 0, AGEING.days);

// Literature positions: β-carotene 425/450/478 nm, chlorophyll Soret 430 and Q bands 615 and 665 nm,
// browned lipids and vanillin polymers rising to the violet. Heights per unit of the 0–10 tint scale.
const carotenoidUnit = absorptionShape([
  band(425, 20, 0.014),
  band(450, 18, 0.02),
  band(480, 16, 0.017),
  band(512, 20, 0.007),
]);
const chlorophyllUnit = absorptionShape([band(430, 22, 0.009), band(615, 22, 0.0014), band(665, 16, 0.004)]);
const brownUnit = absorptionShape([brown(75, 0.03), flat(0.0015)]);
/** Of 3.3 g vanillin per kg oils, all browned: met the colours of test bars of 5, 11 and 20 %, bare and with white. */
const vanillinUnit = absorptionShape([brown(77.38, 3.959), band(520, 45, 0.2048), flat(0.04155)]);
const VANILLIN_UNIT = 3.3;
/** Browning couples molecules: twice the vanillin makes more than three times as brown. */
const VANILLIN_POWER = 1.8;
/** Of a slight tan at 50 g/kg. */
const tanUnit = absorptionShape([brown(60, 0.06), flat(0.001), band(500, 50, 0.003)]);

/** Part of the oil tints bleaches in cure: share that stays, time constant in days. */
const CAROTENOID_STAYS = { remains: 0.85, days: 14 };
const CHLOROPHYLL_STAYS = { remains: 0.7, days: 10 };
/** Time constant of browning in days; the heat of gel speeds it. */
const BROWNING_DAYS = { ungelled: 8, gelled: 4 };
/** A stabiliser makes it this much slower, and leaves this share of it for good. */
const STABILISED = { slower: 4, cap: 0.3 };
/** Sugars of an all-milk liquid, as brown on the 0–10 scale: without gel, and what the heat of gel adds. */
const MILK_BROWN = { ungelled: 1, heat: 2 };

/** Share of a scent's browning that has come by a stage, 0–1. @param pace factor on the time that it takes */
export function browned({ hours, gel, skin = false }: Stage, stabilised: number, pace = 1): number {
  const tau = pace * (BROWNING_DAYS.ungelled + (BROWNING_DAYS.gelled - BROWNING_DAYS.ungelled) * gel);
  const days = (hours / HOURS_PER_DAY / tau) * (skin ? SKIN_BROWNS : 1);
  const plain = 1 - Math.exp(-days);
  return plain + stabilised * (STABILISED.cap * (1 - Math.exp(-days / STABILISED.slower)) - plain);
}

const vanillinAmount = ({ vanillin }: ScentBrowning): number => (vanillin / VANILLIN_UNIT) ** VANILLIN_POWER;

/** What a scent absorbs when all of it has browned: by its vanillin, and by anything else (36 bands each). */
export const fullBrowning = (scent: ScentBrowning): readonly [vanillin: Spectrum, tan: Spectrum] => [
  vanillinUnit.map((v) => v * vanillinAmount(scent)),
  tanUnit.map((v) => v * scent.tan),
];

/** K of the uncoloured batter at a stage (36 bands). */
export function canvasAbsorption(canvas: Canvas, stage: Stage, out: Spectrum): Spectrum {
  const gel = gelReached(stage);
  const c = canvas.carotenoid * faded(stage.hours, CAROTENOID_STAYS.remains, CAROTENOID_STAYS.days);
  const h = canvas.chlorophyll * faded(stage.hours, CHLOROPHYLL_STAYS.remains, CHLOROPHYLL_STAYS.days);
  const { scent } = canvas;
  const { base } = canvas;
  const pace = base?.brownsPace;
  const vanillin = scent ? vanillinAmount(scent) * browned(stage, scent.stabilised, pace) : 0;
  const tan = scent ? scent.tan * browned(stage, 0, pace) : 0;
  const age =
    (aged(stage.hours) / aged(CURED_HOURS)) * (base ? Math.exp(base.young.absorbs * youth(stage.hours)) : 1);
  const ungelled = base?.kUngelled ?? plainUngelled;
  const gelled = base?.kGelled ?? plainGelled;
  const browns = base?.browns ?? 1;
  const brownness = canvas.brown + canvas.milk * (MILK_BROWN.ungelled + MILK_BROWN.heat * gel);
  for (let i = 0; i < BAND_COUNT; i++) {
    const plain = ungelled[i]! + (gelled[i]! - ungelled[i]!) * gel;
    out[i] =
      plain * age +
      c * carotenoidUnit[i]! +
      h * chlorophyllUnit[i]! +
      brownness * brownUnit[i]! +
      browns * (vanillin * vanillinUnit[i]! + tan * tanUnit[i]!);
  }
  return out;
}

/** S of the uncoloured batter at a stage (36 bands). */
export function canvasScatter({ base }: Canvas, stage: Stage, out: Spectrum): Spectrum {
  const reference = baseScatter(stage);
  if (!base) return out.fill(reference);
  const gel = gelReached(stage);
  const all = reference * Math.exp(base.young.scatters * youth(stage.hours));
  for (let b = 0; b < BAND_COUNT; b++) out[b] = all * (base.gelScatter[b]! / GELLED_SCATTER) ** gel;
  return out;
}

/** What is not of single bands in a canvas at a stage. */
export interface Surface {
  /** What the surface throws back inside (K2). */
  readonly inner: number;
  /** How a g/kg of powder lowers the scattering. */
  readonly load: number;
  /** Gloss that is seen. */
  readonly gloss: number;
}

export function surfaceOf({ base }: Canvas, stage: Stage): Surface {
  if (!base) return { inner: SURFACE_K2, load: 0, gloss: 0 };
  const [ungelled, gelled] = base.gloss;
  return {
    inner: base.inner,
    load: base.load,
    gloss: ungelled + (gelled - ungelled) * gelReached(stage),
  };
}
