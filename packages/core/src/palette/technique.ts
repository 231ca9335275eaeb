import { type Design } from '../plan/design.ts';

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
  /** Whether all of it stands in one pot, where one turn too many makes one shade of it. */
  readonly onePot: boolean;
  /** What it is done to: what fills the mould, or what lies on the top. */
  readonly where: 'body' | 'top';
}

const row = (id: string, name: string, apart: number, pots: Technique['pots'], mixes = false): Technique => ({
  id,
  name,
  apart,
  apartL: 0,
  pots,
  touching: 'row',
  mixes,
  onePot: false,
  where: 'body',
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
  onePot: false,
  where: 'body',
});
const onTop = (technique: Technique): Technique => ({ ...technique, where: 'top' });

/** Starting values; every maker's eye may differ. */
export const TECHNIQUES: readonly Technique[] = [
  row('layers', 'Layers', 8, [2, 8]),
  row('slanted-layers', 'Slanted layers', 8, [2, 8]),
  row('ombre', 'Ombré layers', 4, [3, 10]),
  swirl('drops', 'Drops', 12, 0, [2, 6]),
  { ...swirl('in-the-pot', 'In-the-pot swirl', 15, 0, [2, 5]), onePot: true },
  swirl('funnel', 'Funnel pour', 18, 10, [2, 6]),
  swirl('wall-pour', 'Pour down the wall', 15, 0, [2, 6]),
  swirl('hanger', 'Hanger swirl', 18, 10, [2, 5]),
  { ...row('divided-comb', 'Divided slab, combed through', 18, [2, 8], true), apartL: 10 },
  swirl('serpentine', 'Stripes in a serpentine', 15, 0, [2, 6]),
  swirl('blobs', 'Spooned blobs', 12, 0, [2, 6]),
  row('powder-line', 'Powder line between layers', 8, [2, 4]),
  swirl('embeds', 'Embeds', 8, 0, [2, 8]),
  onTop(row('piped-top', 'Piped top', 8, [1, 6])),
  onTop(row('textured-top', 'Textured top', 12, [1, 6], true)),
  row('stamped', 'Stamped face', 8, [1, 3]),
];

/** The technique of an id; null for none or an unknown one. */
export const techniqueById = (id: string | null): Technique | null =>
  TECHNIQUES.find((t) => t.id === id) ?? null;

/** Techniques that fill the mould, and those of the top. */
export const BODY_TECHNIQUES = TECHNIQUES.filter((t) => t.where === 'body');
export const TOP_TECHNIQUES = TECHNIQUES.filter((t) => t.where === 'top');

/** What batter needs that does no more than lie on other batter. */
export const PLAIN_BOUNDARY: Technique = techniqueById('layers')!;

/**
 * Techniques that are done to the same batter one after another, as one: each pair must bear the most demanding, and
 * everything touches as soon as one of them brings everything together. Null for none.
 */
export function together(ids: readonly string[]): Technique | null {
  const all = ids.flatMap((id) => techniqueById(id) ?? []);
  const [first, ...rest] = all;
  if (!first || rest.length === 0) return first ?? null;
  return {
    id: all.map((t) => t.id).join('+'),
    name: [first.name, ...rest.map((t) => t.name.toLowerCase())].join(', then '),
    apart: Math.max(...all.map((t) => t.apart)),
    apartL: Math.max(...all.map((t) => t.apartL)),
    pots: [Math.max(...all.map((t) => t.pots[0])), Math.min(...all.map((t) => t.pots[1]))],
    touching: all.some((t) => t.touching === 'all') ? 'all' : 'row',
    mixes: all.some((t) => t.mixes),
    onePot: all.some((t) => t.onePot),
    where: 'body',
  };
}

/** A design in words, without its pots; empty for an open one. */
export function designText({ body, layers, top }: Design): string {
  const own = layers.flatMap((l) => techniqueById(l.technique)?.name.toLowerCase() ?? []);
  const parts = [
    together(body)?.name ?? '',
    own.length > 0 ? `${own.join(' and ')} in ${own.length === 1 ? 'a layer' : 'layers'} of its own` : '',
    techniqueById(top)?.name ?? '',
  ].filter(Boolean);
  return parts.map((t, i) => (i === 0 ? t.charAt(0).toUpperCase() + t.slice(1) : t.toLowerCase())).join('; ');
}

/** Largest step between neighbours of an ombré: beyond, it reads as layers. */
export const OMBRE_MOST = 10;
