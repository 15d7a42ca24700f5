import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { percentReadings, readPercent } from '../measure/percent';
import { roundForHands } from '../measure/rounding';
import { convert } from '../measure/units';
import { ASSISTANTS } from '../shelf/data/assistants';
import { costOf } from './cost';
import { bandsOf, byStrength, gramsPerLitre, perPiece, shareOfBath } from './counts';
import { fibreServed, liquorRatio, liquorVolume, plantForRatio, plantToFibre, wofDose, wofPctOf } from './dose';
import { fairShare, freshForDried, plantsNeeded } from './harvest';
import { dilutedTo, halvingLadder, ladderHolds, mixFromStock, stockSolution, stockText, volumePct, weighsWell } from './solutions';
import { gramsToMl, nearestSpoons, spoonsToGrams } from './spoons';

describe('stock solutions', () => {
  test('0.66 g on a 1 g scale is 66 mL of a 1 % stock, 10 g in a litre', () => {
    const stock = stockSolution(0.66, 1);
    expect(stock).toEqual({ wvPct: 1, measureMl: 66, makeG: 10, makeMl: 1000 });
    expect(stock && stockText(0.66, 1, stock)).toBe('Your scale reads 1 g; 0.66 g is better measured as 66 mL of a 1 % stock: 10 g made up to 1 L.');
  });
  test('safety handbook R6: 0.4 g on a 0.1 g scale is too small, 1.0 g is not', () => {
    expect(stockSolution(0.4, 0.1)).not.toBeNull();
    expect([stockSolution(1, 0.1), weighsWell(1, 0.1)]).toEqual([null, true]);
  });
  test('nothing, or less, needs no stock', () => expect([stockSolution(0, 1), stockSolution(-1, 1)]).toEqual([null, null]));
  test('what is measured holds what was wanted, and what is made suffices and weighs well', () =>
    fc.assert(
      fc.property(fc.double({ min: 0.001, max: 9.9, noNaN: true }), fc.constantFrom(0.01, 0.1, 1, 5), (massG, readsToG) => {
        const stock = stockSolution(massG, readsToG);
        if (!stock) {
          expect(weighsWell(massG, readsToG)).toBe(true);
          return;
        }
        expect((stock.measureMl * stock.wvPct) / 100).toBeCloseTo(massG, 9);
        expect(stock.makeMl).toBeGreaterThanOrEqual(stock.measureMl - 1e-6);
        expect(weighsWell(stock.makeG, readsToG)).toBe(true);
      }),
      { seed: 5 },
    ));
});

describe('strengths by volume', () => {
  const tsp = convert(1, 'usTsp', 'mL');
  test('T34: a teaspoon of vinegar in a cup of water is 2.0 %', () => expect(volumePct(tsp, convert(1, 'usCup', 'mL'))).toBeCloseTo(2.04, 2));
  test('T35: 4 Tbsp in 12 cups is 2.0 %', () => expect(volumePct(convert(4, 'usTbsp', 'mL'), convert(12, 'usCup', 'mL'))).toBeCloseTo(2.04, 2));
  test('T36: 5 g/L, 300 mL more, then 250 mL', () => {
    expect(gramsPerLitre(1000, 5).result).toBe(5);
    expect(dilutedTo(5, 1000, 300)).toBeCloseTo(3.85, 2);
    expect(dilutedTo(5, 1000, 250)).toBe(4);
  });
  test('T27: one part to three of a litre is 250 mL', () => expect(shareOfBath(1000, 25).result).toBe(250));
  test('T56: half a teaspoon in an unmeasured pot is unknown; 2–3 g in 4 L are 0.5–0.75 g/L', () => {
    expect(gramsPerLitre(null, 0.5).result).toBeNull();
    expect([gramsPerLitre(4000, 0.5).result, gramsPerLitre(4000, 0.75).result]).toEqual([2, 3]);
  });
});

describe('the ratio turned round', () => {
  test.each([
    ['T9: 1000 g of hulls on 200 g', plantToFibre(1000, 200), 5],
    ['T10: 250 g of beans on 125 g', plantToFibre(250, 125), 2],
    ['T39: 8 cups on 200 g', liquorRatio(convert(8, 'usCup', 'mL'), 0, 200), 9.5],
    ['T40: 12 cups and 4 tablespoons on 200 g', liquorRatio(convert(12, 'usCup', 'mL'), convert(4, 'usTbsp', 'mL'), 200), 14.5],
  ])('%s', (_what, working, ratio) => expect(working.result).toBeCloseTo(ratio, 1));
});

describe('the iron paste and its ladder', () => {
  test('T49: the rungs hold what went in, 2.5 + 1.25 + 1.25 g', () => {
    const rungs = halvingLadder({ startMl: 100, gPerL: 50 }, 50, 2);
    expect(rungs?.rungs.map((rung) => rung.soluteG)).toEqual([2.5, 1.25, 1.25]);
    expect(rungs && ladderHolds(rungs)).toBe(5);
  });
  test('T50: 100 mL each of 100, 50 and 25 % take 175 mL of stock: 8.75 g and, at half as much, 4.375 g', () => {
    const { stockMl, thinnerMl } = mixFromStock([100, 50, 25].map((strengthPct) => ({ strengthPct, volumeMl: 100 })));
    expect([stockMl, thinnerMl, gramsPerLitre(stockMl, 50).result, gramsPerLitre(stockMl, 25).result]).toEqual([175, 125, 8.75, 4.375]);
  });
  test.each([
    [100, 5, 2.5],
    [200, 10, 5],
    [250, 12.5, 6.25],
    [40, 2, 1],
  ])('T46: %d mL takes %f g iron salt and %f g lime', (mL, iron, lime) =>
    expect([gramsPerLitre(mL, 50).result, gramsPerLitre(mL, 25).result]).toEqual([iron, lime]),
  );
  const ladder = halvingLadder({ startMl: 100, gPerL: 50 }, 50, 2);
  test('T47: 100, 50, 25, 12.5 % are 50, 25, 12.5, 6.25 g/L', () =>
    expect(halvingLadder({ startMl: 400, gPerL: 50 }, 50, 3)?.rungs.map((rung) => [rung.strengthPct, rung.gPerL])).toEqual([
      [100, 50],
      [50, 25],
      [25, 12.5],
      [12.5, 6.25],
    ]));
  test('T48: left 50, 50 and 100 mL; vinegar 200 mL in all', () =>
    expect([ladder?.rungs.map((rung) => rung.leftMl), ladder?.thinnerMl]).toEqual([[50, 50, 100], 200]));
  test('T49: the iron is all there: 2.5 + 1.25 + 1.25 g', () => expect(ladder?.rungs.map((rung) => rung.soluteG)).toEqual([2.5, 1.25, 1.25]));
  test('T50: 100 mL each of 100, 50 and 25 % are 175 mL stock and 125 mL vinegar', () =>
    expect(mixFromStock([100, 50, 25].map((strengthPct) => ({ strengthPct, volumeMl: 100 })))).toEqual({ stockMl: 175, thinnerMl: 125 }));
  test('a rung that is too small is said, not made up', () => expect(halvingLadder({ startMl: 40, gPerL: 50 }, 50, 1)).toBeNull());
  test('no ladder makes or loses solute', () =>
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 2000 }), fc.integer({ min: 0, max: 6 }), (ml, halvings) => {
        const made = halvingLadder({ startMl: ml * 2, gPerL: 50 }, ml, halvings);
        const total = made?.rungs.reduce((sum, rung) => sum + rung.soluteG, 0) ?? 0;
        expect(total).toBeCloseTo((ml * 2 * 50) / 1000, 9);
      }),
      { seed: 8 },
    ));
});

describe('spoons', () => {
  // Check values group A: bulk-density ranges and grams per US teaspoon, estimates
  test.each([
    ['alum', 3.9, 5.4],
    ['creamOfTartar', 3.0, 3.9],
    ['washingSoda', 3.9, 4.9],
    ['bakingSoda', 4.4, 5.4],
    ['citricAcid', 3.9, 4.9],
    ['ironSulfate', 4.4, 5.4],
    ['slakedLime', 2.0, 3.0],
    ['chalk', 3.0, 5.4],
  ])('a teaspoon of %s is %f–%f g', (id, low, high) => {
    const bulk = ASSISTANTS.find((assistant) => assistant.id === id)?.bulkGPerMl;
    if (!bulk) throw new Error(`no bulk density for ${id}`);
    const range = spoonsToGrams(convert(1, 'usTsp', 'mL'), bulk);
    expect([range.lowG, range.highG].map((g) => Math.abs(g) > 0)).toEqual([true, true]);
    expect(Math.abs(range.lowG - low)).toBeLessThan(0.06);
    expect(Math.abs(range.highG - high)).toBeLessThan(0.06);
  });
  test('T58: a quarter teaspoon is twice an eighth', () =>
    expect(spoonsToGrams(convert(0.25, 'usTsp', 'mL'), [1, 1]).midG / spoonsToGrams(convert(0.125, 'usTsp', 'mL'), [1, 1]).midG).toBeCloseTo(2, 12));
  test('back again: the mass lies within its own range of volumes', () => {
    const [low, high] = gramsToMl(5, [0.8, 1.1]);
    expect(spoonsToGrams(low, [0.8, 1.1]).highG).toBeCloseTo(5, 12);
    expect(spoonsToGrams(high, [0.8, 1.1]).lowG).toBeCloseTo(5, 12);
  });
  test.each([
    [4.93, 'us', '1 tsp (US)'],
    [6.16, 'us', '1 1/4 tsp (US)'],
    [14.79, 'us', '1 Tbsp (US)'],
    [0.62, 'us', '1/8 tsp (US)'],
    [15, 'metric', '1 Tbsp (metric)'],
    [0.2, 'us', null],
  ] as const)('%f mL is %s: %s', (mL, kitchen, text) => expect(nearestSpoons(mL, kitchen)).toBe(text));
});

describe('harvest', () => {
  test('T12: of 400 wild plants 20–40 may be taken', () => expect(fairShare(400, false)).toMatchObject({ fewest: 20, most: 40, none: null }));
  test('fewer than twenty are left alone; an own bed gives what it has', () => {
    expect(fairShare(19, false).none).toContain('left alone');
    expect(fairShare(19, true).most).toBe(19);
  });
  test('1000 g at 30 g a plant are 34 plants', () => expect(plantsNeeded(1000, 30).result).toBe(34));
  test('T4: 100 g dried stands for 1000 g fresh', () => expect(freshForDried(100, 10, 1)).toBe(1000));
});

describe('the question turned round', () => {
  test('110 g of blossom at 2 : 1 serves 55 g (T7)', () => expect(fibreServed(110, 2).result).toBe(55));
  test.each([
    ['T8', 100, 300, 0.33],
    ['T8', 200, 300, 0.67],
    ['T9', 1000, 200, 5],
    ['T10', 250, 125, 2],
  ])('%s: %d g on %d g is %f : 1', (_t, plant, fibre, ratio) => expect((wofPctOf(plant, fibre) ?? 0) / 100).toBeCloseTo(ratio, 2));
  test('T6: of 110 g in hand 66 g are used, 44 g remain', () => expect(110 - (plantForRatio(33, 2).result ?? 0)).toBe(44));
});

describe('counts', () => {
  test.each([
    [7, 2, 14],
    [7, 3, 21],
    [7, 4, 28],
  ])('T75: %d points at %d ties are %d bands', (points, ties, bands) => expect(bandsOf(points, ties).result).toBe(bands));
  test.each([
    [12, 1, 12],
    [12, 0.5, 6],
    [5, 0.5, 3],
  ])('T77: %d pieces at %f bags each are %d', (pieces, each, bags) => expect(perPiece(pieces, each).result).toBe(bags));
  test('T41: one cup on 4 g is 59 : 1; 100 g take 25 bags and 123 mL vinegar', () => {
    expect(convert(1, 'usCup', 'mL') / 4).toBeCloseTo(59.1, 1);
    expect(perPiece(100 / 4, 1).result).toBe(25);
    expect((convert(1, 'usTsp', 'mL') * 100) / 4).toBeCloseTo(123, 0);
  });
  test('T40: 12 cups and 4 Tbsp on 200 g are 14.5 : 1', () =>
    expect((liquorVolume(200, 14.5).result ?? 0) / (convert(12, 'usCup', 'mL') + convert(4, 'usTbsp', 'mL'))).toBeCloseTo(1, 2));
});

describe('a percentage says which', () => {
  test('T18, T21: six and two percent, both readings and how far apart', () => {
    expect(percentReadings(6, 10, 1000)).toEqual({ pct: 6, wofG: 0.6, solutionG: 60, factor: 100 });
    expect(percentReadings(2, 50, 1000)).toMatchObject({ wofG: 1, solutionG: 20, factor: 20 });
  });
  test('unknown weight or volume stays unknown', () => expect(percentReadings(2, null, 1000)).toMatchObject({ wofG: null, solutionG: 20, factor: null }));
  test.each([
    ['2 %', 2],
    ['10%', 10],
    ['1/2 %', 0.5],
    ['2', null],
    ['2 g', null],
    ['1,250 %', null],
  ])('%s reads as %s', (text, pct) => expect(readPercent(text)).toBe(pct));
});

describe('rounding for hands', () => {
  test.each([
    [37.4812, null, 37.5],
    [1499.7, null, 1500],
    [0.6612, null, 0.661],
    [3.52, 1, 4],
    [0.4, 1, 0.4],
    [0, 1, 0],
  ])('%f on a scale of %s reads %f', (amount, readsTo, hands) => expect(roundForHands(amount, readsTo)).toBeCloseTo(hands, 9));
  test('it is off by at most one part in a hundred, or half the scale’s digit', () =>
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 1e5, noNaN: true }), (amount) => {
        expect(Math.abs(roundForHands(amount) - amount) / amount).toBeLessThanOrEqual(0.0051);
      }),
      { seed: 2 },
    ));
});

test('a weaker form takes more by its factor, and the working says so', () => {
  const dose = byStrength(wofDose(100, 2), 0.611, 'dried form of the label');
  expect(dose.result).toBeCloseTo(1.222, 9);
  expect(dose.inputs.at(-1)).toEqual({ name: 'dried form of the label', value: 0.611, unit: '' });
  expect(byStrength(wofDose(null, 2), 0.611, 'x').result).toBeNull();
});

describe('cost', () => {
  const lines = [
    { name: 'alum', used: 20, unit: 'g' as const, pricePerUnit: 0.02 },
    { name: 'weld', used: 200, unit: 'g' as const, pricePerUnit: null },
  ];
  test('per 100 g of fibre, with what is missing named', () => expect(costOf(lines, 200)).toEqual({ total: 0.4, per100gFibre: 0.2, missing: ['weld'] }));
  test('no weight, no cost per weight', () => expect(costOf(lines, null).per100gFibre).toBeNull());
});
