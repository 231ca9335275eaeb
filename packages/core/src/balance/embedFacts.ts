import { referenceCanvas } from '../pigment/canvas.ts';
import { type Optics } from '../pigment/optics.ts';
import { type Composition } from '../pigment/composition.ts';
import { planCanvas } from './potComposition.ts';
import { type Embed, type PowderLine } from '../plan/embed.ts';
import { barsOf, barsOfMould, mouldsArea } from './mould.ts';
import { type Moulding } from '../plan/moulding.ts';
import { materialOf, type Plan } from '../plan/plan.ts';

/** Density of finished soap, g/ml. */
export const SOAP_DENSITY = 1.04;
/** Batter made from a kg of oils, kg: turns doses on soap into doses on oils. */
const SOAP_PER_OIL = 1.4;

export type EmbedProblem = 'no-size' | 'too-wide' | 'too-tall' | 'longer-than-bar';

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
  readonly powders: readonly { readonly materialId: string; readonly mass: number }[];
  readonly problem: EmbedProblem | null;
}

const section = ({ shape, width, height }: Embed): number =>
  shape === 'round-rod' || shape === 'ball' ? Math.PI * (width / 2) ** 2 : width * height;

const tall = (e: Embed): number => (e.shape === 'round-rod' || e.shape === 'ball' ? e.width : e.height);

/** How many pieces of an embed a batch needs, what they weigh, the room they take, and whether they fit. */
export function embedFacts(moulding: Moulding, embed: Embed): EmbedFacts {
  const isRod = embed.shape === 'rod' || embed.shape === 'round-rod';
  const moulds = moulding.moulds.filter((m) => m.mould.shape !== 'cavities');
  const bars = barsOf(moulding);
  // A rod serves every bar along it; side by side in a slab each column needs its own.
  const columns = (shape: string): number => (shape === 'slab' ? moulding.bars.columns : 1);
  const rods = moulds.reduce((sum, m) => sum + m.count * embed.perBar * columns(m.mould.shape), 0);
  const rodLength = Math.max(0, ...moulds.map((m) => m.mould.length));
  const count = isRod ? rods : embed.perBar * bars.count;
  const length = isRod ? rodLength : embed.shape === 'ball' ? embed.width : embed.length;
  const one = embed.shape === 'ball' ? (Math.PI * embed.width ** 3) / 6 : section(embed) * length;
  const volume = isRod
    ? moulds.reduce(
        (sum, m) =>
          sum + (m.count * embed.perBar * columns(m.mould.shape) * section(embed) * m.mould.length) / 1000,
        0,
      )
    : (count * one) / 1000;
  const mass = volume * SOAP_DENSITY;
  return {
    embed,
    count,
    length,
    volume,
    mass,
    room: embed.onTop ? 0 : volume,
    perBarMass: bars.count > 0 ? mass / bars.count : 0,
    powders: embed.doses.map((d) => ({ materialId: d.materialId, mass: (d.dose * mass) / 1000 })),
    problem: embedProblem(moulding, embed),
  };
}

function embedProblem(moulding: Moulding, e: Embed): EmbedProblem | null {
  if (!(section(e) > 0) || (e.shape === 'block' && !(e.length > 0))) return 'no-size';
  for (const { mould } of moulding.moulds) {
    const bar = barsOfMould(mould, moulding.bars).thickness;
    if (mould.shape === 'cavities') continue;
    const round = mould.shape === 'cylinder';
    const width = round ? mould.diameter : mould.width / (mould.shape === 'slab' ? moulding.bars.columns : 1);
    const height = round ? mould.diameter : mould.height;
    if (e.width * (e.onTop ? 1 : e.perBar) > width) return 'too-wide';
    if (!e.onTop && tall(e) > height) return 'too-tall';
    if (e.shape === 'block' && bar > 0 && e.length > bar) return 'longer-than-bar';
  }
  return null;
}

/** Room that all embeds take inside the moulds, ml. */
export const embedsRoom = (plan: Plan): number =>
  plan.embeds.reduce((sum, e) => sum + embedFacts(plan.moulding, e).room, 0);

/** Powder for a line or a dusting: grams per area over all moulds. */
export const lineMass = (moulding: Moulding, line: PowderLine): number =>
  line.gramsPerDm2 * mouldsArea(moulding) * line.count;

/** What an embed looks like. Melt-and-pour is shown as a plain base; the clear one as if fully gelled. */
export function embedComposition(plan: Plan, embed: Embed): Composition {
  const own = embed.base === 'dough' || embed.base === 'cut-bar';
  const parts = embed.doses.flatMap((d): { optics: Optics; dose: number }[] => {
    const { optics } = materialOf(plan, d.materialId);
    return optics && d.dose > 0 ? [{ optics, dose: d.dose * SOAP_PER_OIL }] : [];
  });
  return {
    canvas: own ? planCanvas(plan, false) : referenceCanvas,
    parts,
    age: 0,
    gel: embed.base === 'melt-clear' ? 1 : null,
  };
}
