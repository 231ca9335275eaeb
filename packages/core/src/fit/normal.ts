import { BAND_COUNT } from '../colour/bands.ts';
import { Skyline } from '../numerics/skyline.ts';
import { type Forward, type Prepared, ROW } from './forward.ts';
import { type Layout } from './layout.ts';
import { type PriorRow } from './prior.ts';
import { bandSd, COUNTED, labResidual, type LabSeen, residualSlopes } from './seen.ts';

/** Normal matrix and gradient of prior and readings at one point. Buffers are rewritten by every `collect`. */
export class NormalEquations {
  readonly matrix: Skyline;
  readonly gradient: Float64Array;
  /** First column of each row, for a second matrix of the same shape. */
  readonly first: Int32Array;

  constructor(
    layout: Layout,
    private readonly readings: readonly Prepared[],
    private readonly prior: readonly PriorRow[],
  ) {
    this.first = firstColumns(layout, readings, prior);
    this.matrix = new Skyline(this.first);
    this.gradient = new Float64Array(layout.size);
  }

  /** @param weights of the readings, 0–1 */
  collect(p: Float64Array, forward: Forward, weights: Float64Array): void {
    this.matrix.clear();
    this.gradient.fill(0);
    for (const row of this.prior) this.addPrior(row, p);
    this.readings.forEach((r, i) => {
      forward.evaluate(p, r, true);
      const { seen } = r.reading;
      if ('spectrum' in seen) this.addSpectrum(forward, seen.spectrum, weights[i]!);
      else this.addLab(forward, seen, weights[i]!);
    });
  }

  private add(i: number, j: number, v: number): void {
    const { values } = this.matrix;
    const at = i >= j ? this.matrix.at(i, j) : this.matrix.at(j, i);
    values[at] = values[at]! + v;
  }

  private addPrior({ columns, weights }: PriorRow, p: Float64Array): void {
    let v = 0;
    for (let k = 0; k < columns.length; k++) v += p[columns[k]!]! * weights[k]!;
    for (let k = 0; k < columns.length; k++) {
      this.gradient[columns[k]!] = this.gradient[columns[k]!]! + weights[k]! * v;
      for (let l = 0; l <= k; l++) this.add(columns[k]!, columns[l]!, weights[k]! * weights[l]!);
    }
  }

  private addSpectrum(forward: Forward, seen: Float64Array, weight: number): void {
    const { columns, slopes, counts, R } = forward;
    for (let b = 0; b < BAND_COUNT; b++) {
      const w = (weight * COUNTED) / BAND_COUNT / bandSd(seen[b]!) ** 2;
      const off = R[b]! - seen[b]!;
      const from = b * ROW;
      for (let k = from; k < from + counts[b]!; k++) {
        const slope = w * slopes[k]!;
        if (slope === 0) continue;
        const column = columns[k]!;
        this.gradient[column] = this.gradient[column]! + slope * off;
        for (let l = from; l <= k; l++) this.add(column, columns[l]!, slope * slopes[l]!);
      }
    }
  }

  private addLab(forward: Forward, seen: LabSeen, weight: number): void {
    const { columns, slopes, counts } = forward;
    const off = labResidual(forward.R, seen);
    residualSlopes(forward.R, seen).forEach((perBand, c) => {
      const sums = new Map<number, number>();
      for (let b = 0; b < BAND_COUNT; b++)
        for (let k = b * ROW; k < b * ROW + counts[b]!; k++)
          sums.set(columns[k]!, (sums.get(columns[k]!) ?? 0) + perBand[b]! * slopes[k]!);
      const list = [...sums];
      list.forEach(([column, slope], k) => {
        this.gradient[column] = this.gradient[column]! + weight * slope * off[c]!;
        for (let l = 0; l <= k; l++) this.add(column, list[l]![0], weight * slope * list[l]![1]);
      });
    });
  }
}

/** First column of each row of the normal matrix that may hold something. */
function firstColumns(layout: Layout, readings: readonly Prepared[], prior: readonly PriorRow[]): Int32Array {
  const first = Int32Array.from({ length: layout.size }, (_, i) => i);
  const couple = (columns: readonly number[]): void => {
    const least = Math.min(...columns);
    for (const c of columns) first[c] = Math.min(first[c]!, least);
  };
  for (const row of prior) couple(row.columns);
  const starts = layout.materials.map((m) => layout.of.get(m.id)!);
  const ends = [...starts.slice(1), layout.base];
  const block = (at: number): number[] => {
    const end = ends[starts.indexOf(at)]!;
    return Array.from({ length: end - at }, (_, j) => at + j);
  };
  const rest = Array.from({ length: layout.size - layout.base }, (_, j) => layout.base + j);
  for (const at of starts) couple(block(at));
  for (const r of readings) couple([...r.parts.flatMap((x) => block(x.at)), ...rest]);
  couple(rest);
  return first;
}
