import { expect, test } from 'vitest';
import { boilingC } from '../heat/boiling';
import { calibrationFault, corrected } from './calibrate';

test.each([
  // Nothing is known: as it reads, to the last digit.
  [71.234, {}, 71.234],
  [71.234, { iceReadsC: null, boilReadsC: null }, 71.234],
  // One point moves all.
  [71.2, { iceReadsC: 0.7 }, 70.5],
  [71.2, { boilReadsC: 98.5 }, 72.7],
  // Two points: both are hit, and the middle lies between (worked by hand: reads 0.8 in ice, 98.8 in the boil of 100 °C; 49.8 is half-way).
  [0.8, { iceReadsC: 0.8, boilReadsC: 98.8 }, 0],
  [98.8, { iceReadsC: 0.8, boilReadsC: 98.8 }, 100],
  [49.8, { iceReadsC: 0.8, boilReadsC: 98.8 }, 50],
])('what reads %s with %o has %s', (readsC, calibration, isC) => {
  expect(corrected(readsC, calibration, 100)).toBe(isC);
});

test('the boil is the one of this altitude', () => {
  // 1000 m: 96.7 °C (standard atmosphere, see core/heat/boiling).
  expect(corrected(98, { boilReadsC: 98 }, boilingC(1000))).toBeCloseTo(96.7, 1);
});

test('a probe that is far off was not in ice or in boiling water, or is broken', () => {
  expect(calibrationFault({ iceReadsC: 8, boilReadsC: 92 }, 100)).toBeNull();
  expect(calibrationFault({}, 100)).toBeNull();
  expect(calibrationFault({ iceReadsC: 8.01 }, 100)).toMatch(/near 0 °C.*8 °C off/);
  expect(calibrationFault({ boilReadsC: 88 }, 96.7)).toMatch(/boils at 96.7 °C here.*9 °C off/);
});
