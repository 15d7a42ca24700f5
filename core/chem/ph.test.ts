import { describe, expect, test } from 'vitest';
import { molarMass } from './molarMass';
import { phOfSolution, type Solution } from './ph';

const pure = (more: Partial<Solution>): number => phOfSolution({ weak: {}, monovalent: 0, divalent: 0, ...more });
const gPerL = (g: number, formula: string) => g / molarMass(formula);

// Handbook checks D2: published values (IUPAC / NIST buffers, textbooks) with their tolerance.
test.each([
  ['saturated potassium hydrogen tartrate, NIST', pure({ weak: { tartaric: 0.0341 }, monovalent: 0.0341 }), 3.557, 0.03],
  ['0.05 m potassium dihydrogen citrate', pure({ weak: { citric: 0.05 }, monovalent: 0.05 }), 3.776, 0.03],
  ['0.1 m acetic acid with 0.1 m acetate, IUPAC 2002', pure({ weak: { acetic: 0.2 }, monovalent: 0.1 }), 4.644, 0.03],
  ['0.01 m of both', pure({ weak: { acetic: 0.02 }, monovalent: 0.01 }), 4.713, 0.03],
  ['0.025 m bicarbonate with 0.025 m carbonate', pure({ weak: { carbonic: 0.05 }, monovalent: 0.075 }), 10.012, 0.03],
  ['acetic acid 1 M', pure({ weak: { acetic: 1 } }), 2.38, 0.02],
  ['acetic acid 0.1 M', pure({ weak: { acetic: 0.1 } }), 2.88, 0.02],
  ['acetic acid 0.01 M', pure({ weak: { acetic: 0.01 } }), 3.38, 0.02],
  ['ammonia 0.1 M', pure({ weak: { ammonium: 0.1 } }), 11.12, 0.02],
  ['citric acid 0.1 M', pure({ weak: { citric: 0.1 } }), 2.1, 0.2],
  ['tartaric acid 0.05 M', pure({ weak: { tartaric: 0.05 } }), 2.2, 0.1],
  ['pure water', pure({}), 7, 0.01],
])('%s', (_what, ph, published, tolerance) => expect(Math.abs(ph - published)).toBeLessThanOrEqual(tolerance));

// The same handbook’s regression values of two independent solvers, tolerance 0.02
test.each([
  ['soda ash 1 g/L', pure({ weak: { carbonic: gPerL(1, 'Na2CO3') }, monovalent: 2 * gPerL(1, 'Na2CO3') }), 10.99],
  ['soda ash 10 g/L', pure({ weak: { carbonic: gPerL(10, 'Na2CO3') }, monovalent: 2 * gPerL(10, 'Na2CO3') }), 11.38],
  ['baking soda 10 g/L', pure({ weak: { carbonic: gPerL(10, 'NaHCO3') }, monovalent: gPerL(10, 'NaHCO3') }), 8.11],
  ['citric acid 1 g/L', pure({ weak: { citric: gPerL(1, 'C6H8O7') } }), 2.79],
  ['citric acid 5 g/L', pure({ weak: { citric: gPerL(5, 'C6H8O7') } }), 2.39],
  ['cream of tartar 1 g/L', pure({ weak: { tartaric: gPerL(1, 'KHC4H4O6') }, monovalent: gPerL(1, 'KHC4H4O6') }), 3.68],
])('%s', (_what, ph, expected) => expect(Math.abs(ph - expected)).toBeLessThanOrEqual(0.02));

// Handbook checks D4: vinegar of 5 % into 4 L of water with 100 mg/L alkalinity, CO2 kept in; tolerance 0.03
describe('vinegar in hard water', () => {
  test.each([
    [0, 8.0],
    [2, 6.88],
    [5, 6.3],
    [8, 5.8],
    [10, 5.46],
    [12, 5.2],
    [15, 4.94],
    [20, 4.69],
    [30, 4.41],
    [50, 4.12],
    [100, 3.79],
    [200, 3.51],
    [400, 3.25],
  ])('%d mL', (mL, expected) => {
    const litres = 4 + mL / 1000;
    const share = 4 / litres;
    const ph = phOfSolution({
      weak: { acetic: (0.8326 * mL) / 1000 / litres, carbonic: 0.002028 * share },
      monovalent: 0,
      divalent: 0.000999 * share,
    });
    expect(Math.abs(ph - expected)).toBeLessThanOrEqual(0.03);
  });
});
test('more acid never raises the pH', () => {
  let last = 14;
  for (let c = 1e-7; c < 1; c *= 2) {
    const ph = pure({ weak: { acetic: c } });
    expect(ph).toBeLessThanOrEqual(last);
    last = ph;
  }
});
