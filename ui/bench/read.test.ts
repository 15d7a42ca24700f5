import { expect, test } from 'vitest';
import { readPlain, readQuantity } from './read';

test.each([
  ['3 lb 4 oz', 1474.175],
  ['110', 110],
  ['½ kg', 500],
])('%s is %f g', (text, g) => expect(readQuantity(text, 'mass', 'g').value).toBeCloseTo(g, 3));
test.each([
  ['', null],
  ['0 g', 'above 0'],
  ['-3', 'above 0'],
  ['1 cup', 'volume'],
  ['much', 'Start with a number'],
])('%s gives no number', (text, says) => {
  const read = readQuantity(text, 'mass', 'g');
  expect(read.value).toBeNull();
  if (says === null) expect(read.problem).toBeNull();
});
test.each([
  ['10', 10, null],
  ['10 %', 10, null],
  ['10 : 1', 10, null],
  ['-1', null, 'At least 0.'],
  ['ten', null, 'Write a number.'],
  ['1,250', null, 'Write a number.'],
])('%s as a plain number', (text, value, problem) => expect(readPlain(text)).toEqual({ value, problem }));
