import { useMemo } from 'react';
import { bareComposition } from '@kleur/core/balance';
import { screenColourFromLabD65 } from '@kleur/core/colour';
import { isWhitener } from '@kleur/core/material';
import { labOf } from '@kleur/core/pigment';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { useColours } from '../../BenchContext.ts';
import { usePlan } from '../../state/useDerived.ts';
import { useShelf } from '../../useMatching.ts';
import { curedStage } from '../../state/matching.ts';

/** The whitest that this base can be made: white at its ceiling, cured. */
export function WhiteLimit() {
  const plan = usePlan();
  const { gel } = useColours().stage;
  const shelf = useShelf();
  const print = usePrinter();
  const white = shelf.get('titanium-dioxide-oil') ?? [...shelf.values()].find(isWhitener);
  const lab = useMemo(() => {
    if (!white?.optics || !white.window) return null;
    const bare = bareComposition(plan);
    return labOf(
      { ...bare, parts: [...bare.parts, { optics: white.optics, dose: white.window.ceiling }] },
      curedStage(gel),
    );
  }, [plan, white, gel]);
  if (!lab || plan.base.oils.length === 0) return null;
  return (
    <p className="white-limit figure">
      <i className="chip chip-wide" style={{ background: screenColourFromLabD65(lab).hex }} />
      <span>
        As white as it gets: L* {print.fixed(lab[0], 0)}, b* {print.fixed(lab[2], 1)}
        <span className="soft"> with {white?.name.toLowerCase()} at its ceiling, cured</span>
      </span>
    </p>
  );
}
