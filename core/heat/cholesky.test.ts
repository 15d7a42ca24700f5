import fc from 'fast-check';
import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { expect, test } from 'vitest';
import { inverseBy, lowerOf, solvedBy } from './cholesky';

/** Any matrix times its own transpose, and a little on the diagonal, is positive definite. */
const definite = fc.integer({ min: 1, max: 8 }).chain((n) =>
  fc.record({
    rows: fc.array(fc.array(fc.double({ min: -5, max: 5, noNaN: true }), { minLength: n, maxLength: n }), { minLength: n, maxLength: n }),
    b: fc.array(fc.double({ min: -9, max: 9, noNaN: true }), { minLength: n, maxLength: n }),
  }),
);

test('the same as ml-matrix gives, for any few rows', () => {
  fc.assert(
    fc.property(definite, ({ rows, b }) => {
      const a = new Matrix(rows).transpose().mmul(new Matrix(rows)).add(Matrix.eye(b.length).mul(0.1));
      const other = new CholeskyDecomposition(a);
      const lower = lowerOf(a.to2DArray());
      const near = (mine: number[][], theirs: number[][]) =>
        mine.forEach((row, i) => {
          row.forEach((value, j) => {
            expect(Math.abs(value - (theirs[i]?.[j] ?? Number.NaN))).toBeLessThan(1e-6 * Math.max(1, Math.abs(value)));
          });
        });
      near(lower, other.lowerTriangularMatrix.to2DArray());
      near([solvedBy(lower, b)], [other.solve(Matrix.columnVector(b)).to1DArray()]);
      near(inverseBy(lower), other.solve(Matrix.eye(b.length)).to2DArray());
    }),
    { numRuns: 200, seed: 3 },
  );
});
test('what is not positive definite gives no number', () => expect(Number.isNaN(lowerOf([[-1]])[0]?.[0])).toBe(true));
