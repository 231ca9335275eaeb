import { useEffect, useMemo, useRef } from 'react';
import { type LabD65 } from '@kleur/core/colour';
import { type MatchResult } from '@kleur/core/match';
import { type PaletteColour } from '@kleur/core/plan';
import { useAppDispatch } from '../../../app/hooks.ts';
import { useColours } from '../BenchContext.ts';
import { bench } from '../benchSlice.ts';
import { usePlan } from '../useDerived.ts';
import { formulaOf, useMatches, useProblem, useShelf } from '../useMatching.ts';

export interface MatchedColour {
  readonly colour: PaletteColour;
  /** Null while it is being worked out for the first time. */
  readonly match: MatchResult | null;
}

const same = (a: LabD65, b: LabD65): boolean => a.every((v, i) => v === b[i]);

/**
 * The palette with what the shelf can reach of each colour, at cure, on this base, with this scent. Pots that
 * follow a colour get its new recipe when the colour is changed.
 */
export function usePaletteMatches(): { readonly colours: readonly MatchedColour[]; readonly busy: boolean } {
  const plan = usePlan();
  const { gel } = useColours().stage;
  const shelf = useShelf();
  const dispatch = useAppDispatch();
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

  // A pot follows its colour's changes, not every new search: opening the step must not rewrite formulas.
  const known = useRef<ReadonlyMap<string, LabD65> | null>(null);
  useEffect(() => {
    known.current ??= new Map(plan.idea.colours.map((c) => [c.id, c.lab]));
    for (const { colour, match } of colours) {
      const before = known.current.get(colour.id);
      const recipe = match?.recipes[0];
      if (!recipe || (before && same(before, colour.lab))) continue;
      known.current = new Map(known.current).set(colour.id, colour.lab);
      const pot = before ? plan.pots.find((p) => p.follows === colour.id) : undefined;
      if (pot) {
        dispatch(
          bench.formulaSet({ potId: pot.id, parts: formulaOf(recipe.parts, shelf), follows: colour.id }),
        );
      }
    }
  }, [colours, plan, shelf, dispatch]);

  return { colours, busy };
}
