import { type DecimalMark, printFixed, printNumber, printSignificant } from './print.ts';
import {
  LENGTH_DIGITS,
  lengthInUnit,
  MASS_DIGITS,
  massInUnit,
  metricUnits,
  temperatureInUnit,
  type Units,
} from './view.ts';

/**
 * Figures as a maker reads them: the only way in which Kleur writes a number for people. All of one maker's texts
 * share the decimal mark and the units.
 */
export interface Printer {
  readonly units: Units;
  /** A mass given in g, with its unit; `coarse` drops the last decimal where it says nothing. */
  mass(grams: number, coarse?: boolean): string;
  /** A mass given in g, as a number with the decimals that the maker's scale shows, without unit. */
  weighed(grams: number): string;
  /** A length given in mm, with its unit. */
  length(mm: number): string;
  /** A temperature given in °C, with its unit. */
  temperature(celsius: number): string;
  /** A volume given in ml, with its unit. */
  volume(ml: number): string;
  /** At most so many decimals, trailing zeros dropped. */
  number(value: number, digits: number): string;
  /** Exactly so many decimals, for columns whose figures line up. */
  fixed(value: number, digits: number): string;
  /** So many significant figures, for doses, which span three decades. */
  significant(value: number, digits: number): string;
  /** A number with a percent sign; one decimal unless told. */
  percent(value: number, digits?: number): string;
}

const SCALE_DIGITS: Readonly<Record<number, number>> = { 0.01: 2, 0.1: 1, 1: 0 };

/**
 * The printer for a maker.
 * @param scaleDivision of the maker's scale, g; one of `SCALE_DIVISIONS`.
 */
export function printerFor(units: Units, scaleDivision = 0.1): Printer {
  const mark: DecimalMark = units.decimalMark;
  const number = (v: number, d: number): string => printNumber(v, d, mark);
  return {
    units,
    mass: (g, coarse = false) => {
      const digits = MASS_DIGITS[units.mass] - (coarse ? 1 : 0);
      return `${printFixed(massInUnit(g, units.mass), digits, mark)} ${units.mass}`;
    },
    weighed: (g) => printFixed(g, SCALE_DIGITS[scaleDivision] ?? 1, mark),
    length: (mm) => `${number(lengthInUnit(mm, units.length), LENGTH_DIGITS[units.length])} ${units.length}`,
    temperature: (c) => `${number(temperatureInUnit(c, units.temperature), 0)} °${units.temperature}`,
    volume: (ml) => `${number(ml, ml < 100 ? 1 : 0)} ml`,
    number,
    fixed: (v, d) => printFixed(v, d, mark),
    significant: (v, d) => printSignificant(v, d, mark),
    percent: (v, d = 1) => `${number(v, d)} %`,
  };
}

/** Metric units and a decimal point: for texts that no maker has chosen units for. */
export const plainPrinter: Printer = printerFor(metricUnits);
