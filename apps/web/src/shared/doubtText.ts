import { type Evidence } from '@kleur/core/material';
import { type Printer } from '@kleur/core/units';

/** What a predicted colour stands on and by how much it may miss, in one sentence. @param deltaE root mean square ΔE00 */
export function doubtText(
  { colourants, tested, readings, typicalMiss }: Evidence,
  deltaE: number,
  isBaseTold: boolean,
  print: Printer,
): string {
  const most = `may miss by ΔE ${print.number(Math.max(1, deltaE), 0)}`;
  if (colourants === 0)
    return isBaseTold
      ? `The bare base as your own bars told it; ${most}.`
      : `The bare base by its oils, never read; ${most}.`;
  if (tested < colourants) {
    const guess = tested === 0 ? 'Shelf defaults' : 'Some of it shelf defaults';
    return `${guess}, never tested on your base; ${most}.`;
  }
  const bars = readings === 1 ? 'one of your bars' : `${readings} of your bars`;
  return typicalMiss === null
    ? `From ${bars}; ${most}.`
    : `From ${bars}; typical miss ΔE ${print.number(typicalMiss, 1)}, ${most}.`;
}
