import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { printAmount, printDuration, printExactDuration, printFigure, printMass, printNumber, printPercent, printTemperature, printVolume } from './print';
import { roundForHands } from './rounding';

describe('numbers as they can be read aloud and weighed', () => {
  test.each([
    [0, '0'],
    [0.0004, '0.0004'],
    [0.00666, '0.0067'],
    [0.66, '0.66'],
    [1.76, '1.76'],
    [4.92892, '4.93'],
    [9.999, '10'],
    [14.7868, '14.8'],
    [99.96, '100'],
    [236.588, '237'],
    [-2.5, '-2.5'],
  ])('%d reads %s', (value, text) => expect(printNumber(value)).toBe(text));
  test('whatever is not nothing does not read as nothing', () =>
    fc.assert(
      fc.property(fc.double({ min: 1e-9, max: 1e6, noNaN: true }), (value) => {
        expect(Number(printNumber(value))).toBeGreaterThan(0);
        expect(Math.abs(Number(printNumber(value)) - value) / value).toBeLessThanOrEqual(0.051);
      }),
      { seed: 2 },
    ));
});

describe('with their units', () => {
  test.each([
    [printMass(0.5), '0.5 g'],
    [printMass(152), '152 g'],
    [printMass(1474.175), '1.47 kg'],
    [printMass(50_000), '50 kg'],
    [printVolume(4.93), '4.93 mL'],
    [printVolume(6080), '6.08 L'],
    [printTemperature(82.2222), '82.2 °C'],
    [printTemperature(80), '80 °C'],
    [printTemperature(-0.04), '0 °C'],
    [printPercent(11.16), '11.2 %'],
    [printAmount(6, 'piece'), '6 ×'],
    [printAmount(12.5, 'g'), '12.5 g'],
    [printAmount(2500, 'mL'), '2.5 L'],
    [printFigure(10, '% WOF'), '10 % WOF'],
    [printFigure(60, 'min'), '60 min'],
    [printFigure(1440, 'min'), '1 d'],
    [printFigure(3, ''), '3'],
  ])('%s', (text, expected) => expect(text).toBe(expected));
});

describe('times', () => {
  test.each([
    [0, '0 min'],
    [0.4, '0 min'],
    [-0.4, '0 min'],
    [59.6, '1 h'],
    [65, '1 h 05'],
    [120, '2 h'],
    [1440, '1 d'],
    [5790, '4 d 0 h 30 min'], // T72: 2 March 18:00 to 6 March 18:30
    [2880, '2 d'],
    [4325, '3 d 0 h 5 min'],
    [5880, '4 d 2 h'], // T71
    [3480, '2 d 10 h'], // T70: 58 h
    [-90, '−1 h 30'],
  ])('%d min reads %s', (minutes, text) => expect(printDuration(minutes)).toBe(text));
  test.each([
    [0, '0:00'],
    [192_000, '3:12'], // T57
    [59_600, '1:00'],
    [3_725_000, '1:02:05'],
  ])('T57: %d ms reads %s', (ms, text) => expect(printExactDuration(ms)).toBe(text));
});

describe('rounding to what a hand can weigh', () => {
  test.each([
    [37.4812, 0.1, 37.5],
    [1499.7, null, 1500],
    [1.76, 0.1, 1.8],
    [0.66, 1, 1],
    [0.4, 1, 0.4], // never to nothing
    [0, 0.1, 0],
  ])('%d on a scale that reads %s: %d', (amount, readsTo, expected) => expect(roundForHands(amount, readsTo)).toBeCloseTo(expected, 9));
  test('rounding twice is rounding once', () =>
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 1e5, noNaN: true }), fc.constantFrom(null, 0.01, 0.1, 1), (amount, readsTo) => {
        const once = roundForHands(amount, readsTo);
        expect(roundForHands(once, readsTo)).toBeCloseTo(once, 6);
      }),
      { seed: 4 },
    ));
});
