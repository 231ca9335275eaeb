import { type Grams, grams, millilitres } from './quantity.ts';
import {
  massOfVolume,
  nearestSpoonSum,
  type Spoon,
  type SpoonFill,
  type SpoonSum,
  spoonVolume,
  type SpoonSystem,
  volumeOfMass,
} from './spoons.ts';

/** How the maker measures powders. */
export interface Measuring {
  readonly by: 'scale' | 'spoons';
  /** Smallest division of the scale in g: 0.01, 0.1 or 1. */
  readonly scaleDivision: number;
  readonly spoons: SpoonSystem;
  readonly ownedSpoons: readonly Spoon[];
  readonly filled: SpoonFill;
  /** What this maker's rounded and heaped spoons hold, in level ones. */
  readonly rounded: number;
  readonly heaped: number;
}

/** As most spoons turn out, level; a rounded one holds half as much again, a heaped one twice as much. */
export const levelSpoons = { filled: 'level', rounded: 1.5, heaped: 2 } as const;

const fillOf = (how: Measuring): number => (how.filled === 'level' ? 1 : how[how.filled]);

export const SCALE_DIVISIONS = [0.01, 0.1, 1] as const;

export interface Measured {
  readonly mass: Grams;
  /** The spoons to fill, when measured by spoons. */
  readonly spoonSum: SpoonSum | null;
  /** Measured over wanted, minus 1; 0 when nothing is wanted. */
  readonly relativeError: number;
  /** Under two divisions of the scale, or less than the smallest spoon. */
  readonly tooSmall: boolean;
}

/** Rounds to the nearest division of a scale, half up. */
export const roundToDivision = (mass: Grams, division: number): Grams =>
  // Through the reciprocal, so that 0.1 g steps print as 0.3 and not as 0.30000000000000004.
  grams(Math.round(mass / division + 1e-9) / Math.round(1 / division));

/** The nearest amount that the maker can measure. Spoons need a bulk density; without one the scale is used. */
export function measure(wanted: Grams, bulkDensity: number | null, how: Measuring): Measured {
  const error = (mass: number): number => (wanted > 0 ? mass / wanted - 1 : 0);
  if (usesSpoons(bulkDensity, how)) {
    const level = millilitres(volumeOfMass(wanted, bulkDensity) / fillOf(how));
    const sum = nearestSpoonSum(level, how.ownedSpoons, how.spoons);
    const spoonSum = { ...sum, volume: millilitres(sum.volume * fillOf(how)), filled: how.filled };
    const mass = massOfVolume(spoonSum.volume, bulkDensity);
    return {
      mass,
      spoonSum,
      relativeError: error(mass),
      tooSmall: wanted > 0 && spoonSum.spoons.length === 0,
    };
  }
  const mass = roundToDivision(wanted, how.scaleDivision);
  const tooSmall = wanted > 0 && wanted < 2 * how.scaleDivision - 1e-9;
  return { mass, spoonSum: null, relativeError: error(mass), tooSmall };
}

/**
 * The measurable amounts around a wanted one: none, the nearest, and its neighbours on either side, ascending.
 * What is too small to measure well is left out.
 */
export function measurableNear(wanted: Grams, bulkDensity: number | null, how: Measuring): Grams[] {
  const least = leastMeasurable(bulkDensity, how);
  const smallest = usesSpoons(bulkDensity, how) ? least : grams(how.scaleDivision);
  const found = new Set<number>([0]);
  for (const step of [-1, 0, 1]) {
    const { mass } = measure(grams(Math.max(0, wanted + step * smallest)), bulkDensity, how);
    if (mass >= least - 1e-9) found.add(mass);
  }
  // A trace may be wanted of something strong: offer the least that can be measured.
  if (wanted > 0 && wanted < least) found.add(measure(grams(least), bulkDensity, how).mass);
  return [...found].sort((a, b) => a - b).map(grams);
}

const usesSpoons = (bulkDensity: number | null, how: Measuring): bulkDensity is number =>
  how.by === 'spoons' && bulkDensity !== null && how.ownedSpoons.length > 0;

/** The least amount that can be measured well: the smallest spoon, or two divisions of a scale, below which it guesses. */
export const leastMeasurable = (bulkDensity: number | null, how: Measuring): Grams =>
  usesSpoons(bulkDensity, how) ? massOfVolume(smallestSpoon(how), bulkDensity) : grams(2 * how.scaleDivision);

const smallestSpoon = (how: Measuring) =>
  millilitres(Math.min(...how.ownedSpoons.map((s) => spoonVolume(s, how.spoons))) * fillOf(how));
