/** From a wanted colour to recipes. */
export {
  adjustColour,
  type Adjusted,
  type Direction,
  DIRECTIONS,
  enoughOf,
  type Keeping,
  keepingOwn,
  moveColour,
} from './adjust.ts';
export {
  anything,
  type Candidate,
  candidatesOf,
  givenFrom,
  type MatchFilter,
  ownsColour,
} from './candidates.ts';
export { type Ladder, LADDER_POTS, type LadderProblem, type Ladders, solveLadders } from './ladder.ts';
export { matchColour } from './match.ts';
export {
  GOOD_MATCH,
  type MatchProblem,
  type MatchResult,
  type Recipe,
  RECIPE_VIRTUES,
  type RecipePart,
  type RecipeVirtue,
  POT_LIMITS,
} from './problem.ts';
export { type Resolution } from './rounding.ts';
