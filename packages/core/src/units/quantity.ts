/** Branded numbers for what must not be mixed. A brand costs nothing at run time. */
declare const unit: unique symbol;
type Branded<U extends string> = number & { readonly [unit]: U };

/** Mass in grams. */
export type Grams = Branded<'g'>;
/** Dose in grams per kilogram of oils: the unit every dose is held in. */
export type GramsPerKg = Branded<'g/kg oils'>;
/** Volume in millilitres. */
export type Millilitres = Branded<'ml'>;

/** Marks a number as a mass in g. */
export const grams = (value: number): Grams => value as Grams;
/** Marks a number as a dose in g per kg oils. */
export const gramsPerKg = (value: number): GramsPerKg => value as GramsPerKg;
/** Marks a number as a volume in ml. */
export const millilitres = (value: number): Millilitres => value as Millilitres;

/** Avoirdupois pound, exact. */
export const GRAMS_PER_POUND = 453.59237;

/** Dose over an oil mass → mass of material. */
export const massOfDose = (dose: GramsPerKg, oils: Grams): Grams => grams((dose * oils) / 1000);

/** Mass of material in an oil mass → dose. @throws RangeError for no oils. */
export function doseOfMass(mass: Grams, oils: Grams): GramsPerKg {
  if (!(oils > 0)) throw new RangeError('A dose needs some oils to refer to');
  return gramsPerKg((mass * 1000) / oils);
}
