import { type Grams, grams, type Millilitres, millilitres } from './quantity.ts';

/** Which teaspoon the maker's set is. */
export const SPOON_SYSTEMS = ['us', 'metric', 'australian'] as const;
export type SpoonSystem = (typeof SPOON_SYSTEMS)[number];

/** Teaspoon and tablespoon in ml: US customary, metric, Australian (20 ml tablespoon). */
export const spoonVolumes: Readonly<Record<SpoonSystem, { teaspoon: number; tablespoon: number }>> = {
  us: { teaspoon: 4.92892159375, tablespoon: 14.78676478125 },
  metric: { teaspoon: 5, tablespoon: 15 },
  australian: { teaspoon: 5, tablespoon: 20 },
};

/** Spoons a set may hold: a name and its size in teaspoons, or in tablespoons. */
export const SPOONS = [
  'tbsp',
  'tsp',
  'tsp-1/2',
  'tsp-1/4',
  'tsp-1/8',
  'tsp-1/16',
  'tsp-1/32',
  'tsp-1/64',
] as const;
export type Spoon = (typeof SPOONS)[number];

/** Volume of a level spoon. */
export function spoonVolume(spoon: Spoon, system: SpoonSystem): Millilitres {
  const { teaspoon, tablespoon } = spoonVolumes[system];
  if (spoon === 'tbsp') return millilitres(tablespoon);
  const [, over] = spoon.split('/');
  return millilitres(teaspoon / (over ? Number(over) : 1));
}

/** Level spoon mass of a powder from its loose bulk density in g/ml. */
export const massOfVolume = (volume: Millilitres, bulkDensity: number): Grams => grams(volume * bulkDensity);
/** Volume of a powder from its mass and its bulk density, g/ml > 0. */
export const volumeOfMass = (mass: Grams, bulkDensity: number): Millilitres =>
  millilitres(mass / bulkDensity);

/** How full a spoon is taken: struck off, with a mound as high as the bowl is deep, or as much as it carries. */
export const SPOON_FILLS = ['level', 'rounded', 'heaped'] as const;
export type SpoonFill = (typeof SPOON_FILLS)[number];
/** What a rounded or heaped spoon holds, in level ones; every hand differs. */
export const FILL_RANGE = { min: 1, max: 4 } as const;

export interface SpoonSum {
  /** Largest spoon first; counts ≥ 1. */
  readonly spoons: readonly { readonly spoon: Spoon; readonly count: number }[];
  readonly volume: Millilitres;
  readonly filled: SpoonFill;
}

/** More spoonfuls than this and a scale is the better tool: the last spoon is the nearest that is left. */
const MAX_SPOONFULS = 12;

/**
 * The nearest volume that a sum of the owned level spoons gives, fewest spoonfuls first among equals.
 * Rounds to the nearest reachable sum; returns an empty sum when less than half the smallest spoon is asked for.
 * @throws RangeError when no spoon is owned or the volume is not a finite number ≥ 0.
 */
export function nearestSpoonSum(target: Millilitres, owned: readonly Spoon[], system: SpoonSystem): SpoonSum {
  if (owned.length === 0) throw new RangeError('No spoons owned');
  if (!Number.isFinite(target) || target < 0) throw new RangeError('A volume is a number of ml from 0 up');
  const set = SPOONS.filter((s) => owned.includes(s)).map((spoon) => ({
    spoon,
    ml: spoonVolume(spoon, system),
  }));
  const counts = new Map<Spoon, number>();
  let left: number = target;
  let used = 0;
  // Every standard spoon is a whole multiple of the next smaller one of the same set, so taking the largest
  // that fits reaches the nearest sum below with the fewest spoonfuls; one last spoon may round up.
  for (const { spoon, ml } of set) {
    const n = Math.min(
      Math.floor(left / ml + 1e-9),
      spoon === set[0]!.spoon ? Infinity : MAX_SPOONFULS - used,
    );
    if (n > 0) {
      counts.set(spoon, n);
      used += n;
      left -= n * ml;
    }
  }
  const smallest = set[set.length - 1]!;
  if (left >= smallest.ml / 2) {
    const add = set.findLast(({ ml }) => Math.abs(left - ml) <= Math.abs(left)) ?? smallest;
    counts.set(add.spoon, (counts.get(add.spoon) ?? 0) + 1);
  }
  const spoons = carryUp(set, counts);
  const volume = spoons.reduce((v, { spoon, count }) => v + count * spoonVolume(spoon, system), 0);
  return { spoons, volume: millilitres(volume), filled: 'level' };
}

/** Two of a spoon that make the next larger one become that one. */
function carryUp(
  set: readonly { spoon: Spoon; ml: number }[],
  counts: ReadonlyMap<Spoon, number>,
): { spoon: Spoon; count: number }[] {
  const n = set.map(({ spoon }) => counts.get(spoon) ?? 0);
  for (let i = set.length - 1; i > 0; i--) {
    const ratio = Math.round(set[i - 1]!.ml / set[i]!.ml);
    const whole = Math.abs(set[i - 1]!.ml / set[i]!.ml - ratio) < 1e-9;
    if (whole && n[i]! >= ratio) {
      n[i - 1] = n[i - 1]! + Math.floor(n[i]! / ratio);
      n[i] = n[i]! % ratio;
    }
  }
  return set.map(({ spoon }, i) => ({ spoon, count: n[i]! })).filter(({ count }) => count > 0);
}
