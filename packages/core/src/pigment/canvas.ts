import { BAND_COUNT, type Spectrum } from '../colour/bands.ts';
import { absorptionShape, band, brown, flat } from './features.ts';
import { faded, gelReached, HOURS_PER_DAY, type Stage } from './stage.ts';

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
}

export interface ScentBrowning {
  /** Vanillin, with ethyl vanillin counted at 1.5 times its share, in g per kg oils of the pot. */
  readonly vanillin: number;
  /** Browning from anything else, as its equal in g vanillin per kg oils. */
  readonly tan: number;
  /** How much of the stabiliser called for was given, 0–1. */
  readonly stabilised: number;
}

export const referenceCanvas: Canvas = { carotenoid: 0, chlorophyll: 0, brown: 0, milk: 0, scent: null };

// Fitted so that the reference base reads Lab D65 (91, −0.5, 7) ungelled and (86, −0.5, 10) gelled, cured.
// Gelled soap absorbs more than its lower scattering alone explains: light travels further between crystals.
const plainUngelled = absorptionShape([brown(65.4, 0.03123), flat(0.00245)]);
const plainGelled = absorptionShape([brown(66.6, 0.04854), flat(0.00437)]);

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
const vanillinUnit = absorptionShape([brown(80, 0.3), band(505, 45, 0.015), flat(0.005)]);

/** Part of the oil tints bleaches in cure: share that stays, time constant in days. */
const CAROTENOID_STAYS = { remains: 0.85, days: 14 };
const CHLOROPHYLL_STAYS = { remains: 0.7, days: 10 };
/** Time constant of vanillin browning in days. */
const BROWNING_DAYS = 6;
/** A stabiliser makes it this much slower, and lets this share of it come. */
const STABILISED = { slower: 4, cap: 0.7 };
/** Sugars of an all-milk liquid, as brown on the 0–10 scale: without gel, and what the heat of gel adds. */
const MILK_BROWN = { ungelled: 1, heat: 2 };

/** Share of a scent's browning that has come by an hour, 0–1. */
function browned(hours: number, stabilised: number): number {
  const days = hours / HOURS_PER_DAY / BROWNING_DAYS;
  const plain = 1 - Math.exp(-days);
  return plain + stabilised * (STABILISED.cap * (1 - Math.exp(-days / STABILISED.slower)) - plain);
}

/** K of the uncoloured batter at a stage (36 bands). */
export function canvasAbsorption(canvas: Canvas, stage: Stage, out: Spectrum): Spectrum {
  const gel = gelReached(stage);
  const c = canvas.carotenoid * faded(stage.hours, CAROTENOID_STAYS.remains, CAROTENOID_STAYS.days);
  const h = canvas.chlorophyll * faded(stage.hours, CHLOROPHYLL_STAYS.remains, CHLOROPHYLL_STAYS.days);
  const { scent } = canvas;
  const v = scent ? (scent.vanillin + scent.tan) * browned(stage.hours, scent.stabilised) : 0;
  const brownness = canvas.brown + canvas.milk * (MILK_BROWN.ungelled + MILK_BROWN.heat * gel);
  for (let i = 0; i < BAND_COUNT; i++) {
    const plain = plainUngelled[i]! + (plainGelled[i]! - plainUngelled[i]!) * gel;
    out[i] =
      plain +
      c * carotenoidUnit[i]! +
      h * chlorophyllUnit[i]! +
      brownness * brownUnit[i]! +
      v * vanillinUnit[i]!;
  }
  return out;
}
