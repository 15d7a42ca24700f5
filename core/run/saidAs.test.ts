import { expect, test } from 'vitest';
import { METRIC } from '../measure/measures';
import { printer } from '../measure/printer';
import { asReading, readingText } from './saidAs';

const metric = printer(METRIC, 'UTC');
const us = printer({ ...METRIC, temperature: 'F' }, 'UTC');

test('of a range the middle is reckoned with, and the range is kept', () => {
  expect(asReading({ known: { least: 5, most: 6 }, about: false })).toEqual({ ok: true, value: { value: 5.5, said: { as: 'between', low: 5, high: 6 } } });
  expect(asReading({ known: 60, about: true })).toEqual({ ok: true, value: { value: 60, said: { as: 'about' } } });
  expect(asReading({ known: 60, about: false })).toEqual({ ok: true, value: { value: 60 } });
});
test('what has no upper end is asked for', () =>
  // In the base unit it would be a figure that nobody typed.
  expect(asReading({ known: { least: 65.55555, most: null }, about: false })).toEqual({ ok: false, error: expect.not.stringMatching(/65/) }));
test('it is told as it was said, in the dyer’s own measures', () => {
  const band = { value: 62.5, said: { as: 'between', low: 60, high: 65 } } as const;
  expect([readingText('bathC', band, metric), readingText('bathC', band, us)]).toEqual(['60–65 °C', '140–149 °F']);
  expect(readingText('ph', { value: 5.5, said: { as: 'between', low: 5, high: 6 } }, metric)).toBe('5–6');
  expect(readingText('volumeMl', { value: 4000, said: { as: 'about' } }, metric)).toBe('about 4 L');
  expect(readingText('ph', { value: 4.5 }, metric)).toBe('4.5');
});
