import { type DecimalMark, printFixed, printNumber, printSignificant } from './print.ts';
import {
  LENGTH_DIGITS,
  lengthInUnit,
  massDigits,
  massInUnit,
  metricUnits,
  temperatureInUnit,
  type Units,
  volumeInUnit,
  volumeUnitOf,
} from './view.ts';

/**
 * Figures as a maker reads them: the only way in which Kleur writes a number for people. All of one maker's texts
 * share the decimal mark and the units.
 */
export interface Printer {
  readonly units: Units;
  /**
   * A mass given in g, with its unit: below 1 kg in grams where kilograms are read, pounds with their ounces, large units
   * as fine as the maker's scale. `coarse` drops the last decimal where it says nothing.
   */
  mass(grams: number, coarse?: boolean): string;
  /** A mass given in g, as a number with the decimals that the maker's scale shows, without unit. */
  weighed(grams: number): string;
  /** Like `mass`, but less than 10 g in grams, as fine as the maker's scale shows, a tenth at least. */
  fine(grams: number): string;
  /** A mass that is weighed in grams in every unit, such as the powder and the liquid of a cup, with its unit. */
  grams(grams: number): string;
  /** A length given in mm, with its unit. */
  length(mm: number): string;
  /** A temperature given in °C, with its unit. */
  temperature(celsius: number): string;
  /** A volume given in ml, with its unit. */
  volume(ml: number): string;
  /** A price, with two decimals and the maker's currency. */
  money(amount: number): string;
  /** At most so many decimals, trailing zeros dropped. */
  number(value: number, digits: number): string;
  /** Exactly so many decimals, for columns whose figures line up. */
  fixed(value: number, digits: number): string;
  /** So many significant figures, for doses, which span three decades. */
  significant(value: number, digits: number): string;
  /** A number with a percent sign; one decimal unless told. */
  percent(value: number, digits?: number): string;
}

/** Below this a mass is read off a scale in grams, whatever unit large ones are read in. */
const FINE_GRAMS = 10;
const OUNCES_PER_POUND = 16;
const GRAMS_PER_KILO = 1000;

const SCALE_DIGITS: Readonly<Record<number, number>> = { 0.01: 2, 0.1: 1, 1: 0 };

/**
 * The printer for a maker.
 * @param scaleDivision of the maker's scale, g; one of `SCALE_DIVISIONS`.
 */
export function printerFor(units: Units, scaleDivision = 0.1): Printer {
  const mark: DecimalMark = units.decimalMark;
  const number = (v: number, d: number): string => printNumber(v, d, mark);
  const scaleDigits = SCALE_DIGITS[scaleDivision] ?? 1;
  const mass = (g: number, coarse = false): string => {
    const unit = units.mass === 'kg' && Math.abs(g) < GRAMS_PER_KILO ? 'g' : units.mass;
    const digits = massDigits(unit, scaleDivision) - (coarse ? 1 : 0);
    if (unit === 'lb') return poundsAndOunces(g, digits, mark);
    return `${printFixed(massInUnit(g, unit), digits, mark)} ${unit}`;
  };
  const inGrams = (g: number): string => {
    const digits = g >= FINE_GRAMS ? massDigits('g', scaleDivision) : g < 1 ? 2 : Math.max(1, scaleDigits);
    return `${printFixed(g, digits, mark)} g`;
  };
  return {
    units,
    mass,
    weighed: (g) => printFixed(g, scaleDigits, mark),
    fine: (g) => (g >= FINE_GRAMS ? mass(g) : inGrams(g)),
    grams: inGrams,
    length: (mm) => `${number(lengthInUnit(mm, units.length), LENGTH_DIGITS[units.length])} ${units.length}`,
    temperature: (c) => `${number(temperatureInUnit(c, units.temperature), 0)} °${units.temperature}`,
    volume: (ml) => {
      const unit = volumeUnitOf(units.mass);
      const value = volumeInUnit(ml, unit);
      const digits = unit === 'ml' ? (value < 100 ? 1 : 0) : value < 10 ? 2 : 1;
      return `${number(value, digits)} ${unit}`;
    },
    money: (v) => [printFixed(v, 2, mark), units.currency].join(' ').trim(),
    number,
    fixed: (v, d) => printFixed(v, d, mark),
    significant: (v, d) => printSignificant(v, d, mark),
    percent: (v, d = 1) => `${number(v, d)} %`,
  };
}

/** `2 lb 3.27 oz`; less than a pound in ounces alone. Rounded before it is split, so that 16 oz are a pound. */
function poundsAndOunces(g: number, digits: number, mark: DecimalMark): string {
  const ounces = Number(massInUnit(Math.abs(g), 'oz').toFixed(digits));
  const pounds = Math.floor(ounces / OUNCES_PER_POUND);
  const rest = `${printFixed(ounces - pounds * OUNCES_PER_POUND, digits, mark)} oz`;
  const sign = g < 0 && ounces > 0 ? '\u2212' : '';
  return pounds > 0 ? `${sign}${pounds} lb ${rest}` : `${sign}${rest}`;
}

/** Metric units and a decimal point: for texts that no maker has chosen units for. */
export const plainPrinter: Printer = printerFor(metricUnits);
