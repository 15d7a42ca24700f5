import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type Credit, creditedMin, creditHold, firstInBandMs, type Reading } from './credit';

const MIN = 60_000;
const at = (min: number, bathC: number): Reading => ({ atMs: min * MIN, bathC });
const rule = { bandC: [75, 85] as const, ceilingC: 88, maxGapMin: 15 };
const credit = (readings: Reading[], from = 0, to = 60): Credit => creditHold(readings, rule, from * MIN, to * MIN);
const rounded = (c: Credit) => Object.fromEntries(Object.entries(c).map(([k, v]) => [k, Math.round(v * 100) / 100]));

// Worked by hand; straight lines between readings at most 15 minutes apart.
describe('credit of an hour’s hold at 75-85 °C', () => {
  test('in band throughout, a reading every ten minutes: all 60', () =>
    expect(rounded(credit([0, 10, 20, 30, 40, 50, 60].map((m) => at(m, 80))))).toMatchObject({ inBandMin: 60, assumedMin: 0, underMin: 0 }));

  test('a dip from 80 to 70 in ten minutes crosses 75 half way: 5 in band, 5 under', () =>
    expect(rounded(credit([at(0, 80), at(10, 70)], 0, 10))).toMatchObject({ inBandMin: 5, underMin: 5 }));

  test('a rise from 80 to 90 in ten minutes: 5 in band, 5 over, of which 2 above the ceiling of 88', () =>
    expect(rounded(credit([at(0, 80), at(10, 90)], 0, 10))).toMatchObject({ inBandMin: 5, overMin: 5, aboveCeilingMin: 2 }));

  test('one line through the whole band, 70 to 90 in ten minutes: 2.5 under, 5 in band, 2.5 over', () =>
    expect(rounded(credit([at(0, 70), at(10, 90)], 0, 10))).toMatchObject({ underMin: 2.5, inBandMin: 5, overMin: 2.5, aboveCeilingMin: 1 }));

  test('nobody looked for 40 minutes, in band before and after: 40 assumed', () =>
    expect(rounded(credit([at(0, 80), at(10, 80), at(50, 79), at(60, 80)]))).toMatchObject({ inBandMin: 20, assumedMin: 40, unmeasuredMin: 0 }));

  test('nobody looked for 40 minutes and it was cold afterwards: 40 unmeasured, no credit', () =>
    expect(rounded(credit([at(0, 80), at(10, 80), at(50, 60), at(60, 60)]))).toMatchObject({ inBandMin: 10, unmeasuredMin: 40, underMin: 10 }));

  test('one reading in band, then silence: 15 assumed, 45 unmeasured', () =>
    expect(rounded(credit([at(0, 80)]))).toMatchObject({ assumedMin: 15, unmeasuredMin: 45 }));

  test('time before the first reading is unmeasured', () =>
    expect(rounded(credit([at(20, 80), at(30, 80), at(40, 80), at(50, 80), at(60, 80)]))).toMatchObject({ inBandMin: 40, unmeasuredMin: 20 }));

  test('a reading before the hold helps at its edge: 70 at −10 and 80 at +10 is 75 at 0', () =>
    expect(rounded(creditHold([at(-5, 72.5), at(5, 77.5)], rule, 0, 5 * MIN))).toMatchObject({ inBandMin: 5, underMin: 0 }));

  test('no reading at all is 60 unmeasured minutes, not 0 and not 60 in band', () =>
    expect(rounded(credit([]))).toMatchObject({ inBandMin: 0, assumedMin: 0, unmeasuredMin: 60 }));

  test('exactly at the edges counts as in band', () => expect(rounded(credit([at(0, 75), at(10, 75)], 0, 10)).inBandMin).toBe(10));
});

test('every minute is counted once, whatever the readings', () =>
  fc.assert(
    fc.property(fc.array(fc.tuple(fc.integer({ min: -30, max: 130 }), fc.double({ min: 10, max: 100, noNaN: true })), { maxLength: 40 }), (raw) => {
      const readings = raw.map(([m, c]) => at(m, c)).sort((a, b) => a.atMs - b.atMs);
      const c = credit(readings, 0, 100);
      expect(c.inBandMin + c.assumedMin + c.underMin + c.overMin + c.unmeasuredMin).toBeCloseTo(100, 6);
      expect(creditedMin(c)).toBeLessThanOrEqual(100 + 1e-9);
      expect(c.aboveCeilingMin).toBeLessThanOrEqual(c.overMin + 1e-9);
    }),
    { seed: 3, numRuns: 300 },
  ));

test('the hold begins when the line crosses into the band', () => {
  expect(firstInBandMs([at(0, 65), at(10, 85)], [75, 85], 0)).toBe(5 * MIN);
  expect(firstInBandMs([at(0, 65), at(10, 70)], [75, 85], 0)).toBeNull();
  expect(firstInBandMs([at(-10, 80), at(2, 80)], [75, 85], 0)).toBe(2 * MIN);
});
