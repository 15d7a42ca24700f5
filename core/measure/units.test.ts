import { describe, expect, test } from 'vitest';
import { convert, UNITS, type UnitId } from './units';

// NIST SP 811 (2008) App. B, NIST Handbook 44 App. C, international yard and pound agreement 1959, UK Weights and
// Measures Act 1985; values recomputed with GNU units 2.22 (checks.md, group A).
test.each<[UnitId, number]>([
  ['usGal', 3785.411784],
  ['impGal', 4546.09],
  ['usQuart', 946.352946],
  ['impQuart', 1136.5225],
  ['usPint', 473.176473],
  ['impPint', 568.26125],
  ['usCup', 236.5882365],
  ['impCup', 284.130625],
  ['usFlOz', 29.5735295625],
  ['impFlOz', 28.4130625],
  ['usTbsp', 14.78676478125],
  ['metricTbsp', 15],
  ['usTsp', 4.92892159375],
  ['metricTsp', 5],
  ['metricCup', 250],
  ['auTbsp', 20],
])('one %s is %f mL', (unit, mL) => expect(convert(1, unit, 'mL') / mL).toBeCloseTo(1, 12));

test.each<[UnitId, number]>([
  ['lb', 453.59237],
  ['oz', 28.349523125],
  ['grain', 0.06479891],
  ['stone', 6350.29318],
])('one %s is %f g', (unit, g) => expect(convert(1, unit, 'g') / g).toBeCloseTo(1, 12));

test('lengths and areas: 25.4 mm, 0.9144 m, 0.83612736 m², 33.9057474749 g/m²', () => {
  expect(convert(1, 'inch', 'mm')).toBeCloseTo(25.4, 12);
  expect(convert(1, 'yard', 'm')).toBeCloseTo(0.9144, 12);
  expect(convert(1, 'yd2', 'm2')).toBeCloseTo(0.83612736, 12);
  expect(convert(1, 'ozPerYd2', 'gPerM2')).toBeCloseTo(33.9057474749, 9);
});

// checks.md A, properties
describe('measures of one kitchen agree with each other', () => {
  test('16 US tablespoons make a US cup, 3 teaspoons a tablespoon', () => {
    expect(convert(16, 'usTbsp', 'usCup')).toBeCloseTo(1, 12);
    expect(convert(3, 'usTsp', 'usTbsp')).toBeCloseTo(1, 12);
    expect(convert(3, 'metricTsp', 'metricTbsp')).toBeCloseTo(1, 12);
  });
  test('four metric teaspoons make an Australian tablespoon', () => expect(convert(4, 'metricTsp', 'auTbsp')).toBe(1));
  test('an imperial fluid ounce is smaller than a US one though the pint is bigger', () => {
    expect(convert(1, 'impFlOz', 'usFlOz')).toBeCloseTo(0.96076, 6);
    expect(convert(1, 'impPint', 'usPint')).toBeCloseTo(1.20095, 5);
  });
});

// trade handbook T29-T32 (definitions), rounded as shown there
test.each<[number, UnitId, number, number]>([
  [1, 'usTsp', 4.93, 2],
  [0.5, 'usTsp', 2.46, 2],
  [0.25, 'usTsp', 1.23, 2],
  [0.125, 'usTsp', 0.62, 2],
  [1, 'usTbsp', 14.8, 1],
  [4, 'usTbsp', 59.1, 1],
  [1, 'usCup', 237, 0],
  [8, 'usCup', 1893, 0],
  [12, 'usCup', 2839, 0],
  [0.5, 'usCup', 118, 0],
  [2, 'usGal', 7571, 0],
  [4, 'usGal', 15142, 0],
])('%f %s is %f mL', (n, unit, mL, digits) => expect(convert(n, unit, 'mL').toFixed(digits)).toBe(mL.toFixed(digits)));

test('a dose never changes unit family', () => {
  expect(() => convert(1, 'g', 'mL')).toThrow('cannot turn g (mass) into mL (volume)');
  for (const [a, from] of Object.entries(UNITS))
    for (const [b, to] of Object.entries(UNITS)) {
      if (from.family === to.family) expect(convert(convert(7, a as UnitId, b as UnitId), b as UnitId, a as UnitId)).toBeCloseTo(7, 9);
    }
});
