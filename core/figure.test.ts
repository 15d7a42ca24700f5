import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { asGuessed, between, estimated, type Figure, figureText, knownText, knownValue, measured, sumFigures, timesKnown, UNKNOWN } from './figure';
import { printMass } from './measure/print';

const range = fc.tuple(fc.integer({ min: 0, max: 500 }), fc.integer({ min: 0, max: 500 })).map(([a, b]) => between(Math.min(a, b), Math.max(a, b)));
const figures = fc.oneof(
  fc.integer({ min: 0, max: 500 }).map((g): Figure => measured(g)),
  fc.integer({ min: 0, max: 500 }).map((g): Figure => estimated(g)),
  range,
);
const ends = (figure: Figure): [number, number] =>
  figure.state === 'unknown' ? [Number.NaN, Number.NaN] : figure.state === 'between' ? [figure.least, figure.most ?? Infinity] : [figure.value, figure.value];

describe('sums', () => {
  test.each<[Figure[], Figure]>([
    [[], measured(0)],
    [[measured(2), measured(3)], measured(5)],
    [[measured(2), estimated(3)], estimated(5)],
    [[measured(2), between(1, 4)], between(3, 6)],
    [[between(1, 4), between(10, null)], between(11, null)],
    [[between(1, 4), UNKNOWN], UNKNOWN],
  ])('%j', (parts, sum) => expect(sumFigures(parts)).toEqual(sum));
  test('a sum lies between the sum of the leasts and the sum of the mosts, in any order', () =>
    fc.assert(
      fc.property(fc.array(figures, { maxLength: 6 }), (parts) => {
        const [least, most] = ends(sumFigures(parts));
        expect(least).toBe(parts.reduce((sum, part) => sum + ends(part)[0], 0));
        expect(most).toBe(parts.reduce((sum, part) => sum + ends(part)[1], 0));
        expect(sumFigures(parts.toReversed())).toEqual(sumFigures(parts));
      }),
      { seed: 3, numRuns: 200 },
    ));
});

test('a range is no number: whoever wants one is told that there is none', () => {
  expect(knownValue(between(1, 2))).toBeNull();
  expect(knownValue(estimated(2))).toBe(2);
  expect(asGuessed(between(1, 2))).toEqual(between(1, 2));
});

test.each([
  [measured(152), '152 g'],
  [estimated(60), 'about 60 g'],
  [between(100, 200), '100–200 g'],
  [between(900, 1200), '900 g – 1.2 kg'],
  [between(5, null), 'at least 5 g'],
  [UNKNOWN, 'unknown'],
])('%j reads %s', (figure, text) => expect(figureText(figure, printMass)).toBe(text));
test('ends that print alike are printed once', () => expect(knownText({ least: 1, most: 1.001 }, printMass)).toBe('1 g'));
test('the unit of a ratio stands once', () => expect(knownText({ least: 0.333, most: 0.667 }, (n) => `${n} : 1`)).toBe('0.333–0.667 : 1'));
test('times', () => expect(timesKnown({ least: 2, most: null }, 3)).toEqual({ least: 6, most: null }));
