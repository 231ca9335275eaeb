/**
 * A symmetric positive definite matrix of which each row begins at its first entry that is not zero: what couples
 * few others costs little. Lower triangle, row by row; George and Liu (1981), chapter 4.
 */
export class Skyline {
  /** Where row i begins: entry (i, j) lies at `start[i] + j`. */
  private readonly start: Int32Array;
  readonly values: Float64Array;

  /** @param first first column of each row that may hold something, ≤ the row */
  constructor(private readonly first: Int32Array) {
    this.start = new Int32Array(first.length);
    let length = 0;
    first.forEach((f, i) => {
      this.start[i] = length - f;
      length += i - f + 1;
    });
    this.values = new Float64Array(length);
  }

  get size(): number {
    return this.first.length;
  }

  /** Where entry (i, j) with j ≤ i lies in `values`. */
  at(i: number, j: number): number {
    return this.start[i]! + j;
  }

  clear(): void {
    this.values.fill(0);
  }

  copyFrom(other: Skyline): void {
    this.values.set(other.values);
  }

  /** Cholesky factor in place. @returns false where the matrix is not positive definite */
  factor(): boolean {
    const { first, start, values } = this;
    for (let i = 0; i < first.length; i++) {
      const row = start[i]!;
      for (let j = first[i]!; j <= i; j++) {
        const other = start[j]!;
        const sum = values[row + j]! - dot(values, row, other, Math.max(first[i]!, first[j]!), j);
        if (j < i) values[row + j] = sum / values[other + j]!;
        else if (sum > 0) values[row + j] = Math.sqrt(sum);
        else return false;
      }
    }
    return true;
  }

  /** Solves with the factor, in place. */
  solve(x: Float64Array): void {
    this.forward(x, 0);
    const { first, start, values } = this;
    for (let i = first.length - 1; i >= 0; i--) {
      const v = x[i]! / values[start[i]! + i]!;
      x[i] = v;
      for (let j = first[i]!; j < i; j++) x[j] = x[j]! - v * values[start[i]! + j]!;
    }
  }

  /** First half of `solve`, for an x that is zero before `from`: |result|² is xᵀA⁻¹x. */
  forward(x: Float64Array, from: number): void {
    const { first, start, values } = this;
    for (let i = from; i < first.length; i++) {
      const row = start[i]!;
      let sum = x[i]!;
      for (let j = Math.max(first[i]!, from); j < i; j++) sum -= values[row + j]! * x[j]!;
      x[i] = sum / values[row + i]!;
    }
  }
}

/** Four sums at once: one alone waits for each addition. */
function dot(v: Float64Array, a: number, b: number, from: number, to: number): number {
  let s0 = 0;
  let s1 = 0;
  let s2 = 0;
  let s3 = 0;
  let k = from;
  for (; k + 3 < to; k += 4) {
    s0 += v[a + k]! * v[b + k]!;
    s1 += v[a + k + 1]! * v[b + k + 1]!;
    s2 += v[a + k + 2]! * v[b + k + 2]!;
    s3 += v[a + k + 3]! * v[b + k + 3]!;
  }
  for (; k < to; k++) s0 += v[a + k]! * v[b + k]!;
  return s0 + s1 + s2 + s3;
}
