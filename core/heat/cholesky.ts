/**
 * A symmetric, positive definite matrix of a few rows taken apart as L·Lᵀ, and equations solved with it. Written out, because the library that
 * does it (ml-matrix, which the tests hold it against) weighs as much as a third of what a stove may ask for at first.
 */
type Rows = readonly (readonly number[])[];

const at = (rows: Rows, i: number, j: number): number => rows[i]?.[j] ?? 0;

/** The lower triangle L. NaN where the matrix is not positive definite. */
export function lowerOf(matrix: Rows): number[][] {
  const lower: number[][] = matrix.map((row) => row.map(() => 0));
  for (let i = 0; i < matrix.length; i++)
    for (let j = 0; j <= i; j++) {
      let sum = at(matrix, i, j);
      for (let k = 0; k < j; k++) sum -= at(lower, i, k) * at(lower, j, k);
      const row = lower[i];
      if (row) row[j] = i === j ? Math.sqrt(sum) : sum / at(lower, j, j);
    }
  return lower;
}

/** x of L·Lᵀ·x = b. */
export function solvedBy(lower: Rows, b: readonly number[]): number[] {
  const y: number[] = [];
  for (let i = 0; i < b.length; i++) {
    let sum = b[i] ?? 0;
    for (let k = 0; k < i; k++) sum -= at(lower, i, k) * (y[k] ?? 0);
    y.push(sum / at(lower, i, i));
  }
  const x = y.slice();
  for (let i = b.length - 1; i >= 0; i--) {
    let sum = y[i] ?? 0;
    for (let k = i + 1; k < b.length; k++) sum -= at(lower, k, i) * (x[k] ?? 0);
    x[i] = sum / at(lower, i, i);
  }
  return x;
}

/** The inverse of L·Lᵀ, symmetric to the last digit. */
export function inverseBy(lower: Rows): number[][] {
  const columns = lower.map((_, i) =>
    solvedBy(
      lower,
      lower.map((__, k) => (k === i ? 1 : 0)),
    ),
  );
  return columns.map((column, i) => column.map((value, j) => (value + at(columns, j, i)) / 2));
}
