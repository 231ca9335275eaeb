import { type Carrier } from '../material/material.ts';
import { type Grams, type GramsPerKg } from '../units/quantity.ts';

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
  /** How many there are in all, where that was decided instead of how many go into each bar. */
  readonly pieces: number | null;
  /** Weight of one, where it was weighed instead of reckoned from its size. */
  readonly gramsEach: Grams | null;
  /** On the top instead of inside, where it takes no room in the mould. */
  readonly onTop: boolean;
  /** Height of its lower side above the floor of the mould, mm; null where it may lie anywhere. */
  readonly rests: number | null;
  /** What it is made of, by parts: one for each of its colours. */
  readonly parts: readonly EmbedPart[];
  /** Powder that it is rolled in for an outline. */
  readonly dusting: Dusting | null;
}

/** A colour of an embed. */
export interface EmbedPart {
  readonly id: string;
  /** Of the embed's soap, in parts. */
  readonly parts: number;
  readonly doses: readonly EmbedDose[];
}

export interface Dusting {
  readonly materialId: string;
  readonly gramsPerDm2: number;
}

export interface EmbedDose {
  readonly id: string;
  readonly materialId: string;
  /** g per kg of the soap of this colour. */
  readonly dose: GramsPerKg;
}

/** A sieved line between layers, or glitter on the top. */
export interface PowderLine {
  readonly id: string;
  readonly materialId: string;
  readonly gramsPerDm2: number;
  /** How many such lines. */
  readonly count: number;
  /** What it is brought on in; null for dry through a sieve. */
  readonly carrier: Carrier | null;
}

/** Ids of all materials of an embed. */
export const embedMaterials = ({ parts, dusting }: Embed): string[] => [
  ...parts.flatMap((p) => p.doses.map((d) => d.materialId)),
  ...(dusting ? [dusting.materialId] : []),
];
