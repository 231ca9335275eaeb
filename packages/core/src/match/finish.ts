import { type ScreenColour, screenColourFromLabD65 } from '../colour/gamut.ts';
import { type Doubt } from '../material/doubt.ts';
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
  doubt: Doubt,
): Recipe {
  const { stage } = problem;
  const ids = judged.parts.map((p) => p.index);
  const doses = judged.parts.map((p) => p.dose);
  const used = ids.map((i) => candidates[i]!);
  const show = (at: Stage): ScreenColour =>
    screenColourFromLabD65(createPotMixer(problem, candidates, at).lab(ids, doses));
  const { deltaE, range, ...evidence } = doubt;
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
    doubt: deltaE,
    range,
    evidence,
    pace: used.reduce((pace, c) => pace * c.pace, 1),
  };
}
