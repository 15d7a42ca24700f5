import { describe, expect, test } from 'vitest';
import { molarMass, printFormula, substitutionG } from './molarMass';

// IUPAC abridged standard atomic weights; sums verified elsewhere with mf-parser 3.9.3, tolerance 0.03 g/mol
test.each([
  ['KAl(SO4)2·12H2O', 474.37],
  ['NH4Al(SO4)2·12H2O', 453.31],
  ['Al2(SO4)3·18H2O', 666.4],
  ['FeSO4·7H2O', 278.01],
  ['CuSO4·5H2O', 249.68],
  ['Na2CO3', 105.988],
  ['Na2CO3·H2O', 124.0],
  ['Na2CO3·10H2O', 286.14],
  ['NaHCO3', 84.006],
  ['Ca(OH)2', 74.092],
  ['CaO', 56.077],
  ['CaCO3', 100.086],
  ['C6H8O7', 192.12],
  ['C6H8O7·H2O', 210.14],
  ['KHC4H4O6', 188.18],
  ['CH3COOH', 60.052],
  ['NaC2H3O2', 82.03],
  ['NaC2H3O2·3H2O', 136.08],
  ['Al(CH3COO)3', 204.11],
  ['Al(OH)(CH3COO)2', 162.08],
  ['Al(OH)2(CH3COO)', 120.04],
  ['Na2B4O7·10H2O', 381.37],
  ['KHC8H4O4', 204.22],
])('%s is %f g/mol', (formula, mass) => expect(Math.abs(molarMass(formula) - mass)).toBeLessThan(0.03));

describe('one form for another, by mass', () => {
  test.each([
    ['soda ash as decahydrate', 'Na2CO3', 'Na2CO3·10H2O', 2.6997],
    ['soda ash as monohydrate', 'Na2CO3', 'Na2CO3·H2O', 1.17],
    ['anhydrous citric acid as monohydrate', 'C6H8O7', 'C6H8O7·H2O', 1.0938],
  ])('%s', (_what, from, to, factor) => expect(substitutionG(1, from, to)).toBeCloseTo(factor, 3));
  test('there and back is the same weight', () =>
    expect(substitutionG(substitutionG(7.3, 'Na2CO3', 'Na2CO3·10H2O'), 'Na2CO3·10H2O', 'Na2CO3')).toBeCloseTo(7.3, 12));
});

test.each(['Xx2O', 'Ca(OH', 'Ca)OH(', 'Na2 CO3'])('%s is refused', (formula) => expect(() => molarMass(formula)).toThrow(RangeError));

test('formulas are written with subscripts, counts of water are not', () => expect(printFormula('KAl(SO4)2·12H2O')).toBe('KAl(SO₄)₂·12H₂O'));
