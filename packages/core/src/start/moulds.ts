import { type Mould, plainMould } from '../plan/moulding.ts';

/** Moulds that every workspace offers to begin with, in common sizes; mm and ml. */
export const STARTING_MOULDS: readonly Mould[] = [
  { ...plainMould('Loaf', 'box') },
  { ...plainMould('Tall loaf', 'box'), width: 65, height: 95 },
  { ...plainMould('Slab', 'slab'), length: 300, width: 230, height: 28 },
  { ...plainMould('Cavities', 'cavities'), cavities: 12 },
  { ...plainMould('Column', 'cylinder'), length: 300, diameter: 70 },
];

/** Width of one bar, mm, by which a slab is divided into columns. */
const BAR_WIDTH = 75;

/** Bars side by side across a mould. */
export const columnsOf = ({ shape, width }: Mould): number =>
  shape === 'slab' ? Math.max(1, Math.round(width / BAR_WIDTH)) : 1;
