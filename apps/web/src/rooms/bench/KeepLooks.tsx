import { Button } from 'antd';
import { useMemo, useState } from 'react';
import { potCanvas, potComposition } from '@kleur/core/balance';
import { deltaE00, type LabD65 } from '@kleur/core/colour';
import { predictLab } from '@kleur/core/pigment';
import { type Plan, setFormula } from '@kleur/core/plan';
import { grams } from '@kleur/core/units';
import { usePrinter } from '../../shared/hooks/useSettings.ts';
import { searchWorker } from '../../workers/client.ts';
import { useColours } from './BenchContext.ts';
import { useEdit } from './state/useEdit.ts';
import { usePlan, usePrep } from './state/useDerived.ts';
import { useProblem, useShelf } from './useMatching.ts';
import { curedStage, formulaOf } from './state/matching.ts';

/** A pot that moved by less than this looks the same. */
const NOTICED = 1.5;

function looksOf(plan: Plan, gel: number): ReadonlyMap<string, LabD65> {
  return new Map(
    plan.pots.map((pot) => {
      const { canvas, parts } = potComposition(plan, pot);
      return [pot.id, predictLab(canvas, parts, curedStage(gel))];
    }),
  );
}

/**
 * The same look on another base: when a change of oils or scent has moved pots away from how they looked when the
 * step was opened, offers to match them again on the new base.
 */
export function KeepLooks() {
  const plan = usePlan();
  const { pots } = usePrep();
  const { gel } = useColours().stage;
  const shelf = useShelf();
  const edit = useEdit();
  const print = usePrinter();
  const problem = useProblem(null, gel);
  const [before] = useState(() => looksOf(plan, gel));
  const [startGel] = useState(gel);
  const [busy, setBusy] = useState(false);
  const moved = useMemo(() => {
    const now = looksOf(plan, startGel);
    return pots.flatMap(({ pot, oils }) => {
      const was = before.get(pot.id);
      const is = now.get(pot.id);
      if (!was || !is || !(oils > 0)) return [];
      const far = deltaE00(was, is);
      return far > NOTICED ? [{ pot, oils, was, far }] : [];
    });
  }, [plan, pots, before, startGel]);
  if (moved.length === 0 || !problem) return null;

  const keep = async (): Promise<void> => {
    setBusy(true);
    let next = plan;
    for (const { pot, oils, was } of moved) {
      const { recipes } = await searchWorker().match({
        ...problem,
        target: was,
        stage: curedStage(startGel),
        canvas: potCanvas(plan, pot),
        resolution: problem.resolution && { ...problem.resolution, potOils: grams(oils) },
      });
      const recipe = recipes[0];
      if (recipe) next = setFormula(next, pot.id, formulaOf(recipe.parts, shelf));
    }
    edit(() => next);
    setBusy(false);
  };

  const most = Math.max(...moved.map((m) => m.far));
  return (
    <section className="panel" aria-label="Looks on this base" role="status">
      <p className="figure">
        The new base changes {moved.length === 1 ? '1 pot' : `${moved.length} pots`}, by up to ΔE{' '}
        {print.fixed(most, 1)}.
      </p>
      <p>
        <Button loading={busy} onClick={() => void keep()}>
          Match them again to how they looked
        </Button>
      </p>
    </section>
  );
}
