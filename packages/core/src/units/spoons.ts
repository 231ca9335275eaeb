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

/** A measuring cup in ml. */
const CUPS: Readonly<Record<SpoonSystem, number>> = { us: 236.5882365, metric: 250, australian: 250 };

/** The nearest quarter of a cup; 0 below an eighth. */
export const cupsOf = (volume: Millilitres, system: SpoonSystem): number =>
  Math.round((4 * volume) / CUPS[system]) / 4;

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

/** Spoonfuls beside the largest spoon that anyone counts without a mistake. */
const MOST_SPOONFULS = 3;

/** As few as this do, where they come this near to the amount: no hand fills a spoon more exactly. */
const FEW_SPOONFULS = 2;
const GOOD_ENOUGH = 0.05;

/**
 * The volume that at most two level spoonfuls of what is owned give within a twentieth, else the nearest of at most
 * three, fewest first among equals; of what is more than three of the largest spoon, the rest after whole ones. An empty sum when nothing is nearer.
 * @throws RangeError when no spoon is owned or the volume is not a finite number ≥ 0.
 */
export function nearestSpoonSum(target: Millilitres, owned: readonly Spoon[], system: SpoonSystem): SpoonSum {
  if (owned.length === 0) throw new RangeError('No spoons owned');
  if (!Number.isFinite(target) || target < 0) throw new RangeError('A volume is a number of ml from 0 up');
  const set = SPOONS.filter((s) => owned.includes(s)).map((spoon) => ({
    spoon,
    ml: spoonVolume(spoon, system),
  }));
  const largest = set[0]!;
  const whole = Math.max(0, Math.floor(target / largest.ml + 1e-9) - (MOST_SPOONFULS - 1));
  const left = target - whole * largest.ml;
  const few = bestSum(set, left, FEW_SPOONFULS);
  const rest = few.miss <= GOOD_ENOUGH * target ? few.spoons : bestSum(set, left, MOST_SPOONFULS).spoons;
  const counts = new Map<Spoon, number>(whole > 0 ? [[largest.spoon, whole]] : []);
  for (const spoon of rest) counts.set(spoon, (counts.get(spoon) ?? 0) + 1);
  const spoons = set.flatMap(({ spoon }) => {
    const count = counts.get(spoon) ?? 0;
    return count > 0 ? [{ spoon, count }] : [];
  });
  const volume = spoons.reduce((v, { spoon, count }) => v + count * spoonVolume(spoon, system), 0);
  return { spoons, volume: millilitres(volume), filled: 'level' };
}

/** Up to so many spoonfuls that come nearest, as few as do, and by how many ml they miss. */
function bestSum(
  set: readonly { readonly spoon: Spoon; readonly ml: number }[],
  target: number,
  most: number,
): { readonly spoons: Spoon[]; readonly miss: number } {
  let best: Spoon[] = [];
  let off = target;
  const look = (from: number, taken: Spoon[], sum: number): void => {
    const miss = Math.abs(target - sum);
    if (miss < off - 1e-9 || (miss < off + 1e-9 && taken.length < best.length)) {
      best = taken;
      off = miss;
    }
    if (taken.length === most) return;
    for (let i = from; i < set.length; i++) look(i, [...taken, set[i]!.spoon], sum + set[i]!.ml);
  };
  look(0, [], 0);
  return { spoons: best, miss: off };
}
