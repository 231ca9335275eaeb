import { useMemo } from 'react';
import { flowOf, planCanvas, potComposition } from '@kleur/core/balance';
import { type LabD65, screenColourFromLabD65 } from '@kleur/core/colour';
import { type Technique, together, touchingPairs } from '@kleur/core/palette';
import { type Composition, predictLab } from '@kleur/core/pigment';
import { areTwins } from '@kleur/core/plan';
import { touchingPots } from '@kleur/core/work';
import { useStage } from '../BenchContext.ts';
import { usePlan, usePlanGel } from '../state/useDerived.ts';
import { curedStage } from '../state/matching.ts';
import { useShelf } from '../useMatching.ts';
import { type MatchedColour } from './usePaletteMatches.ts';

/** A pot, or a palette colour that is none yet, as the checks look at it. */
export interface Item {
  readonly name: string;
  /** Cured, and gelled as the batch likely is. */
  readonly lab: LabD65;
  /** As the time strip has it. */
  readonly now: LabD65;
  readonly composition: Composition;
  readonly potId: string | null;
  readonly colourId: string | null;
}

/** Two items that meet in the bar, by their positions. */
export interface ItemPair {
  readonly i: number;
  readonly j: number;
  readonly technique: Technique | null;
  readonly mixed: boolean;
  /** Meant to look the same. */
  readonly twins: boolean;
}

export const hexOf = (lab: LabD65): string => screenColourFromLabD65(lab).hex;

/** The pots, or the palette while there is none. */
export function useItems(colours: readonly MatchedColour[]): readonly Item[] {
  const plan = usePlan();
  const gel = usePlanGel();
  const shelf = useShelf();
  const stage = useStage();
  const bodies = useMemo((): readonly Omit<Item, 'lab' | 'now'>[] => {
    if (plan.pots.length > 0) {
      return plan.pots.map((pot) => ({
        name: pot.name,
        composition: potComposition(plan, pot),
        potId: pot.id,
        colourId: pot.follows,
      }));
    }
    const canvas = planCanvas(plan, plan.base.scent !== null);
    return colours.flatMap(({ colour, match }) => {
      const recipe = match?.recipes[0];
      if (!recipe) return [];
      const parts = recipe.parts.flatMap((p) => {
        const optics = shelf.get(p.id)?.optics;
        return optics ? [{ optics, dose: p.dose }] : [];
      });
      const composition = { canvas, parts, age: 0, gel: null };
      return [{ name: colour.name, composition, potId: null, colourId: colour.id }];
    });
  }, [plan, colours, shelf]);
  return useMemo(
    () =>
      bodies.map((item) => {
        const { canvas, parts } = item.composition;
        return {
          ...item,
          lab: predictLab(canvas, parts, curedStage(gel)),
          now: predictLab(canvas, parts, stage),
        };
      }),
    [bodies, gel, stage],
  );
}

/** Which items meet: pots as they lie in the bar, palette colours as the techniques in the mould bring them together. */
export function useItemPairs(items: readonly Item[]): readonly ItemPair[] {
  const plan = usePlan();
  return useMemo(() => {
    const { design } = plan.idea;
    if (plan.pots.length === 0) {
      const technique = together(design.body);
      if (!technique) return [];
      return touchingPairs(items.length, technique).map(([i, j]) => ({
        i,
        j,
        technique,
        mixed: technique.mixes,
        twins: false,
      }));
    }
    const at = new Map(items.map((item, i) => [item.potId, i]));
    return touchingPots(plan, flowOf(plan)).flatMap(({ a, b, technique, mixed }): ItemPair[] => {
      const [i, j] = [at.get(a.id), at.get(b.id)];
      if (i === undefined || j === undefined) return [];
      return [{ i, j, technique, mixed, twins: areTwins(design, a.id, b.id) }];
    });
  }, [plan, items]);
}
