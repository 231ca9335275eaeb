/** Quantities, units of the maker, spoons, measuring, parsing and printing. */
export { addDays, dayNumber, dayText, weekday } from './day.ts';
export {
  DOSE_UNITS,
  type DoseContext,
  doseFromUnit,
  doseInUnit,
  type DoseProblem,
  type DoseUnit,
  doseUnitProblem,
  teaspoonsOf,
} from './dose.ts';
export {
  levelSpoons,
  measure,
  type Measured,
  type Measuring,
  roundToDivision,
  SCALE_DIVISIONS,
} from './measure.ts';
export {
  type NumberProblem,
  type NumberRange,
  type ParsedNumber,
  inRange,
  parseNumber,
  poundsOf,
} from './parseNumber.ts';
export { type DecimalMark, printCups, printSpoonSum, spoonName } from './print.ts';
export { grams, type Grams, gramsPerKg, type GramsPerKg, massOfDose, type Millilitres } from './quantity.ts';
export {
  cupsOf,
  FILL_RANGE,
  type Spoon,
  SPOON_FILLS,
  SPOON_SYSTEMS,
  type SpoonFill,
  SPOONS,
  type SpoonSum,
  type SpoonSystem,
} from './spoons.ts';
export { plainPrinter, type Printer, printerFor } from './printer.ts';
export {
  CURRENCY_LETTERS,
  LENGTH_DIGITS,
  LENGTH_UNITS,
  lengthFromUnit,
  lengthInUnit,
  type LengthUnit,
  massDigits,
  MASS_UNITS,
  massFromUnit,
  massInUnit,
  type MassUnit,
  metricUnits,
  TEMPERATURE_UNITS,
  temperatureFromUnit,
  temperatureInUnit,
  type TemperatureUnit,
  type Units,
  VOLUME_DIGITS,
  volumeFromUnit,
  volumeInUnit,
  volumeUnitOf,
} from './view.ts';
export { isTimeZone, type WallClock, wallClock } from './zone.ts';
