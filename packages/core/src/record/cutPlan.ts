import { type Cuts, cutsOf } from '../balance/cuts.ts';
import { mouldVolume } from '../balance/mould.ts';
import { type BarCut, type Mould } from '../plan/moulding.ts';
import { type CutRegion } from './record.ts';

/** The pieces of one stretch of the block. */
export interface CutPieces {
  readonly region: CutRegion;
  readonly count: number;
  /** Of one piece, mm. */
  readonly size: readonly [length: number, width: number, height: number];
  /** Of one piece at the cut, g. */
  readonly mass: number;
  /** Pieces go to nobody: trimmed ends. */
  readonly problem: 'too-thin' | null;
}

export interface CutPlan {
  readonly pieces: readonly CutPieces[];
  /** Along the block, that no region takes; below 0 where they take more than there is. mm */
  readonly left: number;
  /** All bars, and the mass of them, g. */
  readonly bars: number;
  readonly barMass: number;
  /** Where to cut across the block, from one end, for a strip of true length. */
  readonly cuts: Cuts;
}

/** Thinner than this no piece stands, mm. */
const THINNEST = 4;

const many = (room: number, thickness: number, kerf: number): number =>
  thickness > 0 ? Math.floor((room + kerf) / (thickness + kerf) + 1e-9) : 0;

/** Pieces of a stretch by the direction of its cuts: how many, and how large each is. */
function piecesOf(
  { width, height }: Mould,
  { length, direction, thickness, columns }: CutRegion,
  kerf: number,
): { readonly count: number; readonly size: CutPieces['size'] } {
  const column = (width - (columns - 1) * kerf) / columns;
  switch (direction) {
    case 'across':
      return { count: many(length, thickness, kerf) * columns, size: [thickness, column, height] };
    case 'flat':
      return { count: many(height, thickness, kerf) * columns, size: [length, column, thickness] };
    case 'along':
      return { count: many(width, thickness, kerf), size: [length, thickness, height] };
  }
}

/** Whether a mould gives a block that can be cut in stretches of its own. */
export const canBeCut = ({ shape }: Pick<Mould, 'shape'>): boolean => shape === 'box' || shape === 'slab';

/** The regions that a plan’s own cut amounts to, as the start of another. */
export function regionsOf(mould: Mould, cut: BarCut): CutRegion[] {
  const thickness =
    cut.by === 'count' ? (cutsOf(mould, cut)?.centres.length ? barThickness(mould, cut) : 25) : cut.thickness;
  const end = (id: string): CutRegion[] =>
    cut.end > 0
      ? [{ id, use: 'end', length: cut.end, direction: 'across', thickness: cut.end, columns: 1 }]
      : [];
  return [
    ...end('first'),
    {
      id: 'bars',
      use: 'bars',
      length: mould.length - 2 * cut.end,
      direction: 'across',
      thickness,
      columns: mould.shape === 'slab' ? cut.columns : 1,
    },
    ...end('last'),
  ];
}

/** Of the bars that a cut by count gives, mm. */
function barThickness(mould: Mould, cut: BarCut): number {
  const { centres } = cutsOf(mould, cut)!;
  return centres.length > 1 ? centres[1]! - centres[0]! - cut.kerf : mould.length - 2 * cut.end;
}

/**
 * What a block gives when it is cut in regions, each with its own thickness and direction.
 * @param blockMass of the whole block at the cut, g
 */
export function cutPlan(
  mould: Mould,
  regions: readonly CutRegion[],
  kerf: number,
  blockMass: number,
): CutPlan {
  const perMm3 = blockMass / (mouldVolume(mould) * 1000);
  const pieces = regions.map((region): CutPieces => {
    const { count, size } = piecesOf(mould, region, kerf);
    const problem = region.thickness < THINNEST || count === 0 ? 'too-thin' : null;
    return { region, count, size, mass: perMm3 * size[0] * size[1] * size[2], problem };
  });
  const bars = pieces.filter((p) => p.region.use === 'bars');
  const count = bars.reduce((sum, p) => sum + p.count, 0);
  return {
    pieces,
    left: mould.length - regions.reduce((sum, r) => sum + r.length, 0),
    bars: count,
    barMass: bars.reduce((sum, p) => sum + p.count * p.mass, 0),
    cuts: stripOf(mould, pieces, kerf),
  };
}

/** Cuts across the block: between regions, and within those that are cut across. */
function stripOf(mould: Mould, pieces: readonly CutPieces[], kerf: number): Cuts {
  const cuts: number[] = [];
  const centres: number[] = [];
  let from = 0;
  for (const { region, count } of pieces) {
    if (region.use === 'bars' && region.direction === 'across') {
      const rows = region.columns > 0 ? Math.round(count / region.columns) : 0;
      for (let i = 0; i < rows; i++) {
        const start = from + i * (region.thickness + kerf);
        centres.push(start + region.thickness / 2);
        if (i > 0) cuts.push(start - kerf / 2);
      }
    } else if (region.use !== 'end') centres.push(from + region.length / 2);
    from += region.length;
    if (from < mould.length - 0.05) cuts.push(from);
  }
  return { cuts: cuts.toSorted((a, b) => a - b), centres, across: [] };
}
