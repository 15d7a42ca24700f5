import { expect, test } from 'vitest';
import { linear } from './linear';

test('a line through two points, kept to its ends, upwards and downwards', () => {
  const up = linear([10, 20], [0, 100]);
  expect([up(10), up(12.5), up(20), up(-5), up(99)]).toEqual([0, 25, 100, 0, 100]);
  const down = linear([0, 4], [204, 6]);
  expect([down(0), down(1), down(4), down(9)]).toEqual([204, 154.5, 6, 6]);
});

test('each piece has a slope of its own, also where one has no height', () => {
  const folded = linear([0, 10, 30, 40], [0, 100, 134, 134]);
  expect([folded(5), folded(10), folded(20), folded(30), folded(35), folded(40)]).toEqual([50, 100, 117, 134, 134, 134]);
});

test('a stretch without length is stepped over', () => {
  expect(linear([5, 5], [0, 1])(5)).toBe(0);
  expect(linear([0, 5, 5, 10], [0, 1, 2, 3])(5)).toBe(2);
});

test('values without places are refused', () => {
  expect(() => linear([1, 2], [1])).toThrow('as many places');
  expect(() => linear([1], [1])).toThrow('two at least');
});
