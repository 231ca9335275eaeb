import { type Doubt, doubtOf, type DoubtedPart } from '../material/doubt.ts';
import { type Candidate } from './candidates.ts';
import { type Judged } from './judge.ts';
import { type MatchProblem } from './problem.ts';

/** How sure the colours of recipes are, in the pot that they are added to; each is worked out once. */
export function recipeDoubts(
  { canvas, stage, given = [] }: Pick<MatchProblem, 'canvas' | 'stage' | 'given'>,
  candidates: readonly Candidate[],
): (judged: Judged) => Doubt {
  const known = new Map<Judged, Doubt>();
  const work = ({ parts }: Judged): Doubt => {
    const all = new Map<string, DoubtedPart>();
    const put = (id: string, { optics, curve, dose }: DoubtedPart): void => {
      all.set(id, { optics, curve, dose: dose + (all.get(id)?.dose ?? 0) });
    };
    for (const g of given) put(g.id, g);
    for (const { id, index, dose } of parts) put(id, { ...candidates[index]!, dose });
    return doubtOf(canvas, [...all.values()], stage);
  };
  return (judged) => {
    const doubt = known.get(judged) ?? work(judged);
    known.set(judged, doubt);
    return doubt;
  };
}
