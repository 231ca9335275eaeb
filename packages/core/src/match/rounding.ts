import { measurableNear, type Measuring } from '../units/measure.ts';
import { type Grams, grams } from '../units/quantity.ts';
import { type Candidate } from './candidates.ts';

/** What the doses of a recipe are rounded to: the maker's tools, for a pot of so many grams of oils. */
export interface Resolution {
  readonly potOils: Grams;
  readonly measuring: Measuring;
}

/** The doses in g/kg nearest to a wanted one that can be measured: below, above, and none. Ascending. */
export function measurableDoses(
  wanted: number,
  { ceiling, bulkDensity }: Candidate,
  { potOils, measuring }: Resolution,
): number[] {
  const perGram = 1000 / potOils;
  const masses = measurableNear(grams(wanted / perGram), bulkDensity, measuring);
  return masses.map((m) => m * perGram).filter((d) => d <= ceiling + 1e-9);
}

/** Every combination of one choice from each list. */
export function* combinations<T>(lists: readonly (readonly T[])[]): Generator<T[]> {
  if (lists.length === 0) {
    yield [];
    return;
  }
  const [first, ...rest] = lists;
  for (const tail of combinations(rest)) for (const head of first!) yield [head, ...tail];
}
