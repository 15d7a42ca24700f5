import { expect, test } from 'vitest';
import { METRIC } from '@/core/measure/measures';
import { massReader } from '../form/typed';
import { above0, plain } from './read';

const mass = above0(massReader(METRIC));
test.each([
  ['3 lb 4 oz', 1474.175],
  ['110', 110],
  ['½ kg', 500],
])('%s is %f g', (text, g) => {
  const got = mass(text);
  expect(got.ok && got.value).toBeCloseTo(g, 3);
});
test('nothing typed is nothing known', () => expect(mass('')).toMatchObject({ ok: true, value: null }));
test.each([
  ['0 g', 'above 0'],
  ['-3', 'above 0'],
  ['12 mL', 'volume'],
  ['much', 'Start with a number'],
])('%s gives no number', (text, why) => expect(mass(text)).toMatchObject({ ok: false, why: expect.stringContaining(why) }));
test.each([
  ['10', { ok: true, value: 10 }],
  ['10 %', { ok: true, value: 10 }],
  ['10 : 1', { ok: true, value: 10 }],
  ['-1', { ok: false, why: 'At least 0.' }],
  ['ten', { ok: false, why: 'Write a number.' }],
  ['1,250', { ok: false, why: 'Write a number.' }],
])('%s as a plain number', (text, read) => expect(plain()(text)).toMatchObject(read));
