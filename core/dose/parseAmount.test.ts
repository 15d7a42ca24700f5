import { describe, expect, test } from 'vitest';
import { parseAmount } from './parseAmount';

const read = (...args: Parameters<typeof parseAmount>) => {
  const parsed = parseAmount(...args);
  return parsed.ok
    ? [Math.round(parsed.value.value * 100) / 100, parsed.value.plusMinusPct === null ? null : Math.round(parsed.value.plusMinusPct)]
    : parsed.error.why;
};

describe('amounts as people type them', () => {
  test.each([
    ['54 g', 'g', [54, null]],
    ['2 oz', 'g', [56.7, null]],
    ['54', 'g', [54, null]],
    ['250', 'mL', [250, null]],
    ['3', 'piece', [3, null]],
    ['2 bags', 'piece', [2, null]],
    ['1/2', 'piece', [0.5, null]],
    ['3 g', 'piece', 'unknownUnit'],
    ['', 'piece', 'empty'],
    ['54 g', 'mL', 'wrongFamily'],
  ] as const)('%s as %s', (text, unit, expected) => expect(read(text, unit)).toEqual(expected));
  test('a spoon of a powder with a known density is grams, with how far off', () => {
    expect(read('1 tsp (US)', 'g', [0.8, 1.1])).toEqual([4.68, 16]);
    expect(read('1 tsp', 'g', [0.8, 1.1])).toBe('whoseUnit');
    expect(read('1 tsp', 'g', [0.8, 1.1], 'metric')).toEqual([4.75, 16]);
  });
  test('without a density a spoon is pointed out', () => expect(read('1 tsp (US)', 'g', null)).toBe('wrongFamily'));
});
