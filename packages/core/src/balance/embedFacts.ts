import { referenceCanvas } from '../pigment/canvas.ts';
import { type Composition } from '../pigment/composition.ts';
import { partsOf, planCanvas } from './potComposition.ts';
import { type Embed, type EmbedPart, type PowderLine } from '../plan/embed.ts';
import { barsOf, barsOfMould, mouldsArea } from './mould.ts';
import { type Moulding, type MouldRow } from '../plan/moulding.ts';
import { materialOf, type Plan } from '../plan/plan.ts';

/** Density of finished soap, g/ml. */
export const SOAP_DENSITY = 1.04;
/** Batter made from a kg of oils, kg: turns doses on soap into doses on oils. */
const SOAP_PER_OIL = 1.4;

export type EmbedProblem = 'no-size' | 'too-wide' | 'too-tall' | 'longer-than-bar' | 'rests-too-high';

export interface EmbedPowder {
  readonly materialId: string;
  readonly mass: number;
}

/** One colour of an embed: its soap and its powders, g. */
export interface EmbedColour {
  readonly part: EmbedPart;
  readonly mass: number;
  readonly powders: readonly EmbedPowder[];
}

export interface EmbedFacts {
  readonly embed: Embed;
  /** To make: rods, or pieces. */
  readonly count: number;
  /** Length of one, mm. */
  readonly length: number;
  /** All together. */
  readonly volume: number;
  readonly mass: number;
  /** Room they take inside the moulds, ml. */
  readonly room: number;
  /** In one bar, g; 0 without bars. */
  readonly perBarMass: number;
  readonly colours: readonly EmbedColour[];
  /** All powders, each once, that of the dusting too. */
  readonly powders: readonly EmbedPowder[];
  /** Powder that all of them are rolled in; null for none. */
  readonly dusting: EmbedPowder | null;
  /** Of the bar's thickness that a piece takes along the mould; null for rods, and without bars. */
  readonly ofBar: number | null;
  readonly problem: EmbedProblem | null;
}

const isRound = ({ shape }: Embed): boolean => shape === 'round-rod' || shape === 'ball';
const isRod = ({ shape }: Embed): boolean => shape === 'rod' || shape === 'round-rod';

/** Area of the section across the mould, mm². */
const section = (e: Embed): number => (isRound(e) ? Math.PI * (e.width / 2) ** 2 : e.width * e.height);

const tall = (e: Embed): number => (isRound(e) ? e.width : e.height);

/** Surface of one of a length, dm²: what dusting covers. */
function surface(e: Embed, length: number): number {
  if (e.shape === 'ball') return (Math.PI * e.width ** 2) / 10_000;
  const around = isRound(e) ? Math.PI * e.width : 2 * (e.width + e.height);
  return (2 * section(e) + around * length) / 10_000;
}

/** How many pieces of an embed a batch needs, what they weigh, the room they take, and whether they fit. */
export function embedFacts(moulding: Moulding, embed: Embed): EmbedFacts {
  const moulds = moulding.moulds.filter((m) => m.mould.shape !== 'cavities');
  const bars = barsOf(moulding);
  const rods = isRod(embed);
  // A rod serves every bar along it; side by side in a slab each column needs its own.
  const rodsIn = ({ mould, count }: MouldRow): number =>
    count * embed.perBar * (mould.shape === 'slab' ? moulding.bars.columns : 1);
  const longest = Math.max(0, ...moulds.map((m) => m.mould.length));
  const length = rods ? longest : embed.shape === 'ball' ? embed.width : embed.length;
  const count =
    embed.pieces ?? (rods ? moulds.reduce((sum, m) => sum + rodsIn(m), 0) : embed.perBar * bars.count);
  const one = embed.shape === 'ball' ? (Math.PI * embed.width ** 3) / 6 : section(embed) * length;
  const measured =
    rods && embed.pieces === null
      ? moulds.reduce((sum, m) => sum + (rodsIn(m) * section(embed) * m.mould.length) / 1000, 0)
      : (count * one) / 1000;
  // What was weighed is surer than what was measured.
  const volume = embed.gramsEach === null ? measured : (count * embed.gramsEach) / SOAP_DENSITY;
  const mass = volume * SOAP_DENSITY;
  const parts = embed.parts.reduce((sum, p) => sum + p.parts, 0);
  const thickness = Math.min(
    Infinity,
    ...bars.rows.flatMap(({ bars: b }) => (b.thickness > 0 ? [b.thickness] : [])),
  );
  const colours = embed.parts.map((part): EmbedColour => {
    const own = parts > 0 ? (mass * part.parts) / parts : 0;
    return {
      part,
      mass: own,
      powders: part.doses.map((d) => ({ materialId: d.materialId, mass: (d.dose * own) / 1000 })),
    };
  });
  const dusting = embed.dusting && {
    materialId: embed.dusting.materialId,
    mass: embed.dusting.gramsPerDm2 * surface(embed, length) * count,
  };
  return {
    embed,
    count,
    length,
    volume,
    mass,
    room: embed.onTop ? 0 : volume,
    perBarMass: bars.count > 0 ? mass / bars.count : 0,
    colours,
    powders: eachPowder([...colours.flatMap((c) => c.powders), ...(dusting ? [dusting] : [])]),
    dusting,
    ofBar: rods || thickness === Infinity ? null : length / thickness,
    problem: embedProblem(moulding, embed),
  };
}

function eachPowder(powders: readonly EmbedPowder[]): EmbedPowder[] {
  const sum = new Map<string, number>();
  for (const p of powders) sum.set(p.materialId, (sum.get(p.materialId) ?? 0) + p.mass);
  return [...sum].map(([materialId, mass]) => ({ materialId, mass }));
}

function embedProblem(moulding: Moulding, e: Embed): EmbedProblem | null {
  if (!(section(e) > 0) || (e.shape === 'block' && !(e.length > 0))) return 'no-size';
  for (const { mould } of moulding.moulds) {
    const bar = barsOfMould(mould, moulding.bars).thickness;
    if (mould.shape === 'cavities') continue;
    const round = mould.shape === 'cylinder';
    const width = round ? mould.diameter : mould.width / (mould.shape === 'slab' ? moulding.bars.columns : 1);
    const height = round ? mould.diameter : mould.height;
    if (e.width * (e.onTop || e.pieces !== null ? 1 : e.perBar) > width) return 'too-wide';
    if (!e.onTop && tall(e) > height) return 'too-tall';
    if (!e.onTop && (e.rests ?? 0) + tall(e) > height + 1e-9) return 'rests-too-high';
    const along = e.shape === 'block' ? e.length : e.shape === 'ball' ? e.width : 0;
    if (bar > 0 && along > bar) return 'longer-than-bar';
  }
  return null;
}

/** Room that all embeds take inside the moulds, ml. */
export const embedsRoom = (plan: Plan): number =>
  plan.embeds.reduce((sum, e) => sum + embedFacts(plan.moulding, e).room, 0);

/** Powder for a line or a dusting: grams per area over all moulds. */
export const lineMass = (moulding: Moulding, line: PowderLine): number =>
  line.gramsPerDm2 * mouldsArea(moulding) * line.count;

/** What each colour of an embed looks like. Melt-and-pour is shown as a plain base; the clear one as if fully gelled. */
export function embedComposition(plan: Plan, embed: Embed, part: EmbedPart): Composition {
  const own = embed.base === 'dough' || embed.base === 'cut-bar';
  const parts = partsOf(
    part.doses.map((d) => ({ material: materialOf(plan, d.materialId), dose: d.dose * SOAP_PER_OIL })),
  );
  return {
    canvas: own ? planCanvas(plan, false) : referenceCanvas,
    parts,
    age: 0,
    gel: embed.base === 'melt-clear' ? 1 : null,
  };
}
