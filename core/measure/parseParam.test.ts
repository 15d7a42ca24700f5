import { describe, expect, test } from 'vitest';
import { parseParam, wordSpan } from './parseParam';

const read = (text: string, unit: string) => {
  const parsed = parseParam(text, unit);
  return parsed.ok ? parsed.value : parsed.error;
};

describe('figures as people type them', () => {
  test.each([
    ['160F', '°C', 71.11],
    ['80', '°C', 80],
    ['80 °C / 176 °F', '°C', 80],
    ['176F/80C', '°C', 80],
    ['65.6 C = 150 F', '°C', 65.6],
    ['1 h 30', 'min', 90],
    ['1.5 h', 'min', 90],
    ['45', 'min', 45],
    ['2 d', 'min', 2880],
    ['overnight', 'min', 600],
    ['An hour or so', 'min', 75],
    ['couple of hours', 'min', 120],
    ['½', '% WOF', 0.5],
    ['10 %', '% WOF', 10],
    ['10 % WOF', '% WOF', 10],
    ['9,5', 'mL/g', 9.5],
    ['30 mL/g', 'mL/g', 30],
    ['', '°C', null],
    ['unknown', 'min', null],
  ])('%s in %s is %j', (text, unit, value) => expect(read(text, unit)).toEqual(value));
  // Trade handbook T43 (definition): a clash of 8.9 °C
  test('80 °C given as 160 °F is pointed out, not swallowed', () =>
    expect(read('80 °C / 160 °F', '°C')).toBe('80 °C and 160 °F are not the same: 160 °F is 71.1 °C. Which is it?'));
  test.each([
    ['simmer', '°C', 'is no number'],
    ['hot, not boiling', '°C', 'is no number'],
    ['80 K', '°C', 'Write °C or F'],
    ['80 C / 82 C', '°C', 'one in °C and one in °F'],
    ['lots', 'mL/g', 'Start with a number'],
    ['5 g', '% WOF', 'is something else'],
    ['5 bushels', 'min', 'not a unit'],
    ['1,250', 'min', 'decimal mark'],
  ])('%s in %s: %s', (text, unit, says) => expect(String(read(text, unit))).toContain(says));
});

// Trade handbook section 0: words and what may be stored for them
test.each([
  ['overnight', 480, 840],
  ['a few days', 2880, 7200],
  ['few minutes', 2, 5],
  ['a couple of hours', 90, 150],
])('%s is %d to %d min', (word, least, most) => expect(wordSpan(word)).toMatchObject({ minMin: least, maxMin: most }));
test('a word nobody knows is no length', () => expect(wordSpan('a while')).toBeNull());

test.each<[string, string, number]>([
  ['1 per 2', 'per piece', 0.5],
  ['2 : 1', ': 1', 2],
  ['1:2', ': 1', 0.5],
])('a pair “%s” in %s is %f', (text, unit, value) => expect(parseParam(text, unit)).toEqual({ ok: true, value }));
test.each([
  ['1/3', '% of the bath', 'in percent'],
  ['½', '% of the bath', 'in percent'],
  ['6-8 h', 'min', 'One length stands here'],
  ['100-200 g', 'g', 'One figure stands here'],
  ['70–80', '°C', 'low and one for its high end'],
])('“%s” in %s is refused in its own words', (text, unit, why) => {
  const got = parseParam(text, unit);
  expect(got.ok ? got.value : got.error).toContain(why);
});
