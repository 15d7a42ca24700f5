import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { estimated, measured, sumFigures, UNKNOWN } from '../figure';
import { fibreServed, liquorVolume, partsOf, perLitre, plantForRatio, scaleAmount, solutionMass, wofDose, wofPctOf } from './dose';
import { fitVessel } from './fit';

// Trade handbook, check values T1-T28 (common practice, no source; T18 and T27 are arithmetic)
describe('plant to fibre', () => {
  test.each([
    ['T2', 30, 10, 300],
    ['T4', 100, 10, 1000],
    ['T4 dried', 100, 1, 100],
    ['T5', 454, 1, 454],
    ['T6', 33, 2, 66],
  ])('%s: %d g of fibre at %d : 1 needs %d g', (_t, dryG, ratio, g) => expect(plantForRatio(dryG, ratio).result).toBeCloseTo(g, 9));
  test.each([
    ['T1', 300, 10, 30],
    ['T3', 1814, 10, 181.4],
    ['T7', 110, 2, 55],
  ])('%s: %d g at %d : 1 serves %d g', (_t, plantG, ratio, g) => expect(fibreServed(plantG, ratio).result).toBeCloseTo(g, 9));
});

describe('percent of the fibre’s weight', () => {
  test.each([
    ['T13', 100, 10, 10],
    ['T13', 250, 10, 25],
    ['T14', 250, 20, 50],
    ['T14 tartar', 250, 4, 10],
    ['T14 tartar', 250, 7, 17.5],
    ['T15', 250, 15, 37.5],
    ['T15 tartar', 250, 5, 12.5],
    ['T16', 22, 16, 3.52],
    ['T16', 33, 16, 5.28],
    ['T16', 10, 16, 1.6],
    ['T17', 11, 6, 0.66],
    ['T17', 10, 6, 0.6],
    ['T19', 200, 10, 20],
    ['T19', 200, 16, 32],
    ['T19', 200, 20, 40],
    ['T20', 100, 5, 5],
    ['T21', 50, 2, 1],
    ['T23 on the total', 400, 10, 40],
    ['T23 on the cotton', 328, 10, 32.8],
  ])('%s: %d g at %d %% is %d g', (_t, dryG, pct, g) => expect(wofDose(dryG, pct).result).toBeCloseTo(g, 9));
  test('T18: six percent as a solution is a hundredfold off six percent of 10 g', () =>
    expect((solutionMass(1000, 6).result ?? 0) / (wofDose(10, 6).result ?? 1)).toBeCloseTo(100, 9));
  test('T21: two percent chalk as a solution is 20 g per litre', () => expect(solutionMass(1000, 2).result).toBeCloseTo(20, 9));
});

describe('unknown is a value', () => {
  test('T11: no weight gives no dose, never 0 and never a default', () => {
    const dose = wofDose(null, 10);
    expect(dose.result).toBeNull();
    expect(dose.missing).toEqual(['dry weight of the fibre']);
    expect(wofPctOf(5, null)).toBeNull();
  });
  test('a sum is only as well known as its least known part', () => {
    expect(sumFigures([measured(1), measured(2)])).toEqual(measured(3));
    expect(sumFigures([measured(1), estimated(2)])).toEqual(estimated(3));
    expect(sumFigures([measured(1), UNKNOWN])).toEqual(UNKNOWN);
  });
});

test('T22: a teaspoon per 5 L is 19.7 mL in 20 L', () => expect(perLitre(20_000, 4.92892159375 / 5).result).toBeCloseTo(19.7, 1));
test('T27, T28: one part to three is a quarter, not a third', () => {
  expect(partsOf(1000, 1, 4).result).toBe(250);
  expect(partsOf(400, 3, 4).result).toBe(300);
});
test('T39: 8 cups on 200 g is 9.5 mL per g', () => expect((8 * 236.5882365) / 200).toBeCloseTo(9.5, 1));
test('water by liquor ratio: 30 mL per g on 360 g is 10.8 L', () => expect(liquorVolume(360, 30).result).toBe(10_800));

describe('scaling', () => {
  test('scaling twice equals scaling once', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 5e4, noNaN: true }),
        fc.double({ min: 0.5, max: 5e4, noNaN: true }),
        fc.double({ min: 0.5, max: 5e4, noNaN: true }),
        (amount, via, to) => {
          const once = scaleAmount(amount, 100, to) ?? 0;
          const twice = scaleAmount(scaleAmount(amount, 100, via) ?? 0, via, to) ?? 0;
          expect(Math.abs(twice - once) / once).toBeLessThan(1e-9);
        },
      ),
      { seed: 11 },
    ));
  test('an unknown weight scales to unknown; a zero weight is a fault', () => {
    expect(scaleAmount(5, null, 10)).toBeNull();
    expect(() => scaleAmount(5, 0, 10)).toThrow(RangeError);
  });
});

describe('does it fit', () => {
  // Safety handbook, worked checks: 16 L pot, 12 L water, 0.4 kg cotton
  test('12 L and 400 g in a 16 L pot: 12.29 L, 76.8 %, 15.6 kg', () => {
    const fit = fitVessel({ waterMl: 12_000, dryFibreG: 400, plantG: 0, vesselMl: 16_000 });
    expect(fit?.filledMl).toBeCloseTo(12_286, 0);
    expect(fit?.fillPct).toBeCloseTo(76.8, 1);
    expect(fit?.totalKg).toBeCloseTo(15.6, 9);
  });
  test('an unknown weight makes the fit unknown', () => expect(fitVessel({ waterMl: 1000, dryFibreG: null, plantG: 0, vesselMl: 5000 })).toBeNull());
  test('too small a vessel says by how much', () => expect(fitVessel({ waterMl: 6000, dryFibreG: 0, plantG: 500, vesselMl: 5000 })?.overMl).toBe(1500));
});
