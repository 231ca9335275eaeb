import { type MouldShape } from '@kleur/core/plan';

/** Names of the shapes on screen. */
export const shapeName: Readonly<Record<MouldShape, string>> = {
  box: 'Box (loaf)',
  cavities: 'Cavities',
  cylinder: 'Cylinder',
  slab: 'Slab',
};
