import { type DecimalMark } from './print.ts';
import { GRAMS_PER_POUND } from './quantity.ts';

export const MASS_UNITS = ['g', 'kg', 'oz', 'lb'] as const;
export type MassUnit = (typeof MASS_UNITS)[number];
export const LENGTH_UNITS = ['mm', 'in'] as const;
export type LengthUnit = (typeof LENGTH_UNITS)[number];
export const TEMPERATURE_UNITS = ['C', 'F'] as const;
export type TemperatureUnit = (typeof TEMPERATURE_UNITS)[number];

/** In which units a maker reads. What is stored never changes with them. */
export interface Units {
  readonly mass: MassUnit;
  readonly length: LengthUnit;
  readonly temperature: TemperatureUnit;
  readonly decimalMark: DecimalMark;
  /** Sign or letters of the maker's currency, at most `CURRENCY_LETTERS`; empty for prices without one. */
  readonly currency: string;
}
export const CURRENCY_LETTERS = 5;

export const metricUnits: Units = {
  mass: 'g',
  length: 'mm',
  temperature: 'C',
  decimalMark: 'point',
  currency: '',
};

const GRAMS_IN: Readonly<Record<MassUnit, number>> = {
  g: 1,
  kg: 1000,
  oz: GRAMS_PER_POUND / 16,
  lb: GRAMS_PER_POUND,
};
/** A US fluid ounce in ml. */
const ML_PER_FLUID_OUNCE = 29.5735295625;
export const VOLUME_UNITS = ['ml', 'fl oz'] as const;
export type VolumeUnit = (typeof VOLUME_UNITS)[number];
/** Who weighs in ounces reads volumes in fluid ounces. */
export const volumeUnitOf = (mass: MassUnit): VolumeUnit => (mass === 'oz' || mass === 'lb' ? 'fl oz' : 'ml');
const ML_IN: Readonly<Record<VolumeUnit, number>> = { ml: 1, 'fl oz': ML_PER_FLUID_OUNCE };

const MM_IN: Readonly<Record<LengthUnit, number>> = { mm: 1, in: 25.4 };

/** A mass in g as a number of the unit. */
export const massInUnit = (grams: number, unit: MassUnit): number => grams / GRAMS_IN[unit];
/** The mass in g of a number of the unit. */
export const massFromUnit = (value: number, unit: MassUnit): number => value * GRAMS_IN[unit];
/** A volume in ml as a number of the unit. */
export const volumeInUnit = (ml: number, unit: VolumeUnit): number => ml / ML_IN[unit];
/** The volume in ml of a number of the unit. */
export const volumeFromUnit = (value: number, unit: VolumeUnit): number => value * ML_IN[unit];
/** A length in mm as a number of the unit. */
export const lengthInUnit = (mm: number, unit: LengthUnit): number => mm / MM_IN[unit];
/** The length in mm of a number of the unit. */
export const lengthFromUnit = (value: number, unit: LengthUnit): number => value * MM_IN[unit];
/** A temperature in °C as a number of the unit. */
export const temperatureInUnit = (celsius: number, unit: TemperatureUnit): number =>
  unit === 'C' ? celsius : celsius * 1.8 + 32;
/** The temperature in °C of a number of the unit. */
export const temperatureFromUnit = (value: number, unit: TemperatureUnit): number =>
  unit === 'C' ? value : (value - 32) / 1.8;

/**
 * Decimals of a mass in a unit: a tenth in grams; of a large unit the fewest whose step is at most what the scale shows,
 * in g. Pounds are told with their ounces, which these decimals are of.
 */
export function massDigits(unit: MassUnit, scaleDivision: number): number {
  if (unit === 'g') return 1;
  const step = GRAMS_IN[unit === 'lb' ? 'oz' : unit];
  return Math.max(0, Math.ceil(Math.log10(step / scaleDivision) - 1e-9));
}

/** Decimals that show about a tenth of a mm or of a fluid ounce. */
export const VOLUME_DIGITS: Readonly<Record<VolumeUnit, number>> = { ml: 0, 'fl oz': 1 };
export const LENGTH_DIGITS: Readonly<Record<LengthUnit, number>> = { mm: 1, in: 2 };
