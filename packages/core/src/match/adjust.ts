import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65 } from '../colour/lab.ts';
import { matchColour } from './match.ts';
import { GOOD_MATCH, type MatchProblem, type MatchResult, type Recipe } from './problem.ts';
import { MOST_PARTS } from './solver.ts';

export const DIRECTIONS = ['lighter', 'darker', 'warmer', 'cooler', 'softer', 'brighter'] as const;
export type Direction = (typeof DIRECTIONS)[number];

/** Angle in a*b* that people call warm: orange. */
const WARM = (60 * Math.PI) / 180;

/** The colour a step of `size` (Lab units, about ΔE) in a direction. Stays within L* 0–100 and chroma ≥ 0. */
export function moveColour([L, a, b]: LabD65, direction: Direction, size: number): LabD65 {
  const light = (by: number): LabD65 => [Math.min(100, Math.max(0, L + by)), a, b];
  const warm = (by: number): LabD65 => [L, a + by * Math.cos(WARM), b + by * Math.sin(WARM)];
  const pure = (by: number): LabD65 => {
    const C = Math.hypot(a, b);
    if (C < 1e-6) return [L, a, b];
    const f = Math.max(0, C + by) / C;
    return [L, a * f, b * f];
  };
  switch (direction) {
    case 'lighter':
      return light(size);
    case 'darker':
      return light(-size);
    case 'warmer':
      return warm(size);
    case 'cooler':
      return warm(-size);
    case 'softer':
      return pure(-size);
    case 'brighter':
      return pure(size);
  }
}

/** Two thirds of a way of so many ΔE00 must be gone: the rest is what a pot's own colourants cannot do. */
export const enoughOf = (way: number): number => Math.max(GOOD_MATCH, way / 3);

/** A pot solved again with as much as can be of what it holds. */
export interface Keeping {
  readonly result: MatchResult;
  /** True when the pot's own colourants, with whiteners, were enough. */
  readonly kept: boolean;
  /** Ids in the first recipe that are not in the pot yet. */
  readonly joined: readonly string[];
}

export interface Adjusted extends Keeping {
  readonly target: LabD65;
}

/**
 * Moves a pot's colour and solves again: with its own colourants when they can do it, then with a whitener beside them,
 * then with one more that joins them, else with the whole of what is allowed. `problem.target` is the colour it has now;
 * `own` are the ids in the pot. What is given stays, so that a pot that may only be added to is only added to.
 */
export function adjustColour(
  problem: MatchProblem,
  own: readonly string[],
  direction: Direction,
  size: number,
): Adjusted {
  const target = moveColour(problem.target, direction, size);
  return { target, ...keepingOwn({ ...problem, target }, own, enoughOf(deltaE00(problem.target, target))) };
}

/**
 * Solves for the target with as much as can be of what is in the pot.
 * @param enough ΔE00 to the target with which its own colourants are good enough.
 */
export function keepingOwn(problem: MatchProblem, own: readonly string[], enough: number): Keeping {
  const { candidates } = problem;
  const mine = candidates.filter((c) => own.includes(c.id));
  const most = Math.max(problem.most, mine.length);
  const held = mine.map((c) => c.id);
  // What is in the pot and stays need not be added to.
  const must = problem.given?.some((g) => own.includes(g.id)) ? [] : held;
  const ways: readonly MatchProblem[] = [
    { ...problem, candidates: mine, most },
    { ...problem, candidates: candidates.filter((c) => own.includes(c.id) || c.whitener), most },
    { ...problem, most: Math.min(MOST_PARTS, held.length + 1), must },
  ];
  for (const [n, trial] of ways.entries()) {
    if (mine.length === 0 || trial.candidates.length === 0) continue;
    const result = matchColour(trial);
    const [first] = result.recipes;
    if (first && first.deltaE <= enough) return { result, kept: n < 2, joined: joinedIn(first, own) };
  }
  const result = matchColour(problem);
  return { result, kept: false, joined: result.recipes[0] ? joinedIn(result.recipes[0], own) : [] };
}

const joinedIn = (recipe: Recipe, own: readonly string[]): string[] =>
  recipe.parts.map((p) => p.id).filter((id) => !own.includes(id));
