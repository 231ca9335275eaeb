import { SKIN_TOLD } from '@kleur/core/balance';
import { deltaE00 } from '@kleur/core/colour';
import { type PredictedColour } from '@kleur/core/pigment';
import { usePotColour } from './BenchContext.ts';
import { BARE } from './state/liveColours.ts';

/** The outside of a pot's bars at the time strip, where it can be told from the inside; null otherwise. */
export function useSkin(potId: string | null): PredictedColour | null {
  const now = usePotColour(potId ?? BARE, 'now');
  const skin = usePotColour(potId ?? BARE, 'skin');
  return now && skin && deltaE00(now.lab, skin.lab) > SKIN_TOLD ? skin : null;
}
