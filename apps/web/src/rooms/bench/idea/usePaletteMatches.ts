import { useMemo } from 'react';
import { type LabD65 } from '@kleur/core/colour';
import { type MatchResult } from '@kleur/core/match';
import { type PaletteColour } from '@kleur/core/plan';

import { usePlan, usePlanGel } from '../state/useDerived.ts';
import { useMatches, useProblem } from '../useMatching.ts';

export interface MatchedColour {
  readonly colour: PaletteColour;
  /** Null while it is being worked out for the first time. */
  readonly match: MatchResult | null;
}

const same = (a: LabD65, b: LabD65): boolean => a.every((v, i) => v === b[i]);

/**
 * The palette with what the shelf can reach of each colour, at cure, on this base, with this scent.
 */
export function usePaletteMatches(): { readonly colours: readonly MatchedColour[]; readonly busy: boolean } {
  const plan = usePlan();
  const gel = usePlanGel();
  const problem = useProblem(null, gel);
  const targets = useMemo(() => plan.idea.colours.map((c) => c.lab), [plan.idea.colours]);
  const { results, of, busy } = useMatches(problem, targets);
  const colours = useMemo(
    () =>
      plan.idea.colours.map((colour): MatchedColour => {
        const at = of.findIndex((lab) => same(lab, colour.lab));
        return { colour, match: results[at] ?? null };
      }),
    [plan.idea.colours, of, results],
  );

  return { colours, busy };
}
