import { describe, expect, test } from 'vitest';
import { exactly } from './band';
import { forecast } from './forecast';
import { alkalinityBy, waterOfBaths } from './learnWater';

const vinegar = (mL: number) => ({ substance: 'vinegar', amount: mL, strengthPct: 5 });
const phOf = (alkalinity: number, mL: number) => {
  const after = forecast({ volumeMl: exactly(2000), alkalinityMgL: exactly(alkalinity), tempC: 25, measuredPh: null, buffer: [] }, [
    { substance: 'vinegar', amount: exactly(mL), strengthPct: exactly(5) },
  ]);
  return after.ok ? after.ph.likely : Number.NaN;
};

describe('water by its strip', () => {
  test.each([
    [40, 3],
    [120, 6],
    [250, 12],
  ])('%d mg/L comes back from %d mL of vinegar', (alkalinity, mL) => {
    const learnt = alkalinityBy(2000, [vinegar(mL)], phOf(alkalinity, mL));
    expect(learnt?.likely).toBeCloseTo(alkalinity, 0);
    expect(learnt?.low).toBeLessThan(alkalinity);
    expect(learnt?.high).toBeGreaterThan(alkalinity);
  });
  test('a strip that is off by a quarter holds the truth in its range', () => {
    for (const off of [-0.25, 0.25]) {
      const learnt = alkalinityBy(2000, [vinegar(6)], phOf(120, 6) + off);
      expect(learnt?.low).toBeLessThanOrEqual(120.5);
      expect(learnt?.high).toBeGreaterThanOrEqual(119.5);
    }
  });
  test('what tells nothing of the tap teaches nothing', () => {
    expect(alkalinityBy(2000, [vinegar(6)], 7.2)).toBeNull();
    expect(alkalinityBy(2000, [vinegar(600)], 2.9)).toBeNull();
    expect(alkalinityBy(2000, [], 6)).toBeNull();
    // No tap is so hard that a pint of vinegar leaves it at 6.5.
    expect(alkalinityBy(2000, [vinegar(500)], 6.5)).toBeNull();
  });
});
test('of several baths the middle one counts, and one odd strip does not', () => {
  const band = (likely: number) => ({ low: likely - 30, likely, high: likely + 40 });
  expect(waterOfBaths([band(100), band(110), band(500)])).toEqual({ alkalinityMgL: { low: 80, likely: 110, high: 150 }, n: 3 });
  expect(waterOfBaths([band(100), band(120)])?.alkalinityMgL.likely).toBe(110);
  expect(waterOfBaths([])).toBeNull();
});
