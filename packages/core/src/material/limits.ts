import { type Material } from './material.ts';

/** Colour powder and clay above this weaken a bar, g/kg oils: 4 %. */
export const MOST_SOLIDS = 40;
/** Oil and glycerin carriers above this soften a pot, g/kg oils: 5 %. */
export const MOST_CARRIER = 50;

/** What shares one ceiling: all grades of one colour index, else the material alone. */
export const ceilingGroup = ({ colourIndex, id }: Pick<Material, 'colourIndex' | 'id'>): string =>
  colourIndex || id;
