import { type GramsPerKg } from '../units/quantity.ts';

export const EMBED_BASES = ['melt-white', 'melt-clear', 'dough', 'cut-bar'] as const;
export type EmbedBase = (typeof EMBED_BASES)[number];
export const EMBED_SHAPES = ['rod', 'round-rod', 'block', 'ball'] as const;
export type EmbedShape = (typeof EMBED_SHAPES)[number];

/** What an embed is made of, and its shape, in words. */
export const EMBED_BASE_NAMES: Readonly<Record<EmbedBase, string>> = {
  'melt-white': 'Melt-and-pour base, white',
  'melt-clear': 'Melt-and-pour base, clear',
  dough: 'Soap dough',
  'cut-bar': 'Soap cut from a bar',
};
export const EMBED_SHAPE_NAMES: Readonly<Record<EmbedShape, string>> = {
  rod: 'square rod',
  'round-rod': 'round rod',
  block: 'block',
  ball: 'ball',
};

/** A small soap that goes into the batter or onto it. Lengths in mm. */
export interface Embed {
  readonly id: string;
  readonly name: string;
  readonly base: EmbedBase;
  readonly shape: EmbedShape;
  /** Diameter for what is round. */
  readonly width: number;
  readonly height: number;
  /** Of a block; a rod runs the length of the mould. */
  readonly length: number;
  /** In each bar; a rod is cut through with the bar. */
  readonly perBar: number;
  /** On the top instead of inside, where it takes no room in the mould. */
  readonly onTop: boolean;
  readonly doses: readonly EmbedDose[];
}

export interface EmbedDose {
  readonly id: string;
  readonly materialId: string;
  /** g per kg of the embed's own soap. */
  readonly dose: GramsPerKg;
}

/** A sieved line between layers, or glitter on the top. */
export interface PowderLine {
  readonly id: string;
  readonly materialId: string;
  readonly gramsPerDm2: number;
  /** How many such lines. */
  readonly count: number;
}
