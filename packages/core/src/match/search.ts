import { MOST_PARTS, type Solution, type Solver } from './solver.ts';

/** How wide the search goes. */
export interface SearchWidth {
  /** Pairs that are tried with every third colourant. */
  readonly pairs: number;
  /** Triples that are tried with every fourth. */
  readonly triples: number;
}

export const SEARCH_WIDTH: SearchWidth = { pairs: 20, triples: 10 };

/** Doses at which a single colourant is tried before it is polished, as v. */
const SINGLE_SCAN = [0.06, 0.12, 0.22, 0.38, 0.62, 0.95];
/** A colourant joins a subset at this v. */
const JOIN = 0.18;
/** Steps that are enough to tell good subsets from bad; the good ones are settled afterwards. */
const RANKING_STEPS = 3;
/** A partner starts at this share of its own best. */
const SHARE = 0.75;

const byCost = (a: Solution, b: Solution): number => a.cost - b.cost;

/**
 * The nearest recipes over all subsets of up to `most` candidates: every single, every pair, then a third added
 * to the best pairs and a fourth to the best triples. Deterministic; sorted by local cost.
 * @param must indices that every recipe holds; it may then have as many colourants as these, if they are more.
 */
export function searchSubsets(
  solver: Solver,
  most: number,
  width: SearchWidth = SEARCH_WIDTH,
  must: readonly number[] = [],
): Solution[] {
  const found = must.length > 0 ? around(solver, most, width, must) : everywhere(solver, most, width);
  return found
    .sort(byCost)
    .map((s, rank) => (rank < width.pairs ? solver.solve(s.ids, s.v) : s))
    .sort(byCost);
}

/** The given subset, and what joins it. */
function around(solver: Solver, most: number, width: SearchWidth, must: readonly number[]): Solution[] {
  const ids = must.slice(0, MOST_PARTS);
  let level = [
    solver.solve(
      ids,
      ids.map(() => JOIN * 2),
    ),
  ];
  const found = [...level];
  for (let size = ids.length + 1; size <= most; size++) {
    level = extend(solver, level.slice(0, width.pairs));
    found.push(...level.slice(0, width.pairs));
  }
  return found;
}

function everywhere(solver: Solver, most: number, width: SearchWidth): Solution[] {
  const n = solver.count;
  const singles: Solution[] = [];
  for (let i = 0; i < n; i++) {
    let start = SINGLE_SCAN[0]!;
    let best = Infinity;
    for (const v of SINGLE_SCAN) {
      const cost = solver.cost([i], [v]);
      if (cost < best) {
        best = cost;
        start = v;
      }
    }
    singles.push(solver.solve([i], [start]));
  }
  const found = [...singles];
  if (most >= 2) {
    const start = singles.map((s) => Math.max(JOIN, s.v[0]! * SHARE));
    const pairs: Solution[] = [];
    for (let i = 0; i < n; i++) {
      for (let j = i + 1; j < n; j++) pairs.push(solver.solve([i, j], [start[i]!, start[j]!], RANKING_STEPS));
    }
    pairs.sort(byCost);
    found.push(...pairs.slice(0, width.pairs));
    if (most >= 3) {
      const triples = extend(solver, pairs.slice(0, width.pairs));
      found.push(...triples.slice(0, width.pairs));
      if (most >= 4) found.push(...extend(solver, triples.slice(0, width.triples)));
    }
  }
  return found;
}

/** Adds every other candidate to each of some subsets, no set twice. */
function extend(solver: Solver, from: readonly Solution[]): Solution[] {
  const seen = new Set<number>();
  const { count } = solver;
  const out: Solution[] = [];
  for (const { ids, v } of from) {
    for (let i = 0; i < count; i++) {
      if (ids.includes(i)) continue;
      const set = [...ids, i];
      // All sets here are of one size.
      const key = set.toSorted((a, b) => a - b).reduce((digits, id) => digits * count + id, 0);
      if (seen.has(key)) continue;
      seen.add(key);
      out.push(solver.solve(set, [...v.map((x) => Math.max(x, 0.03)), JOIN], RANKING_STEPS));
    }
  }
  return out.sort(byCost);
}
