import { SAP_SPREAD, typicalFatty } from './catalogue/oils.ts';
import { type Material } from './material.ts';

const LYE_DEMAND: Readonly<Record<string, number>> = { 'citric-acid': 0.625 };

/**
 * A material as an older version stored it, with what has been added since filled in: nothing counted, no lot,
 * and the typical fatty acids of an oil of the starting shelf.
 */
export function upgradeMaterial(stored: Material): Material {
  if ('lyeDemand' in (stored as object)) return stored;
  const { oil, scent, id } = stored;
  return {
    ...stored,
    stock: null,
    lot: '',
    lotTested: false,
    lyeDemand: LYE_DEMAND[id] ?? 0,
    oil: oil && { ...oil, sapSpread: SAP_SPREAD, fatty: typicalFatty[id.replace(/^oil-/, '')] ?? null },
    scent: scent && { ...scent, limitBasis: 'oils' },
  };
}
