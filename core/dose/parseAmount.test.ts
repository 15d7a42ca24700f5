import { describe, expect, test } from 'vitest';
import { figureText } from '../figure';
import { printAmount } from '../measure/print';
import { amountUnitOf, parseAmount } from './parseAmount';

const read = (...args: Parameters<typeof parseAmount>): string => {
  const parsed = parseAmount(...args);
  if (!parsed.ok) return parsed.error;
  const { figure, plusMinusPct } = parsed.value;
  return `${figureText(figure, (value) => printAmount(value, args[1]))}${plusMinusPct === null ? '' : ` ± ${Math.round(plusMinusPct)} %`}`;
};

describe('amounts as people type them', () => {
  test.each([
    ['54 g', 'g', '54 g'],
    ['2 oz', 'g', '56.7 g'],
    ['54', 'g', '54 g'],
    ['250', 'mL', '250 mL'],
    ['3', 'piece', '3 ×'],
    ['2 bags', 'piece', '2 ×'],
    ['1/2', 'piece', '0.5 ×'],
    ['a handful', 'handful', '1 handful'],
    ['2-3 handfuls', 'handful', '2–3 handfuls'],
    ['100-200 g', 'g', '100–200 g'],
    ['100 to 200', 'g', '100–200 g'],
    ['0.9–1.2 kg', 'g', '900 g – 1.2 kg'],
    ['at least 5 mL', 'mL', 'at least 5 mL'],
    ['5 mL or more', 'mL', 'at least 5 mL'],
    ['about 30 g', 'g', 'about 30 g'],
    ['~30 g', 'g', 'about 30 g'],
    ['3 lb 4 oz', 'g', '1.47 kg'],
  ] as const)('%s as %s', (text, unit, expected) => expect(read(text, unit)).toBe(expected));
  // 3 and 4 metric cups of 250 mL.
  test('cups of this kitchen', () => expect(read('3–4 cups', 'mL', null, 'metric')).toBe('750 mL – 1 L'));
  test.each([
    ['3 g', 'piece', /“g” is not a unit/],
    ['', 'piece', /Type an amount/],
    ['54 g', 'mL', /a volume is wanted/],
    ['200-100 g', 'g', /runs backwards/],
    ['100-lots', 'g', /./],
    ['1 tsp (US)', 'g', /a mass is wanted/],
  ] as const)('%s as %s is pointed out', (text, unit, said) => expect(parseAmount(text, unit)).toEqual({ ok: false, error: expect.stringMatching(said) }));
  test('a spoon of a powder with a known density is grams, with how far off', () => {
    expect(read('1 tsp (US)', 'g', [0.8, 1.1])).toBe('about 4.68 g ± 16 %');
    expect(read('1 tsp', 'g', [0.8, 1.1])).toMatch(/Whose tsp/);
    expect(read('1 tsp', 'g', [0.8, 1.1], 'metric')).toBe('about 4.75 g ± 16 %');
  });
});

test.each([
  ['200 g', 'g'],
  ['200', 'g'],
  ['3–4 cups', 'mL'],
  ['1.5 L', 'mL'],
  ['2 handfuls', 'handful'],
  ['a handful', 'handful'],
  ['12 bags', 'piece'],
  ['6 x', 'piece'],
] as const)('%s is said in %s', (text, unit) => expect(amountUnitOf(text)).toBe(unit));
