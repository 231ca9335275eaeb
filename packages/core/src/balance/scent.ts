import { type Material, type ScentFacts } from '../material/material.ts';
import { TAN } from '../material/browning.ts';
import { materialOf, type Plan, type ScentChoice } from '../plan/plan.ts';

const PACES: readonly ScentFacts['pace'][] = ['slows', 'none', 'slight', 'moderate', 'strong', 'seizes'];

/** What a blend amounts to. */
export interface ScentBlend {
  readonly parts: readonly { readonly material: Material; readonly share: number }[];
  /** Weighted, fractions. */
  readonly vanillin: number;
  /** Browning of anything else, as its equal in vanillin, a fraction. */
  readonly tan: number;
  /** Of the fastest. */
  readonly pace: ScentFacts['pace'];
  readonly pricePerGram: number | null;
  /** Most of the blend, g per kg oils, and the scent that sets it; limits on the product are converted. */
  readonly limit: number;
  readonly limitedBy: Material | null;
}

/**
 * The facts of a blend: vanillin weighted, pace of the fastest, limit = the least of limitᵢ / shareᵢ. A limit on the
 * finished product is turned into one on oils by `productPerOil` (g of finished soap per g of oils).
 */
export function scentBlend(plan: Plan, scent: ScentChoice, productPerOil: number): ScentBlend {
  const sum = scent.parts.reduce((total, p) => total + p.parts, 0);
  const parts = scent.parts.map((p) => ({
    material: materialOf(plan, p.materialId),
    share: sum > 0 ? p.parts / sum : 0,
  }));
  const mean = (of: (m: Material) => number): number =>
    parts.reduce((total, p) => total + p.share * of(p.material), 0);
  let limit = Infinity;
  let limitedBy: Material | null = null;
  for (const { material, share } of parts) {
    const own = limitOnOils(material, productPerOil);
    if (share > 0 && own / share < limit) {
      limit = own / share;
      limitedBy = material;
    }
  }
  const pace = Math.max(
    -1,
    ...parts.filter((p) => p.share > 0).map((p) => PACES.indexOf(p.material.scent!.pace)),
  );
  return {
    parts,
    vanillin: mean((m) => m.scent?.vanillin ?? 0),
    tan: mean((m) => TAN[m.scent?.tan ?? 'none']),
    pace: PACES[pace] ?? 'none',
    pricePerGram: parts.every((p) => p.material.pricePerGram !== null)
      ? mean((m) => m.pricePerGram ?? 0)
      : null,
    limit,
    limitedBy,
  };
}

/** A scent's own limit in g per kg oils. */
export const limitOnOils = ({ scent }: Material, productPerOil: number): number =>
  scent ? scent.limit * (scent.limitBasis === 'product' ? productPerOil : 1) : Infinity;
