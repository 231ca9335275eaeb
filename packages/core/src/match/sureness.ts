import { type Doubt, doubtOf, type DoubtedPart } from '../material/doubt.ts';
import { type Candidate } from './candidates.ts';
import { type Judged } from './judge.ts';
import { type MatchProblem } from './problem.ts';

/** How sure the colour of a recipe is, in the pot that it is added to. */
export function recipeDoubt(
  { canvas, stage, given = [] }: Pick<MatchProblem, 'canvas' | 'stage' | 'given'>,
  candidates: readonly Candidate[],
  { parts }: Pick<Judged, 'parts'>,
): Doubt {
  const all = new Map<string, DoubtedPart>();
  const put = (id: string, { optics, curve, dose }: DoubtedPart): void => {
    all.set(id, { optics, curve, dose: dose + (all.get(id)?.dose ?? 0) });
  };
  for (const g of given) put(g.id, g);
  for (const { id, index, dose } of parts) put(id, { ...candidates[index]!, dose });
  return doubtOf(canvas, [...all.values()], stage);
}
