import { cureLoss } from '../balance/fill.ts';
import { type Plan } from '../plan/plan.ts';
import { recipesDiffer } from '../day/learn.ts';
import { type CutRecord } from './record.ts';

/** What a batch lost in cure, beside what its plan foretold; parts of the mass at the cut, 0–1. */
export interface CureLoss {
  readonly foretold: number;
  readonly measured: number;
}

/** Null while not both weights are known, or where they make no sense. */
export function cureLossOf(
  plan: Plan,
  { atCut, cured }: Pick<CutRecord, 'atCut' | 'cured'>,
): CureLoss | null {
  if (atCut === null || cured === null || !(atCut > 0) || cured > atCut) return null;
  return { foretold: cureLoss(plan), measured: (atCut - cured) / atCut };
}

/** How this maker’s bars lose water beside the usual, from batches on recipes like one’s own. */
export interface LearnedLoss {
  /** Measured loss over foretold. */
  readonly factor: number;
  readonly batches: number;
}

/** So many batches’ worth does the usual count beside the maker’s own. */
const USUAL_WEIGHS = 2;

/** @param batches with both weights, in any order */
export function learnLoss(
  batches: readonly { readonly plan: Plan; readonly cut: Pick<CutRecord, 'atCut' | 'cured'> }[],
  like: Plan,
): LearnedLoss | null {
  const ratios = batches.flatMap(({ plan, cut }) => {
    const loss = cureLossOf(plan, cut);
    return loss && loss.foretold > 0 && !recipesDiffer(plan, like) ? [loss.measured / loss.foretold] : [];
  });
  if (ratios.length === 0) return null;
  const sum = ratios.reduce((s, r) => s + r, USUAL_WEIGHS);
  return { factor: sum / (ratios.length + USUAL_WEIGHS), batches: ratios.length };
}
