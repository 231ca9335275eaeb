import { type Material } from '../material/material.ts';
import { type Measuring } from '../units/measure.ts';
import { printCups, printSpoonSum } from '../units/print.ts';
import { grams } from '../units/quantity.ts';
import { cupsOf, nearestSpoonSum, type Spoon, volumeOfMass } from '../units/spoons.ts';

/** Nobody judges a scrub by less than an eighth of a teaspoon. */
const COARSE: readonly Spoon[] = ['tbsp', 'tsp', 'tsp-1/2', 'tsp-1/4', 'tsp-1/8'];

/**
 * How makers judge what is to be felt: about how many cups there are, and how many spoonfuls end up in a bar.
 * @param mass in the batch, g.
 * @param perBar in one bar, g; null without bars.
 * @returns the words, in that order; empty for what has no bulk density or is not felt.
 */
export function scrubMeasures(
  { scrub, bulkDensity }: Pick<Material, 'scrub' | 'bulkDensity'>,
  mass: number,
  perBar: number | null,
  { spoons }: Pick<Measuring, 'spoons'>,
): string[] {
  if (!scrub || bulkDensity === null || !(mass > 0)) return [];
  const cups = cupsOf(volumeOfMass(grams(mass), bulkDensity), spoons);
  const inBar =
    perBar === null ? null : nearestSpoonSum(volumeOfMass(grams(perBar), bulkDensity), COARSE, spoons);
  return [
    ...(cups > 0 ? [`about ${printCups(cups)}`] : []),
    ...(inBar && inBar.spoons.length > 0 ? [`${printSpoonSum(inBar)} in a bar`] : []),
  ];
}
