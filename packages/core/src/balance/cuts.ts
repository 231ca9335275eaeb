import { type BarCut, type Mould } from '../plan/moulding.ts';
import { barsOfMould } from './mould.ts';

/** Where a block is cut, mm. */
export interface Cuts {
  /** Middles of the cuts from one end, in order: the trimmed ends too. */
  readonly cuts: readonly number[];
  /** Middles of the bars from the same end. */
  readonly centres: readonly number[];
  /** Middles of the cuts along a slab from one side; empty for bars as wide as the block. */
  readonly across: readonly number[];
}

/** Distances for the cutter; null for cavities and blocks that give no bar. */
export function cutsOf(mould: Mould, cut: BarCut): Cuts | null {
  const { count, thickness } = barsOfMould(mould, cut);
  if (mould.shape === 'cavities' || !(count > 0)) return null;
  const columns = mould.shape === 'slab' ? cut.columns : 1;
  const rows = count / columns;
  const step = thickness + cut.kerf;
  const start = (i: number): number => cut.end + i * step;
  const last = start(rows - 1) + thickness;
  // What is too short for a bar is cut off as the ends are.
  const trimmed = mould.length - last > 0.05;
  const cuts = Array.from({ length: rows - 1 }, (_, i) => start(i) + thickness + cut.kerf / 2);
  const width = (mould.width - (columns - 1) * cut.kerf) / columns;
  return {
    cuts: [
      ...(cut.end > 0 ? [cut.end - cut.kerf / 2] : []),
      ...cuts,
      ...(trimmed ? [last + cut.kerf / 2] : []),
    ],
    centres: Array.from({ length: rows }, (_, i) => start(i) + thickness / 2),
    across: Array.from({ length: columns - 1 }, (_, i) => (i + 1) * width + (i + 0.5) * cut.kerf),
  };
}
