import { type Measured, printSpoonSum } from '@kleur/core/units';
import { type PrepRow } from '@kleur/core/work';
import { type Printer } from '@kleur/core/units';

/** A powder as it is measured: spoons, or grams by the scale. */
export const measuredText = (measured: Measured, print: Printer): string =>
  measured.spoonSum
    ? `${printSpoonSum(measured.spoonSum)} (${print.number(measured.mass, 2)} g)`
    : `${print.weighed(measured.mass)} g`;

/** What a pot gets of a powder: from a bottle, of a dispersion that is made once, or measured for itself. */
export function amountText({ drops, ofShared, measured }: PrepRow, print: Printer): string {
  if (drops !== null) return `${print.number(drops, 0)} drops (${print.number(measured.mass, 3)} g)`;
  if (ofShared !== null) return `${print.fixed(ofShared, 1)} g of it made up`;
  return measuredText(measured, print);
}

/** Liquid that a powder is wetted in for its pot alone, g; null where there is none to weigh. */
export const ownLiquid = ({ drops, ofShared, carrierMass }: PrepRow): number | null =>
  drops === null && ofShared === null && carrierMass > 0 ? carrierMass : null;
