import { BAND_COUNT } from '../colour/bands.ts';
import { Skyline } from '../numerics/skyline.ts';
import { type Forward, type Prepared, ROW } from './forward.ts';
import { type Layout } from './layout.ts';
import { type PriorRow } from './prior.ts';
import { bandSd, COUNTED, labResidual, type LabSeen, residualSlopes } from './seen.ts';

/** Normal matrix and gradient of prior and readings at one point, of the unknowns that are free. Rewritten by every `collect`. */
export class NormalEquations {
  readonly matrix: Skyline;
  readonly gradient: Float64Array;
  /** First column of each row, for a second matrix of the same shape. */
  readonly first: Int32Array;
  /** Row of each unknown, −1 for one that is held. */
  private readonly row: Int32Array;
  /** Rows of the entries of one band. */
  private readonly rows = new Int32Array(ROW);

  constructor(
    layout: Layout,
    private readonly readings: readonly Prepared[],
    private readonly prior: readonly PriorRow[],
    free: Int32Array,
  ) {
    this.row = new Int32Array(layout.size).fill(-1);
    free.forEach((i, at) => (this.row[i] = at));
    this.first = firstColumns(layout, readings, prior, this.row, free.length);
    this.matrix = new Skyline(this.first);
    this.gradient = new Float64Array(free.length);
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

  /** The last matrix with another prior, of the same form: less what one row told, and what the other tells. */
  swapPrior(other: readonly PriorRow[]): void {
    const addMatrix = ({ columns, weights }: PriorRow, sign: number): void => {
      for (let k = 0; k < columns.length; k++)
        for (let l = 0; l <= k; l++) this.add(columns[k]!, columns[l]!, sign * weights[k]! * weights[l]!);
    };
    for (const row of this.prior) addMatrix(row, -1);
    for (const row of other) addMatrix(row, 1);
  }

  private add(a: number, b: number, v: number): void {
    const i = this.row[a]!;
    const j = this.row[b]!;
    if (i < 0 || j < 0) return;
    const { values } = this.matrix;
    const at = i >= j ? this.matrix.at(i, j) : this.matrix.at(j, i);
    values[at] = values[at]! + v;
  }

  private addGradient(unknown: number, v: number): void {
    const i = this.row[unknown]!;
    if (i >= 0) this.gradient[i] = this.gradient[i]! + v;
  }

  private addPrior({ columns, weights }: PriorRow, p: Float64Array): void {
    let v = 0;
    for (let k = 0; k < columns.length; k++) v += p[columns[k]!]! * weights[k]!;
    for (let k = 0; k < columns.length; k++) {
      this.addGradient(columns[k]!, weights[k]! * v);
      for (let l = 0; l <= k; l++) this.add(columns[k]!, columns[l]!, weights[k]! * weights[l]!);
    }
  }

  private addSpectrum(forward: Forward, seen: Float64Array, weight: number): void {
    const { columns, slopes, counts, R } = forward;
    const { row, gradient, matrix } = this;
    const { values } = matrix;
    const rows = this.rows;
    for (let b = 0; b < BAND_COUNT; b++) {
      const w = (weight * COUNTED) / BAND_COUNT / bandSd(seen[b]!) ** 2;
      const off = R[b]! - seen[b]!;
      const from = b * ROW;
      const count = counts[b]!;
      for (let k = 0; k < count; k++) {
        const i = (rows[k] = row[columns[from + k]!]!);
        const slope = w * slopes[from + k]!;
        if (slope === 0 || i < 0) continue;
        gradient[i] = gradient[i]! + slope * off;
        for (let l = 0; l <= k; l++) {
          const j = rows[l]!;
          if (j < 0) continue;
          const at = i >= j ? matrix.at(i, j) : matrix.at(j, i);
          values[at] = values[at]! + slope * slopes[from + l]!;
        }
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
          if (this.row[columns[k]!]! >= 0)
            sums.set(columns[k]!, (sums.get(columns[k]!) ?? 0) + perBand[b]! * slopes[k]!);
      const list = [...sums];
      list.forEach(([column, slope], k) => {
        this.addGradient(column, weight * slope * off[c]!);
        for (let l = 0; l <= k; l++) this.add(column, list[l]![0], weight * slope * list[l]![1]);
      });
    });
  }
}

/** First column of each row of the normal matrix that may hold something. */
function firstColumns(
  layout: Layout,
  readings: readonly Prepared[],
  prior: readonly PriorRow[],
  row: Int32Array,
  size: number,
): Int32Array {
  const first = Int32Array.from({ length: size }, (_, i) => i);
  const couple = (unknowns: readonly number[]): void => {
    const columns = unknowns.map((i) => row[i]!).filter((i) => i >= 0);
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
