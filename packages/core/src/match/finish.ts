import { deltaE00 } from '../colour/deltaE00.ts';
import { type ScreenColour, screenColourFromLabD65 } from '../colour/gamut.ts';
import { atCut, cured, fresh, type Stage } from '../pigment/stage.ts';
import { type Candidate } from './candidates.ts';
import { createPotMixer, type Judged } from './judge.ts';
import { type MatchProblem, type Recipe, type RecipeVirtue } from './problem.ts';

/** A recipe as it is shown: its colours on the way, its cost, and how sure it is. */
export function finishRecipe(
  judged: Judged,
  virtues: readonly RecipeVirtue[],
  problem: MatchProblem,
  candidates: readonly Candidate[],
): Recipe {
  const { stage, given = [] } = problem;
  const ids = judged.parts.map((p) => p.index);
  const doses = judged.parts.map((p) => p.dose);
  const used = ids.map((i) => candidates[i]!);
  const show = (at: Stage): ScreenColour =>
    screenColourFromLabD65(createPotMixer(problem, candidates, at).lab(ids, doses));
  const prices = used.map((c, n) => (c.pricePerGram === null ? null : c.pricePerGram * doses[n]!));
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
    doubt: doubtOf(judged, problem, candidates, given),
    pace: used.reduce((pace, c) => pace * c.pace, 1),
  };
}

/** ΔE00 by which strengths may be off together: they err independently, so the squares of what each would do add up. */
function doubtOf(
  judged: Judged,
  problem: MatchProblem,
  candidates: readonly Candidate[],
  given: NonNullable<MatchProblem['given']>,
): number {
  const ids = judged.parts.map((p) => p.index);
  const doses = judged.parts.map((p) => p.dose);
  const there = (id: string): number => given.reduce((sum, g) => sum + (g.id === id ? g.dose : 0), 0);
  const mixer = createPotMixer(problem, candidates, problem.stage);
  const added = ids.map((i, n) => {
    const c = candidates[i]!;
    // What is there of the same material errs with it.
    const stronger = doses.with(n, doses[n]! + (doses[n]! + there(c.id)) * c.doubt);
    return deltaE00(mixer.lab(ids, stronger), judged.lab);
  });
  const rest = given
    .filter((g) => !ids.some((i) => candidates[i]!.id === g.id))
    .map((g) => {
      const more = given.map((x) => (x === g ? { ...x, dose: x.dose * (1 + g.doubt) } : x));
      const stronger = createPotMixer({ ...problem, given: more }, candidates, problem.stage);
      return deltaE00(stronger.lab(ids, doses), judged.lab);
    });
  return Math.hypot(...added, ...rest);
}
