import { deltaE00 } from '../colour/deltaE00.ts';
import { type Doubt } from '../material/doubt.ts';
import { SEEN_FROM } from '../pigment/justSeen.ts';
import { type Candidate } from './candidates.ts';
import { createPotMixer, type Judged } from './judge.ts';
import { type MatchProblem, type RecipeVirtue } from './problem.ts';

const MOST_RECIPES = 6;
/** Fewer, cheaper or surer recipes may be this much further than the closest. */
const TOLERANCE = 1.5;
/** Nobody sees this much: the recipe with fewer colourants comes first. */
const AS_NEAR = 0.3;
/** A colourant that brings no more than this is left out. */
const IDLE = 0.02;
/** A colourant that would hardly show by itself counts as this much further, so that one without comes first. */
const HARDLY_SHOWS = 0.4;

/** A colourant more must make it surer by so many ΔE00. */
const SURER_BY = 0.1;

/** Different recipes with a reason each, then the next closest (or surest), up to six. The first is the one to take. */
export function chooseRecipes(
  problem: MatchProblem,
  candidates: readonly Candidate[],
  judged: readonly Judged[],
  doubts: (j: Judged) => Doubt,
): { judged: Judged; virtues: RecipeVirtue[] }[] {
  const doubt = (j: Judged): number => doubts(j).deltaE;
  const away = (j: Judged): number => (problem.prefersSure ? Math.hypot(j.deltaE, doubt(j)) : j.deltaE);
  const different = withoutIdle(judged);
  const offered = problem.prefersSure ? different.toSorted((a, b) => away(a) - away(b)) : different;
  const near = inOrder(problem, candidates, offered.slice(0, 4 * MOST_RECIPES), away);
  const [first] = near;
  if (!first) return [];
  const closest = near.reduce((a, b) => (b.deltaE < a.deltaE ? b : a));
  const within = near.filter((j) => j.deltaE <= closest.deltaE + TOLERANCE);
  const of = (j: Judged) => j.parts.map((p) => ({ ...candidates[p.index]!, dose: p.dose }));
  const least = (score: (j: Judged) => number, among = within): Judged =>
    among.reduce((a, b) => (score(b) < score(a) - 1e-9 ? b : a), first);
  const cost = (j: Judged): number =>
    of(j).reduce((sum, p) => sum + p.dose * (p.pricePerGram ?? Infinity), 0);
  const cheapest = least(cost);
  const others: readonly (readonly [RecipeVirtue, Judged])[] = [
    ['closest', closest],
    ['fewest', least((j) => j.parts.length)],
    // Where a price is unknown nobody can say which is the cheapest.
    ...(Number.isFinite(cost(cheapest)) ? ([['cheapest', cheapest]] as const) : []),
    ['calmest', least((j) => -of(j).reduce((pace, p) => pace * Math.min(1, p.pace), 1))],
  ];
  // A doubt costs as much as a few predictions: only of those that may be shown.
  const shown = new Set([...within.slice(0, MOST_RECIPES), ...others.map(([, j]) => j)]);
  const surest = least((j) => doubt(j) + SURER_BY * j.parts.length, [...shown]);
  const winners: typeof others = [...others, ['surest', surest]];
  const virtues = new Map<Judged, RecipeVirtue[]>([[first, []]]);
  for (const [virtue, judged] of winners) virtues.set(judged, [...(virtues.get(judged) ?? []), virtue]);
  for (const judged of near) {
    if (virtues.size >= MOST_RECIPES) break;
    if (!virtues.has(judged)) virtues.set(judged, []);
  }
  return near
    .filter((j) => virtues.has(j))
    .slice(0, MOST_RECIPES)
    .map((j) => ({ judged: j, virtues: virtues.get(j)! }));
}

/** Leaves out recipes with a colourant more than another that comes as near without it. */
const withoutIdle = (judged: readonly Judged[]): Judged[] =>
  judged.filter(
    (j) =>
      !judged.some(
        (other) =>
          other.parts.length < j.parts.length &&
          other.deltaE <= j.deltaE + IDLE &&
          other.parts.every((p) => j.parts.some((q) => q.id === p.id)),
      ),
  );

/** By distance, but of those as near as the nearest left the one with the fewest colourants first. */
function inOrder(
  problem: MatchProblem,
  candidates: readonly Candidate[],
  judged: readonly Judged[],
  away: (j: Judged) => number,
): Judged[] {
  const mixer = createPotMixer({ canvas: problem.canvas }, candidates, problem.stage);
  const bare = mixer.lab([], []);
  const hidden = (j: Judged): number =>
    j.parts.filter(
      (p) => !candidates[p.index]!.pale && deltaE00(mixer.lab([p.index], [p.dose]), bare) < SEEN_FROM,
    ).length;
  const left = judged.map((j) => ({ judged: j, score: away(j) + HARDLY_SHOWS * hidden(j) }));
  const out: Judged[] = [];
  while (left.length > 0) {
    const nearest = Math.min(...left.map((l) => l.score));
    const asNear = left.filter((l) => l.score <= nearest + AS_NEAR);
    const next = asNear.reduce((a, b) =>
      b.judged.parts.length < a.judged.parts.length ||
      (b.judged.parts.length === a.judged.parts.length && b.score < a.score)
        ? b
        : a,
    );
    left.splice(left.indexOf(next), 1);
    out.push(next.judged);
  }
  return out;
}
