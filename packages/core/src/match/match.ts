import { deltaE00 } from '../colour/deltaE00.ts';
import { type ScreenColour, screenColourFromLabD65 } from '../colour/gamut.ts';
import { type LabD65 } from '../colour/lab.ts';
import { createMixer, type Mixer } from '../pigment/mixer.ts';
import { type Optics } from '../pigment/optics.ts';
import { atCut, cured, fresh, type Stage } from '../pigment/stage.ts';
import { type Candidate } from './candidates.ts';
import { type MatchProblem, type MatchResult, type Recipe, type RecipeVirtue } from './problem.ts';
import { explainMiss } from './reasons.ts';
import { combinations, measurableDoses, type Resolution } from './rounding.ts';
import { searchSubsets, SEARCH_WIDTH } from './search.ts';
import { createSolver, MOST_PARTS, type Solution } from './solver.ts';

const MOST_RECIPES = 6;
/** Solutions that are rounded and ranked by the true ΔE00. */
const SHORTLIST = 24;
/** Fewer, cheaper or surer recipes may be this much further than the closest. */
const TOLERANCE = 1.5;
/** Parts below this share of their ceiling are as good as none. */
const NOTHING = 2e-5;

/** Recipes for a wanted colour. Deterministic; never over a ceiling or the total. */
export function matchColour(problem: MatchProblem): MatchResult {
  const { target, stage, canvas, candidates, given = [], resolution } = problem;
  const most = Math.min(MOST_PARTS, Math.max(1, Math.round(problem.most)));
  const open = roomLeft(candidates, given);
  if (open.length === 0) {
    return {
      recipes: [],
      reasons: ['Nothing on the shelf is allowed: loosen the limits or mark what is in stock.'],
    };
  }
  const solver = createSolver(canvas, open, stage, target, given);
  const solutions = searchSubsets(solver, most, problem.width ?? SEARCH_WIDTH);
  const judge = createJudge(problem, open);
  const best = new Map<string, Judged>();
  const consider = (judged: Judged): void => {
    const key = judged.parts
      .map((p) => p.id)
      .toSorted()
      .join();
    const known = best.get(key);
    if (!known || judged.deltaE < known.deltaE) best.set(key, judged);
  };
  consider(judge.judge([], []));
  for (const solution of shortlist(solutions)) {
    const doses = dosesOf(solution, open, solver.eMax);
    const polished = judge.polish(solution.ids, doses);
    consider(
      resolution ? judge.round(solution.ids, polished, resolution) : judge.judge(solution.ids, polished),
    );
  }
  const ranked = [...best.values()]
    .filter((j) => j.total <= problem.totalCeiling + 1e-9)
    .sort((a, b) => a.deltaE - b.deltaE || a.parts.length - b.parts.length);
  const coloured = ranked.filter((j) => j.parts.length > 0);
  const kept = coloured.length > 0 ? coloured : ranked;
  const recipes = choose(kept, open).map(({ judged, virtues }) => finish(judged, virtues, problem, open));
  return { recipes, reasons: recipes[0] ? explainMiss(problem, recipes[0], ranked[0]!.deltaE) : [] };
}

/** Ceilings count what is in the pot already. */
function roomLeft(
  candidates: readonly Candidate[],
  given: readonly { id: string; dose: number }[],
): Candidate[] {
  return candidates.flatMap((c) => {
    const present = given.find((g) => g.id === c.id)?.dose ?? 0;
    const ceiling = c.ceiling - present;
    return ceiling > 0 ? [{ ...c, ceiling }] : [];
  });
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

function dosesOf({ ids, v }: Solution, candidates: readonly Candidate[], eMax: Float64Array): number[] {
  return ids.map((i, n) => {
    const c = candidates[i]!;
    const e = eMax[i]! * v[n]! * v[n]!;
    if (e < NOTHING * eMax[i]!) return 0;
    const sat = c.optics.saturation;
    return Math.min(c.ceiling, sat === null ? e : e / (1 - e / sat));
  });
}

interface Judged {
  readonly parts: readonly { readonly id: string; readonly index: number; readonly dose: number }[];
  readonly lab: LabD65;
  readonly deltaE: number;
  readonly total: number;
}

interface Judge {
  judge(ids: readonly number[], doses: readonly number[]): Judged;
  /** Moves doses to a lower true ΔE00. */
  polish(ids: readonly number[], doses: readonly number[]): number[];
  /** The best measurable doses around some. */
  round(ids: readonly number[], doses: readonly number[], resolution: Resolution): Judged;
}

const POLISH_ROUNDS = 5;

function createJudge(problem: MatchProblem, candidates: readonly Candidate[]): Judge {
  const { canvas, stage, target, given = [], totalCeiling } = problem;
  const lab = new Float64Array(3);
  const mixers = new Map<string, Mixer>();
  const mixerFor = (ids: readonly number[]): Mixer => {
    const key = ids.join();
    let mixer = mixers.get(key);
    if (!mixer) {
      const optics: Optics[] = [...ids.map((i) => candidates[i]!.optics), ...given.map((g) => g.optics)];
      mixer = createMixer(canvas, optics, stage);
      mixers.set(key, mixer);
    }
    return mixer;
  };
  const present = given.map((g) => g.dose);
  const givenTotal = given.reduce((sum, g) => sum + (g.solid ? g.dose : 0), 0);
  const labAt = (ids: readonly number[], doses: readonly number[]): LabD65 => {
    mixerFor(ids).lab([...doses, ...present], lab);
    return [lab[0]!, lab[1]!, lab[2]!];
  };
  const solids = (ids: readonly number[], doses: readonly number[]): number =>
    doses.reduce((total, d, n) => total + (candidates[ids[n]!]!.solid ? d : 0), givenTotal);
  const distance = (ids: readonly number[], doses: readonly number[]): number =>
    solids(ids, doses) > totalCeiling + 1e-9 ? Infinity : deltaE00(labAt(ids, doses), target);

  const judge = (ids: readonly number[], doses: readonly number[]): Judged => {
    const parts = ids
      .map((index, n) => ({ id: candidates[index]!.id, index, dose: doses[n]! }))
      .filter((p) => p.dose > 0);
    const at = labAt(ids, doses);
    return { parts, lab: at, deltaE: deltaE00(at, target), total: solids(ids, doses) };
  };

  const polish = (ids: readonly number[], start: readonly number[]): number[] => {
    let doses = start.slice();
    const over = solids(ids, doses) - givenTotal;
    const room = totalCeiling - givenTotal;
    if (over > room && over > 0) doses = doses.map((d) => Math.max(0, (d * room) / over));
    let here = distance(ids, doses);
    let stride = 0.12;
    for (let round = 0; round < POLISH_ROUNDS && here > 0.05; round++) {
      let moved = false;
      for (let n = 0; n < doses.length; n++) {
        const ceiling = candidates[ids[n]!]!.ceiling;
        for (const factor of [1 + stride, 1 / (1 + stride)]) {
          const trial = doses.slice();
          trial[n] = Math.min(ceiling, trial[n]! * factor);
          const there = distance(ids, trial);
          if (there < here) {
            doses = trial;
            here = there;
            moved = true;
            break;
          }
        }
      }
      if (!moved) stride /= 2.5;
    }
    return doses;
  };

  const round = (ids: readonly number[], doses: readonly number[], resolution: Resolution): Judged => {
    const choices = ids.map((i, n) => measurableDoses(doses[n]!, candidates[i]!, resolution));
    let best: number[] | null = null;
    let least = Infinity;
    for (const trial of combinations(choices)) {
      const d = distance(ids, trial);
      if (d < least) {
        least = d;
        best = trial;
      }
    }
    return judge(ids, best ?? ids.map(() => 0));
  };

  return { judge, polish, round };
}

/** Different recipes with a reason each, then the next closest, up to six. */
function choose(
  ranked: readonly Judged[],
  candidates: readonly Candidate[],
): { judged: Judged; virtues: RecipeVirtue[] }[] {
  const closest = ranked[0];
  if (!closest) return [];
  const near = ranked.filter((j) => j.deltaE <= closest.deltaE + TOLERANCE);
  const of = (j: Judged) => j.parts.map((p) => ({ ...candidates[p.index]!, dose: p.dose }));
  const least = (score: (j: Judged) => number): Judged =>
    near.reduce((a, b) => (score(b) < score(a) - 1e-9 ? b : a), closest);
  const cost = (j: Judged): number =>
    of(j).reduce((sum, p) => sum + p.dose * (p.pricePerGram ?? Infinity), 0);
  const cheapest = least(cost);
  const winners: readonly (readonly [RecipeVirtue, Judged])[] = [
    ['closest', closest],
    ['fewest', least((j) => j.parts.length)],
    // Where a price is unknown nobody can say which is the cheapest.
    ...(Number.isFinite(cost(cheapest)) ? ([['cheapest', cheapest]] as const) : []),
    ['surest', least((j) => Math.max(0, ...of(j).map((p) => p.doubt)) + 0.02 * j.parts.length)],
    ['calmest', least((j) => -of(j).reduce((pace, p) => pace * Math.min(1, p.pace), 1))],
  ];
  const virtues = new Map<Judged, RecipeVirtue[]>();
  for (const [virtue, judged] of winners) virtues.set(judged, [...(virtues.get(judged) ?? []), virtue]);
  for (const judged of ranked) {
    if (virtues.size >= MOST_RECIPES) break;
    if (!virtues.has(judged)) virtues.set(judged, []);
  }
  return [...virtues]
    .map(([judged, list]) => ({ judged, virtues: list }))
    .sort((a, b) => a.judged.deltaE - b.judged.deltaE)
    .slice(0, MOST_RECIPES);
}

function finish(
  judged: Judged,
  virtues: readonly RecipeVirtue[],
  { canvas, stage, given = [] }: MatchProblem,
  candidates: readonly Candidate[],
): Recipe {
  const used = judged.parts.map((p) => candidates[p.index]!);
  const optics = [...used.map((c) => c.optics), ...given.map((g) => g.optics)];
  const doses = [...judged.parts.map((p) => p.dose), ...given.map((g) => g.dose)];
  const labAt = (at: Stage, amounts: readonly number[]): LabD65 => {
    const [L, a, b] = createMixer(canvas, optics, at).lab(amounts);
    return [L!, a!, b!];
  };
  const show = (at: Stage): ScreenColour => screenColourFromLabD65(labAt(at, doses));
  // Strengths err independently: the squares of what each would do add up.
  const doubt = Math.hypot(
    ...used.map((c, n) =>
      deltaE00(
        labAt(
          stage,
          doses.map((d, i) => (i === n ? d * (1 + c.doubt) : d)),
        ),
        judged.lab,
      ),
    ),
  );
  const prices = used.map((c, n) =>
    c.pricePerGram === null ? null : c.pricePerGram * judged.parts[n]!.dose,
  );
  return {
    parts: judged.parts.map(({ id, dose }) => ({ id, dose })),
    virtues,
    lab: judged.lab,
    deltaE: judged.deltaE,
    fresh: show(fresh(stage.gel)),
    cut: show(atCut(stage.gel)),
    cured: show(cured(stage.gel)),
    otherGel: show(cured(stage.gel < 0.5 ? 1 : 0)),
    cost: prices.includes(null) ? null : prices.reduce<number>((sum, p) => sum + p!, 0),
    doubt,
    pace: used.reduce((pace, c) => pace * c.pace, 1),
  };
}
