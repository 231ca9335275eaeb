import { type Candidate } from './candidates.ts';
import { chooseRecipes } from './choose.ts';
import { finishRecipe } from './finish.ts';
import { createJudge, type Judge, type Judged } from './judge.ts';
import { createLimits, type Limits } from './limits.ts';
import { type MatchProblem, type MatchResult, ROUNDING_TOLD } from './problem.ts';
import { CANNOT_HOLD, explainMiss, NOTHING_ALLOWED } from './reasons.ts';
import { climbGrid, type MeasurableDoses, measurableDoses } from './rounding.ts';
import { searchSubsets, SEARCH_WIDTH } from './search.ts';
import { recipeDoubts } from './sureness.ts';
import { createSolver, MOST_PARTS, type Solution, type Solver } from './solver.ts';

/** Solutions that are settled on the true ΔE00 and ranked by it. */
const SHORTLIST = 32;
/** A solution whose local ΔE00 is this much above the best settled one will not catch up by rounding. */
const HOPELESS = 2;
/** The least of what every recipe must hold, as a share of its ceiling. */
const LEAST_HELD = 0.02;

/** Recipes for a wanted colour. Deterministic; never over a ceiling, the powder or the carriers that a pot carries. */
export function matchColour(problem: MatchProblem): MatchResult {
  const search = createSearch(problem);
  if (search.open.length === 0 && (problem.given ?? []).length === 0)
    return { recipes: [], reasons: [NOTHING_ALLOWED] };
  const measurable = problem.resolution && measurableDoses(problem.resolution);
  const found = solutionsOf(search, measurable);
  const judged = settle(search, found, measurable);
  const doubts = recipeDoubts(problem, search.open);
  const recipes = chooseRecipes(problem, search.open, judged, doubts).map(({ judged: j, virtues }) =>
    finishRecipe(j, virtues, problem, search.open, doubts(j)),
  );
  const closest = judged[0];
  if (!closest) return { recipes, reasons: [CANNOT_HOLD] };
  if (closest.deltaE <= ROUNDING_TOLD) return { recipes, reasons: [] };
  const { open, limits } = search;
  const reach = (measurable && unrounded(search, found)) ?? closest;
  return {
    recipes,
    reasons: explainMiss({ problem, open, limits, solver: found.solver, measured: closest.deltaE, reach }),
  };
}

/** The nearest without rounding: the best subsets solved again with no least amounts. */
function unrounded(search: Search, found: Found): Judged | undefined {
  const solver = solverOf(search, null);
  const solutions = found.solutions.slice(0, SHORTLIST).map(({ ids, v }) => solver.solve(ids, v));
  return settle(search, { solver, solutions: solutions.sort((x, y) => x.cost - y.cost) }, null)[0];
}

/** What a search works with. */
interface Search {
  readonly problem: MatchProblem;
  /** The candidates that have room below their ceilings. */
  readonly open: readonly Candidate[];
  readonly limits: Limits;
  readonly judge: Judge;
}

function createSearch(problem: MatchProblem): Search {
  const all = problem.candidates;
  const { room } = createLimits(problem, all);
  const open = all.filter((c) => room(c) > 0);
  const limits = createLimits(problem, open);
  return { problem, open, limits, judge: createJudge(problem, open, limits) };
}

/** Solves subsets of the open candidates, each dose at least what can be measured. */
function solverOf({ problem, open, limits }: Search, measurable: MeasurableDoses | null): Solver {
  const { canvas, stage, target, given, must = [] } = problem;
  return createSolver(canvas, open, stage, target, given, {
    // What must be in stays in, even where the target would rather do without.
    least: (c) =>
      Math.min(
        limits.room(c),
        Math.max(measurable ? measurable.least(c) : 0, must.includes(c.id) ? LEAST_HELD * c.ceiling : 0),
      ),
    most: limits.room,
  });
}

/** The nearest doses of every subset that was tried, nearest first. */
function solutionsOf(search: Search, measurable: MeasurableDoses | null): Found {
  const { most, must = [], width = SEARCH_WIDTH } = search.problem;
  const solver = solverOf(search, measurable);
  const parts = Math.min(MOST_PARTS, Math.max(1, Math.round(most)));
  const held = must.map((id) => search.open.findIndex((c) => c.id === id)).filter((i) => i >= 0);
  return { solver, solutions: searchSubsets(solver, parts, width, held) };
}

interface Found {
  readonly solver: Solver;
  readonly solutions: readonly Solution[];
}

/** The best of the solutions with their true colours, measurable where that is asked: one of each set of colourants. */
function settle(
  { problem, open, judge }: Search,
  { solver, solutions }: Found,
  measurable: MeasurableDoses | null,
): Judged[] {
  const best = new Map<string, Judged>();
  let least = Infinity;
  const consider = (ids: readonly number[], doses: readonly number[]): void => {
    const judged = judge.judge(ids, doses);
    const key = judged.parts
      .map((p) => p.id)
      .toSorted()
      .join();
    const known = best.get(key);
    least = Math.min(least, judged.deltaE);
    if (!known || judged.deltaE < known.deltaE) best.set(key, judged);
  };
  const holds = ({ parts }: Judged): boolean =>
    (problem.must ?? []).every((id) => parts.some((p) => p.id === id));
  consider([], []);
  for (const solution of shortlist(solutions)) {
    const { ids } = solution;
    if (Math.sqrt(solution.cost) > least + HOPELESS && best.size > 1) continue;
    const wanted = solver.dosesOf(solution);
    if (!measurable) consider(ids, judge.polish(ids, wanted));
    else {
      const found = climbGrid(ids, wanted, open, judge, measurable, least);
      if (found) consider(ids, found.doses);
    }
  }
  return [...best.values()]
    .filter(holds)
    .sort((a, b) => a.deltaE - b.deltaE || a.parts.length - b.parts.length);
}

/** The nearest solutions, with some of each size so that simple recipes are always among them. */
function shortlist(solutions: readonly Solution[]): Solution[] {
  const bySize = new Map<number, Solution[]>();
  for (const s of solutions) {
    const list = bySize.get(s.ids.length) ?? [];
    if (list.length < SHORTLIST / 3) list.push(s);
    bySize.set(s.ids.length, list);
  }
  const picked = new Set([...solutions.slice(0, SHORTLIST), ...[...bySize.values()].flat()]);
  return [...picked];
}
