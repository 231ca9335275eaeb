import { type BarCut, type Mould, type Moulding, type MouldRow } from '../plan/moulding.ts';

/** mm³ in a ml. */
const ML = 1000;

/** Filled volume of one mould in ml; 0 where a measure is missing. */
export function mouldVolume(m: Mould): number {
  switch (m.shape) {
    case 'box':
    case 'slab':
      return (m.length * m.width * m.height) / ML;
    case 'cavities':
      return m.cavityVolume * m.cavities;
    case 'cylinder':
      return (Math.PI * (m.diameter / 2) ** 2 * m.length) / ML;
  }
}

/** Filled volume of all moulds of a batch, ml. */
export const mouldsVolume = ({ moulds }: Moulding): number =>
  moulds.reduce((sum, m) => sum + m.count * mouldVolume(m.mould), 0);

/** Area seen from above in dm², for powder lines and glitter. */
export function mouldArea(m: Mould): number {
  switch (m.shape) {
    case 'box':
    case 'slab':
      return (m.length * m.width) / 10_000;
    case 'cylinder':
      return (Math.PI * (m.diameter / 2) ** 2) / 10_000;
    case 'cavities':
      // A cavity about as high as half the root of its face: a bar's proportions.
      return (m.cavities * (2 * m.cavityVolume * ML) ** (2 / 3)) / 10_000;
  }
}

/** Ground area of all moulds together, dm²: what a powder line covers. */
export const mouldsArea = ({ moulds }: Moulding): number =>
  moulds.reduce((sum, m) => sum + m.count * mouldArea(m.mould), 0);

/** Volume of a layer of a height, or of a slanted one between two, over all moulds with a flat ground, ml. */
export const layerVolume = ({ moulds }: Moulding, height: number, second = height): number =>
  moulds.reduce((sum, { mould: m, count }) => {
    if (m.shape !== 'box' && m.shape !== 'slab') return sum;
    return sum + (count * m.length * m.width * (height + second)) / 2 / ML;
  }, 0);

/** The first divided mould of a batch. */
export const dividedMould = ({ moulds }: Moulding): MouldRow | null =>
  moulds.find((m) => m.mould.shape === 'slab' && m.mould.sections.length > 0) ?? null;

/**
 * Volume of a section (from 1), ml. Once the dividers are pulled the batter sinks into the room they took, so
 * each section gets its share of the whole volume by its length, and is filled above the line by that much.
 */
export function sectionVolume(moulding: Moulding, section: number): number {
  const row = dividedMould(moulding);
  const length = row?.mould.sections[section - 1] ?? 0;
  if (!row || !(length > 0)) return 0;
  const sum = row.mould.sections.reduce((a, b) => a + b, 0);
  return (row.count * mouldVolume(row.mould) * length) / sum;
}

/** Height to fill the sections to while the dividers stand, mm. */
export function dividedFill(m: Mould): number {
  const open = m.sections.reduce((a, b) => a + b, 0);
  return open > 0 ? (m.height * m.length) / open : m.height;
}

export type MouldProblem = 'no-size' | 'sections-too-long' | 'sections-short' | 'bars-do-not-fit';

/** What is wrong with a mould's own measures, if anything. */
export function mouldProblem(m: Mould): MouldProblem | null {
  if (!(mouldVolume(m) > 0)) return 'no-size';
  if (m.sections.length > 0) {
    const used =
      m.sections.reduce((a, b) => a + b, 0) + Math.max(0, m.sections.length - 1) * m.dividerThickness;
    if (used > m.length + 0.5) return 'sections-too-long';
    if (used < m.length - 0.5) return 'sections-short';
  }
  return null;
}

/** Thinner than this is a sliver, not a bar. */
export const THINNEST_BAR = 8;

export interface Bars {
  readonly count: number;
  /** Each along the mould, mm; 0 for cavities. */
  readonly thickness: number;
  /** Of one bar, ml. */
  readonly volume: number;
  /** Left at the end of the moulds, ml: end slices and what is too short for a bar. */
  readonly ends: number;
  /** Lost in the cuts, ml. */
  readonly kerf: number;
  readonly problem: MouldProblem | null;
}

const none = (problem: MouldProblem | null): Bars => ({
  count: 0,
  thickness: 0,
  volume: 0,
  ends: 0,
  kerf: 0,
  problem,
});

/** The bars of one mould: how many, how thick, how large, and what the cutting leaves. */
export function barsOfMould(m: Mould, cut: BarCut): Bars {
  const problem = mouldProblem(m);
  if (problem === 'no-size') return none(problem);
  const total = mouldVolume(m);
  if (m.shape === 'cavities') {
    return { count: m.cavities, thickness: 0, volume: m.cavityVolume, ends: 0, kerf: 0, problem };
  }
  const room = m.length - 2 * cut.end;
  // Only a slab is cut along as well.
  const across = m.shape === 'slab' ? cut.columns : 1;
  const rows =
    cut.by === 'count'
      ? Math.ceil(cut.count / across)
      : Math.floor((room + cut.kerf) / (cut.thickness + cut.kerf) + 1e-9);
  const thickness = cut.by === 'count' ? (room - (rows - 1) * cut.kerf) / rows : cut.thickness;
  if (!(rows >= 1) || thickness < THINNEST_BAR - 1e-9) return none('bars-do-not-fit');
  const perMm = total / m.length;
  const cuts = rows - 1 + (cut.end > 0 ? 2 : 0);
  // Cuts along the slab take their kerf from the width of each bar.
  const acrossLoss = m.shape === 'slab' && m.width > 0 ? ((across - 1) * cut.kerf) / m.width : 0;
  const slice = thickness * perMm;
  const kerf = Math.min(cuts * cut.kerf * perMm, total) + rows * slice * acrossLoss;
  const volume = (slice * (1 - acrossLoss)) / across;
  return {
    count: rows * across,
    thickness,
    volume,
    kerf,
    ends: Math.max(0, total - kerf - rows * across * volume),
    problem,
  };
}

/** All bars of a batch: those of each mould row, and their sum. */
export function barsOf(moulding: Moulding): {
  readonly rows: readonly { readonly row: MouldRow; readonly bars: Bars }[];
  readonly count: number;
  /** Together, ml. */
  readonly volume: number;
} {
  const rows = moulding.moulds.map((row) => ({ row, bars: barsOfMould(row.mould, moulding.bars) }));
  return {
    rows,
    count: rows.reduce((sum, { row, bars }) => sum + row.count * bars.count, 0),
    volume: rows.reduce((sum, { row, bars }) => sum + row.count * bars.count * bars.volume, 0),
  };
}
