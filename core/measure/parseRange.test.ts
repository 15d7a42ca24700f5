import { expect, test } from 'vitest';
import { parseFigure, parseRange } from './parseRange';

const read = (text: string, unit: string) => {
  const parsed = parseRange(text, unit);
  return parsed.ok ? parsed.value : parsed.error;
};

test.each([
  ['6-8 h', 'min', [360, 480]],
  ['6 – 8 h', 'min', [360, 480]],
  ['45 min to 2 h', 'min', [45, 120]],
  ['an hour or so', 'min', [60, 90]],
  ['overnight', 'min', [480, 840]],
  ['60', 'min', [60, 60]],
  ['70-80 °C', '°C', [70, 80]],
  ['158–176 F', '°C', [70, 80]],
  ['10-20 %', '% WOF', [10, 20]],
  ['½–1', ': 1', [0.5, 1]],
] as const)('%s in %s', (text, unit, range) => expect(read(text, unit)).toEqual(range));

test.each([
  ['8-6 h', 'min', /backwards/],
  ['', 'min', /Type a range/],
  ['much', 'min', /Start with a number/],
  ['60-90 F', 'min', /not a unit|something else/],
  ['simmer', '°C', /no number/],
] as const)('%s in %s is pointed out', (text, unit, said) => expect(read(text, unit)).toMatch(said));

test.each([
  ['6–8 h', 'min', { least: 360, most: 480 }],
  ['at least 60 min', 'min', { least: 60, most: null }],
  ['an hour or so', 'min', { least: 60, most: 90 }],
  ['an hour', 'min', 60],
  ['10–15 %', '% WOF', { least: 10, most: 15 }],
  ['1 per 2', 'per piece', 0.5],
  ['60–60', 'min', 60],
  ['', 'min', null],
  ['unknown', 'min', null],
] as const)('%s in %s as a figure', (text, unit, figure) => expect(parseFigure(text, unit)).toEqual({ ok: true, value: figure }));
test('a range with no end is no range of a method', () => expect(read('at least 60', 'min')).toMatch(/to where/));
