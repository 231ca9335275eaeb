import { type Material, type MaterialKind } from './material.ts';

/** What a material is beside its colour and its dose. */
export type MaterialFacts = Pick<Material, 'density' | 'scrub' | 'fat' | 'water' | 'allergens'>;

/** Density of a kind's own substance, g/ml, where a material has none of its own. */
const KIND_DENSITY: Readonly<Record<MaterialKind, number>> = {
  pigment: 4.5,
  mica: 2.8,
  fluorescent: 1.4,
  dye: 1.4,
  clay: 2.6,
  botanical: 1.4,
  scrub: 1.3,
  additive: 1.4,
  oil: 0.915,
  scent: 0.97,
};

/** How a material of a kind starts, before its own facts are known. */
export const factsOfKind = (kind: MaterialKind): MaterialFacts => ({
  density: KIND_DENSITY[kind],
  scrub: kind === 'scrub',
  fat: 0,
  water: 0,
  allergens: [],
});
