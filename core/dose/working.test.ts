import { describe, expect, test } from 'vitest';
import { bandsOf, byStrength, perPiece } from './counts';
import { fibreServed, plantForRatio, plantToFibre, wofDose } from './dose';
import { resultOf } from './working';

const range = (least: number, most: number | null) => ({ least, most });

describe('ranges flow through sums: each end of each is tried', () => {
  test.each([
    ['100–200 g at 10 %', wofDose(range(100, 200), 10), range(10, 20)],
    ['100 g at 10–15 %', wofDose(100, range(10, 15)), range(10, 15)],
    ['both at once', wofDose(range(100, 200), range(10, 15)), range(10, 30)],
    ['a divisor turns it round', fibreServed(100, range(5, 10)), range(10, 20)],
    ['at least so much', plantForRatio(range(40, null), 2), range(80, null)],
    ['nothing of at least so much is nothing', wofDose(range(40, null), 0), range(0, 0)],
    ['whole things, rounded up at each end', perPiece(12, range(0.25, 0.5)), range(3, 6)],
    ['bands', bandsOf(7, range(2, 3)), range(14, 21)],
    ['a weaker product wants more at both ends', byStrength(wofDose(range(100, 200), 10), 2, 'half strength'), range(20, 40)],
  ])('%s', (_what, working, span) => {
    expect(working.result).toBeNull();
    expect(working.missing).toEqual([]);
    expect(resultOf(working)).toEqual(span);
  });
  test.each([
    ['T8: 100–200 g of flowers on 300 g', plantToFibre(range(100, 200), 300), range(0.333, 0.667)],
    ['T14: alum 10–20 % on 250 g', wofDose(250, range(10, 20)), range(25, 50)],
    ['T14: tartar 4–7 % on 250 g', wofDose(250, range(4, 7)), range(10, 17.5)],
  ])('%s', (_what, working, span) => {
    expect(working.between?.least).toBeCloseTo(span.least, 3);
    expect(working.between?.most).toBeCloseTo(span.most ?? 0, 3);
  });
  test('an unknown beside a range is unknown', () => {
    expect(resultOf(wofDose(range(1, 2), null))).toBeNull();
    expect(wofDose(range(1, 2), null).missing).toEqual(['percent of the fibre’s weight']);
  });
});
