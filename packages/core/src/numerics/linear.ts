/**
 * Solves A x = b for a symmetric positive definite A (n rows of `stride` numbers) by elimination, which needs no
 * pivoting there. A and b are overwritten.
 */
export function solveDefinite(
  A: Float64Array,
  b: Float64Array,
  n: number,
  stride: number,
  x: Float64Array,
): void {
  for (let c = 0; c < n; c++) {
    for (let row = c + 1; row < n; row++) {
      const factor = A[row * stride + c]! / A[c * stride + c]!;
      for (let j = c; j < n; j++) A[row * stride + j] = A[row * stride + j]! - factor * A[c * stride + j]!;
      b[row] = b[row]! - factor * b[c]!;
    }
  }
  for (let i = n - 1; i >= 0; i--) {
    let sum = b[i]!;
    for (let j = i + 1; j < n; j++) sum -= A[i * stride + j]! * x[j]!;
    x[i] = sum / A[i * stride + i]!;
  }
}
