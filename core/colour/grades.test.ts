import { describe, expect, test } from 'vitest';
import { changeGrade, printRating, stainGrade } from './grades';
import type { Lab } from './lab';

const lab = (l: number, a: number, b: number): Lab => ({ l, a, b });

describe('grey scale for change of colour (ISO 105-A05:1996)', () => {
  test.each([
    [1.7, 4],
    [3.4, 3],
    [13.6, 1],
  ])('a pure ΔL of %d is %d', (deltaL, gs) => {
    const grade = changeGrade(lab(60, 0, 0), lab(60 - deltaL, 0, 0));
    expect(grade.gs).toBeCloseTo(gs, 9);
    expect(grade.deltaEF).toBeCloseTo(deltaL, 9);
  });
  // The nominals of ISO 105-A02 and the ratings they stand for.
  test.each([
    [0, 5],
    [0.8, 4.5],
    [1.7, 4],
    [2.5, 3.5],
    [3.4, 3],
    [4.8, 2.5],
    [6.8, 2],
    [9.6, 1.5],
    [13.6, 1],
  ])('nominal ΔE %d rates %d', (deltaE, rating) => expect(changeGrade(lab(50, 0, 0), lab(50 + deltaE, 0, 0)).rating).toBe(rating));
  test('it never rises as the change grows', () => {
    let last = Number.POSITIVE_INFINITY;
    for (let deltaL = 0; deltaL <= 20; deltaL += 0.1) {
      const { gs } = changeGrade(lab(50, 10, 10), lab(50 - deltaL, 10, 10));
      expect(gs).toBeLessThanOrEqual(last + 1e-12);
      last = gs;
    }
  });
  // Own-script regression values: they guard against change, they do not prove the standard.
  test.each([
    [lab(40, 30, 20), lab(43, 26, 17), 4.573, 2.572, '2-3'],
    [lab(35, -2, -30), lab(40, -3, -22), 7.0405, 1.95, '2'],
    [lab(30, 2, -25), lab(30, 6, -24), 3.9542, 2.782, '3'],
    [lab(55, 40, -5), lab(55, 40, 5), 8.6022, 1.661, '1-2'],
  ])('regression %#', (original, tested, deltaEF, gs, rating) => {
    const grade = changeGrade(original, tested);
    expect(Math.abs(grade.deltaEF - deltaEF)).toBeLessThan(1e-3);
    expect(Math.abs(grade.gs - gs)).toBeLessThan(1e-3);
    expect(printRating(grade.rating)).toBe(rating);
  });
});

describe('grey scale for staining (ISO 105-A04 on the nominals of ISO 105-A03)', () => {
  test.each([
    [0, 5],
    [2.2, 4.5],
    [4.3, 4],
    [6, 3.5],
    [8.5, 3],
    [12, 2.5],
    [16.9, 2],
    [24, 1.5],
    [34.1, 1],
  ])('a pure ΔL of %d rates %d', (deltaL, rating) => expect(stainGrade(lab(95, 0, 0), lab(95 - deltaL, 0, 0)).rating).toBe(rating));
  test('a stain of colour counts 0.4 less of its colour', () => expect(stainGrade(lab(95, 0, 0), lab(95, 3, 4)).deltaEGs).toBeCloseTo(3, 12));
});
