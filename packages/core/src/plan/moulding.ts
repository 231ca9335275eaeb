import { type Grams, grams } from '../units/quantity.ts';

export const MOULD_SHAPES = ['box', 'cavities', 'cylinder', 'slab'] as const;
export type MouldShape = (typeof MOULD_SHAPES)[number];

/** A mould as it is kept. Lengths in mm, inside; `height` is how far it is filled. What a shape lacks is 0. */
export interface Mould {
  readonly name: string;
  readonly shape: MouldShape;
  readonly length: number;
  readonly width: number;
  readonly height: number;
  /** Of a cylinder, which lies or stands `length` long. */
  readonly diameter: number;
  /** Of one cavity, ml. */
  readonly cavityVolume: number;
  readonly cavities: number;
  /** Lengths along the slab between its dividers; empty for an undivided one. */
  readonly sections: readonly number[];
  readonly dividerThickness: number;
}

export interface MouldRow {
  readonly id: string;
  readonly count: number;
  readonly mould: Mould;
}

/** How the block is cut. Lengths in mm. */
export interface BarCut {
  readonly by: 'thickness' | 'count';
  readonly thickness: number;
  /** Wanted from one mould, where it is cut by count. */
  readonly count: number;
  /** Lost at each cut. */
  readonly kerf: number;
  /** Trimmed from either end. */
  readonly end: number;
  /** Bars side by side across the width; a slab has several. */
  readonly columns: number;
}

export interface Moulding {
  /** The oils follow the moulds, until an amount of oils is set by hand. */
  readonly leads: boolean;
  readonly moulds: readonly MouldRow[];
  /** Batter wanted for the top or for piping, beyond the fill. */
  readonly reserve: Grams;
  /** What sticks to each jug. */
  readonly lossPerJug: Grams;
  /** Of the batter at the pour, g/ml, as measured; null to work it out from its parts. */
  readonly density: number | null;
  readonly bars: BarCut;
}

export const emptyMoulding: Moulding = {
  leads: false,
  moulds: [],
  reserve: grams(0),
  lossPerJug: grams(12),
  density: null,
  bars: { by: 'thickness', thickness: 25, count: 10, kerf: 1, end: 0, columns: 1 },
};

/** A new mould of a shape with common measures, mm and ml. */
export const plainMould = (name: string, shape: MouldShape): Mould => ({
  name,
  shape,
  length: shape === 'cavities' ? 0 : shape === 'slab' ? 400 : 250,
  width: shape === 'slab' ? 300 : shape === 'box' ? 80 : 0,
  height: shape === 'slab' ? 30 : shape === 'box' ? 65 : 0,
  diameter: shape === 'cylinder' ? 75 : 0,
  cavityVolume: shape === 'cavities' ? 100 : 0,
  cavities: shape === 'cavities' ? 6 : 0,
  sections: [],
  dividerThickness: shape === 'slab' ? 3 : 0,
});
