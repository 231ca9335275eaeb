import { type Canvas, type FittedBase, type ScentBrowning } from '../pigment/canvas.ts';
import { browningOf, TAN } from './browning.ts';
import { type Material } from './material.ts';

/** Tint of an oil blend: the oils' amounts weighted by share. Shares are normalised, so 99.7 % is no darker. `base`: as bars told it. */
export function canvasOfOils(
  oils: readonly { readonly material: Material; readonly share: number }[],
  scent: ScentBrowning | null = null,
  milk = 0,
  base?: FittedBase,
): Canvas {
  const sum = oils.reduce((total, o) => total + o.share, 0);
  const mean = (of: (m: Material) => number): number =>
    sum > 0 ? oils.reduce((total, o) => total + o.share * of(o.material), 0) / sum : 0;
  return {
    carotenoid: mean((m) => m.oil?.carotenoid ?? 0),
    chlorophyll: mean((m) => m.oil?.chlorophyll ?? 0),
    brown: mean((m) => m.oil?.brown ?? 0),
    milk,
    scent,
    ...(base && { base }),
  };
}

/** Browning that a scent brings at a dose in g per kg oils. */
export const scentBrowning = (scent: Material, dose: number): ScentBrowning =>
  browningOf({ vanillin: scent.scent?.vanillin ?? 0, tan: TAN[scent.scent?.tan ?? 'none'] }, dose);
