import { expect, test } from 'vitest';
import { tickLabel } from './tickLabel';

const labels = (...all: number[]) => all.map((value) => tickLabel(value, all));

test('each figure of an axis can be told from its neighbour', () => {
  expect(labels(0, 20, 40)).toEqual(['0', '20', '40']);
  expect(labels(8, 8.02, 8.04)).toEqual(['8.00', '8.02', '8.04']);
  expect(labels(0, 2.5, 5)).toEqual(['0.0', '2.5', '5.0']);
  expect(labels(0, 0.1, 0.2, 0.30000000000000004)).toEqual(['0.0', '0.1', '0.2', '0.3']);
  expect(labels(-10, 0, 10)).toEqual(['−10', '0', '10']);
  expect(labels(7)).toEqual(['7']);
});
