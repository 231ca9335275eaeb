/** How a technique brings pots together: what it needs of their colours, their number and their batter. */
export interface Technique {
  readonly id: string;
  readonly name: string;
  /** ΔE00 at cure that touching pots need to read as two. */
  readonly apart: number;
  /** ΔL* they need besides, 0 for none. */
  readonly apartL: number;
  readonly pots: readonly [fewest: number, most: number];
  /** In a row each pot touches the next; otherwise each may touch every other. */
  readonly touching: 'row' | 'all';
  /** Whether the batters are dragged into each other, so that mud can come of it. */
  readonly mixes: boolean;
}

const row = (id: string, name: string, apart: number, pots: Technique['pots'], mixes = false): Technique => ({
  id,
  name,
  apart,
  apartL: 0,
  pots,
  touching: 'row',
  mixes,
});
const swirl = (
  id: string,
  name: string,
  apart: number,
  apartL: number,
  pots: Technique['pots'],
): Technique => ({
  id,
  name,
  apart,
  apartL,
  pots,
  touching: 'all',
  mixes: true,
});

/** Starting values; every maker's eye may differ. */
export const TECHNIQUES: readonly Technique[] = [
  row('layers', 'Layers', 8, [2, 8]),
  row('slanted-layers', 'Slanted layers', 8, [2, 8]),
  row('ombre', 'Ombré layers', 4, [3, 10]),
  swirl('drops', 'Drops', 12, 0, [2, 6]),
  swirl('in-the-pot', 'In-the-pot swirl', 15, 0, [2, 5]),
  swirl('funnel', 'Funnel pour', 18, 10, [2, 6]),
  swirl('wall-pour', 'Pour down the wall', 15, 0, [2, 6]),
  swirl('hanger', 'Hanger swirl', 18, 10, [2, 5]),
  { ...row('divided-comb', 'Divided slab, combed through', 18, [2, 8], true), apartL: 10 },
  swirl('serpentine', 'Stripes in a serpentine', 15, 0, [2, 6]),
  swirl('blobs', 'Spooned blobs', 12, 0, [2, 6]),
  row('powder-line', 'Powder line between layers', 8, [2, 4]),
  swirl('embeds', 'Embeds', 8, 0, [2, 8]),
  row('piped-top', 'Piped top', 8, [2, 6]),
  row('textured-top', 'Textured top', 12, [2, 6], true),
  row('stamped', 'Stamped face', 8, [1, 3]),
];

/** The technique of an id; null for none or an unknown one. */
export const techniqueById = (id: string | null): Technique | null =>
  TECHNIQUES.find((t) => t.id === id) ?? null;

/** Largest step between neighbours of an ombré: beyond, it reads as layers. */
export const OMBRE_MOST = 10;
