import { type ScentBrowning } from '../pigment/canvas.ts';
import { type ScentFacts } from './material.ts';

/** Browning that a scent does without vanillin, per g/kg oils, in units of a slight tan at 50 g/kg. */
export const TAN: Readonly<Record<ScentFacts['tan'], number>> = {
  none: 0,
  slight: 1 / 50,
  moderate: 2.5 / 50,
  strong: 6 / 50,
};

/** Stabiliser to scent by weight that a vanillin content calls for; the supplier's sheet wins. */
export function stabiliserFor(vanillin: number): number {
  if (vanillin <= 0) return 0;
  if (vanillin <= 0.1) return 0.5;
  return vanillin <= 0.2 ? 1 : 1.5;
}

/** Browning of scent at a dose in g per kg oils, held back by as much stabiliser as was given of what is called for. */
export function browningOf(
  scent: { readonly vanillin: number; readonly tan: number },
  dose: number,
  stabiliser = 0,
): ScentBrowning {
  const wanted = stabiliserFor(scent.vanillin);
  return {
    vanillin: scent.vanillin * dose,
    tan: scent.tan * dose,
    stabilised: wanted > 0 ? Math.min(1, stabiliser / wanted) : 0,
  };
}
