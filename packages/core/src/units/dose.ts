import {
  doseOfMass,
  type Grams,
  grams,
  GRAMS_PER_POUND,
  type GramsPerKg,
  gramsPerKg,
  massOfDose,
} from './quantity.ts';
import { massOfVolume, spoonVolume, type SpoonSystem, volumeOfMass } from './spoons.ts';

/** The habits in which a dose is typed and shown. The plan always holds g per kg oils. */
export const DOSE_UNITS = ['g-pot', 'g-per-kg', 'percent', 'tsp-per-lb', 'tsp-per-kg'] as const;
export type DoseUnit = (typeof DOSE_UNITS)[number];

export interface DoseContext {
  /** Oils of the pot, g. */
  readonly potOils: Grams;
  /** Loose bulk density in g/ml, null when unknown. */
  readonly bulkDensity: number | null;
  readonly spoons: SpoonSystem;
}

/** Why a dose cannot be said in a unit. */
export type DoseProblem = 'density-unknown' | 'pot-empty';

/** Whether a unit can be used here, and if not, why. */
export function doseUnitProblem(unit: DoseUnit, context: DoseContext): DoseProblem | null {
  if (unit === 'g-pot' && !(context.potOils > 0)) return 'pot-empty';
  const spoon = unit === 'tsp-per-lb' || unit === 'tsp-per-kg';
  if (spoon && !(context.bulkDensity !== null && context.bulkDensity > 0)) return 'density-unknown';
  return null;
}

const teaspoonMass = (context: DoseContext): number =>
  massOfVolume(spoonVolume('tsp', context.spoons), context.bulkDensity!);

/** A typed number in the maker's unit → g/kg oils. @throws RangeError when the unit cannot be used here. */
export function doseFromUnit(value: number, unit: DoseUnit, context: DoseContext): GramsPerKg {
  const problem = doseUnitProblem(unit, context);
  if (problem) throw new RangeError(problem);
  switch (unit) {
    case 'g-pot':
      return doseOfMass(grams(value), context.potOils);
    case 'g-per-kg':
      return gramsPerKg(value);
    case 'percent':
      return gramsPerKg(value * 10);
    case 'tsp-per-lb':
      return doseOfMass(grams(value * teaspoonMass(context)), grams(GRAMS_PER_POUND));
    case 'tsp-per-kg':
      return gramsPerKg(value * teaspoonMass(context));
  }
}

/** g/kg oils → the number in the maker's unit. @throws RangeError when the unit cannot be used here. */
export function doseInUnit(dose: GramsPerKg, unit: DoseUnit, context: DoseContext): number {
  const problem = doseUnitProblem(unit, context);
  if (problem) throw new RangeError(problem);
  switch (unit) {
    case 'g-pot':
      return massOfDose(dose, context.potOils);
    case 'g-per-kg':
      return dose;
    case 'percent':
      return dose / 10;
    case 'tsp-per-lb':
      return massOfDose(dose, grams(GRAMS_PER_POUND)) / teaspoonMass(context);
    case 'tsp-per-kg':
      return dose / teaspoonMass(context);
  }
}

/** Level teaspoons of a mass; null when the density is unknown. */
export const teaspoonsOf = (mass: Grams, bulkDensity: number | null, spoons: SpoonSystem): number | null =>
  bulkDensity !== null && bulkDensity > 0
    ? volumeOfMass(mass, bulkDensity) / spoonVolume('tsp', spoons)
    : null;
