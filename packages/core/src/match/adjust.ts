import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65 } from '../colour/lab.ts';
import { matchColour } from './match.ts';
import { GOOD_MATCH, type MatchProblem, type MatchResult } from './problem.ts';

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

export interface Adjusted {
  readonly target: LabD65;
  readonly result: MatchResult;
  /** True when the pot's own colourants were enough. */
  readonly kept: boolean;
}

/**
 * Moves a pot's colour and solves again: with its own colourants when they can do it, else with the whole of
 * what is allowed. `problem.target` is the colour it has now; `own` are the ids in the pot.
 */
export function adjustColour(
  problem: MatchProblem,
  own: readonly string[],
  direction: Direction,
  size: number,
): Adjusted {
  const target = moveColour(problem.target, direction, size);
  const mine = problem.candidates.filter((c) => own.includes(c.id));
  if (mine.length > 0) {
    const result = matchColour({
      ...problem,
      target,
      candidates: mine,
      most: Math.max(problem.most, mine.length),
    });
    const closest = result.recipes[0];
    // Nearer than half the way counts: the rest is what these colourants cannot do.
    if (closest && closest.deltaE <= Math.max(GOOD_MATCH, deltaE00(problem.target, target) / 3)) {
      return { target, result, kept: true };
    }
  }
  return { target, result: matchColour({ ...problem, target }), kept: false };
}
