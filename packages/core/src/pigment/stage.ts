/**
 * Where a pot is on its way from batter to bar: hours since its pour, how far it gelled, and whether it
 * cures in the dark. Everything in the model that depends on time hangs on the functions of this file.
 */
export interface Stage {
  /** Hours since the pour, ≥ 0. */
  readonly hours: number;
  /** 0 none, 1 full gel. */
  readonly gel: number;
  /** Kept in light, where some colours fade faster and to something else. Default false: cured in the dark. */
  readonly light?: boolean;
  /** The outside of the bar, which browns first. Default false: a cut face. */
  readonly skin?: boolean;
}

export const HOURS_PER_DAY = 24;
/** Unmoulding and cutting two days after the pour. */
export const CUT_HOURS = 48;
/** Browning needs air: the skin is this much faster than the inside. */
export const SKIN_BROWNS = 2;
/** Full cure, six weeks. */
export const CURED_HOURS = 42 * HOURS_PER_DAY;

/** A year after the pour. */
export const YEAR_HOURS = 365 * HOURS_PER_DAY;

/** The moment of the pour. `gel`: 0 none, 1 full. */
export const fresh = (gel = 0): Stage => ({ hours: 0, gel });
/** Two days after the pour. `gel`: 0 none, 1 full. */
export const atCut = (gel = 0): Stage => ({ hours: CUT_HOURS, gel });
/** Six weeks after the pour. `gel`: 0 none, 1 full. */
export const cured = (gel = 0): Stage => ({ hours: CURED_HOURS, gel });

/** Emulsion scatters more than the bar it becomes; the droplets go with this time constant (hours). */
const EMULSION_TAU = 8;
/** Gel shows within the first day: time constant of the gelled look (hours). */
const GEL_TAU = 6;

/** Scattering of the uncoloured base, 1 in an ungelled cured bar. */
export const FRESH_SCATTER = 1.25;
export const GELLED_SCATTER = 0.55;

/** How much of the gel's look has arrived, 0–1. */
export const gelReached = ({ hours, gel }: Stage): number => gel * (1 - Math.exp(-hours / GEL_TAU));

/** S of the base at a stage, wavelength-independent by the definition of the reference bar. */
export function baseScatter({ hours, gel }: Stage): number {
  const settled = 1 - (1 - GELLED_SCATTER) * gel;
  return settled + (FRESH_SCATTER - settled) * Math.exp(-hours / EMULSION_TAU);
}

/** Exponential relaxation: 1 at time 0, halved every `halfLife` hours. */
export const halved = (hours: number, halfLife: number): number => 2 ** (-hours / halfLife);

/** What is left of something that falls from 1 to `remains` with time constant τ (days). */
export const faded = (hours: number, remains: number, tauDays: number): number =>
  remains + (1 - remains) * Math.exp(-hours / HOURS_PER_DAY / tauDays);
