import { describe, expect, test } from 'vitest';
import { METRIC, type Measures } from './measures';
import { printer } from './printer';
import { reprint } from './reprint';

const AMERICAN: Measures = { mass: 'ounces', volume: 'us', kitchen: 'us', temperature: 'F', clock: '12h', weekStart: 0, dateOrder: 'mdy' };
const us = printer(AMERICAN, 'Europe/Berlin');
const metric = printer(METRIC, 'Europe/Berlin');
const at = Date.UTC(2026, 2, 6, 17, 5); // Friday, 18:05 in Berlin

describe('masses in ounces (NIST Handbook 44: 1 lb = 453.59237 g)', () => {
  test.each([
    [120, '4.23 oz'],
    [12, '0.42 oz'],
    [453.59237, '1 lb'],
    [1474.18, '3 lb 4 oz'],
    [453.5, '1 lb'],
    [0, '0 oz'],
    [1.5, '0.053 oz'],
    [-28.349523125, '−1 oz'],
  ])('%d g is %s', (g, text) => expect(us.mass(g)).toBe(text));
});

describe('volumes by the spoon, cup and gallon (NIST Handbook 44, UK Weights and Measures Act 1985)', () => {
  test.each([
    [4.92892159375, '1 tsp (US)'],
    [2.46446079688, '0.5 tsp (US)'],
    [14.78676478125, '1 Tbsp (US)'],
    [118.29411825, '0.5 cups (US)'],
    [236.5882365, '1 cup (US)'],
    [7570.823568, '2 gal (US)'],
  ])('%d mL is %s', (mL, text) => expect(us.volume(mL)).toBe(text));
  test('an imperial gallon is named as one', () => expect(printer({ ...AMERICAN, volume: 'imperial' }, 'UTC').volume(4546.09)).toBe('1 gal (imperial)'));
});

test('temperatures, bands, clocks and dates', () => {
  expect(us.temperature(82.2222)).toBe('180 °F');
  expect(us.band([55, 65])).toBe('131–149 °F');
  expect(metric.band([57.599999999999994, 63.6])).toBe('57.6–63.6 °C');
  expect(us.clock(at)).toBe('6:05 pm');
  expect(metric.clock(at)).toBe('18:05');
  expect(us.clock(Date.UTC(2026, 2, 5, 23, 0))).toBe('12:00 am');
  expect(us.day(at)).toBe('Fri Mar 6');
  expect(metric.date(at, at)).toBe('Fri 6 Mar, 18:05');
  expect(metric.date(at, Date.UTC(2027, 5, 1))).toBe('Fri 6 Mar 2026, 18:05');
  const iso = printer({ ...METRIC, dateOrder: 'ymd' }, 'Europe/Berlin');
  expect(iso.day(at)).toBe('Fri 2026-03-06');
  expect(iso.date(at)).toBe('Fri 2026-03-06, 18:05');
  expect(us.wall('22:30')).toBe('10:30 pm');
  expect(us.amount(3, 'piece')).toBe('3 ×');
});

describe('sentences made in g, mL and °C', () => {
  test.each([
    ['Add 12 g potash alum', 'Add 0.42 oz potash alum'],
    ['Too hot: 84 °C, never above 82.2 °C. Turn it down', 'Too hot: 183 °F, never above 180 °F. Turn it down'],
    ['1 h at 55–65 °C', '1 h at 131–149 °F'],
    ['Aim near 1 °C a minute and leave it still.', 'Aim near 1.8 °F a minute and leave it still.'],
    ['A 30 °C jump can felt wool.', 'A 54 °F jump can felt wool.'],
    ['12.5 g/L is above the 10 g/L many dyers use', '12.5 g/L is above the 10 g/L many dyers use'],
    ['30 mL per gram of fibre', '30 mL per gram of fibre'],
    ['1.4 kg in 3.785 L', '3 lb 1.4 oz in 1 gal (US)'],
    ['sulfate, 278 g/mol, 200 g/m²', 'sulfate, 278 g/mol, 200 g/m²'],
    ['Dip at 09:42, out by Fri 23:05', 'Dip at 9:42 am, out by Fri 11:05 pm'],
    ['a dip of 03:12 min in 1:10', 'a dip of 03:12 min in 1:10'],
    ['about 4 g, 3.5 g to 4.5 g', 'about 0.14 oz, 0.12 oz to 0.16 oz'],
  ])('%s', (made, shown) => expect(reprint(made, AMERICAN)).toBe(shown));
  test('a metric kitchen reads what was made, to the letter', () => {
    const made = '54 g in 5.4 L at 80 °C';
    expect(reprint(made, METRIC)).toBe(made);
  });
});
