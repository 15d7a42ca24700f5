import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { parseIn, parseQuantity, parseTemperatureC, refusalText } from './parseQuantity';
import { printDuration, printExactDuration, printMass, printNumber } from './print';
import { celsiusToF, fahrenheitDifferenceToK, fahrenheitToC, temperatureClash } from './temperature';
import { convert, type Family } from './units';

const read = (text: string, family: Family, kitchen: Parameters<typeof parseQuantity>[2] = null) => {
  const parsed = parseQuantity(text, family, kitchen);
  return parsed.ok ? [parsed.value.value, parsed.value.unit] : parsed.error.why;
};

test.each([
  ['3 lb 4 oz', 'mass', 'g', 1474.175],
  ['250', 'mass', 'g', 250],
  ['1 gal (US)', 'volume', 'mL', 3785.412],
  ['2.5', 'volume', 'L', 2.5],
] as const)('%s as %s in %s is %d', (text, family, unit, value) => {
  const parsed = parseIn(text, family, unit);
  expect(parsed.ok && parsed.value).toBeCloseTo(value, 3);
});
test('what cannot be read in a unit says why', () => expect(parseIn('12 mL', 'mass', 'g').ok).toBe(false));

describe('people type as they think', () => {
  test.each<[string, Family, unknown]>([
    ['1 1/2 tsp (US)', 'volume', [1.5, 'usTsp']],
    ['½ cup (US)', 'volume', [0.5, 'usCup']],
    ['1½ cups us', 'volume', [1.5, 'usCup']],
    ['250g', 'mass', [250, 'g']],
    ['2,5 L', 'volume', [2.5, 'L']],
    ['3 fl oz (imperial)', 'volume', [3, 'impFlOz']],
    ['1 tbsp (australian)', 'volume', [1, 'auTbsp']],
    ['200 g/m2', 'arealMass', [200, 'gPerM2']],
    ['24 h', 'time', [24, 'h']],
  ])('%s', (text, family, expected) => expect(read(text, family)).toEqual(expected));

  test('pounds and ounces add up', () => {
    const parsed = parseQuantity('3 lb 4 oz', 'mass');
    expect(parsed.ok && convert(parsed.value.value, parsed.value.unit, 'g')).toBeCloseTo(1474.175, 3);
  });
});

describe('what is not clear is asked, not guessed', () => {
  test.each<[string, Family, string]>([
    ['1 cup', 'volume', 'whoseUnit'],
    ['2 gal', 'volume', 'whoseUnit'],
    ['', 'mass', 'empty'],
    ['some', 'mass', 'noNumber'],
    ['5', 'mass', 'noUnit'],
    ['5 bushels', 'mass', 'unknownUnit'],
    ['5 mL', 'mass', 'wrongFamily'],
    ['1,250 g', 'mass', 'ambiguousComma'],
    ['1/0 g', 'mass', 'noNumber'],
    ['5 g 3 mL', 'mass', 'wrongFamily'],
  ])('%s asks: %s', (text, family, _why) => expect(read(text, family)).toBe(_why));

  test('a cup names its choices in millilitres', () => {
    const parsed = parseQuantity('1 cup', 'volume');
    expect(parsed.ok ? '' : refusalText(parsed.error)).toBe('Whose cup? cup (US) = 236.59 mL, cup (metric) = 250 mL, cup (imperial) = 284.13 mL.');
  });
  test('a kitchen chosen once answers for its spoons', () => expect(read('1 cup', 'volume', 'metric')).toEqual([1, 'metricCup']));
});

// NIST SP 811 App. B; trade handbook T42, T43, T45 (definitions)
describe('temperature', () => {
  test.each([
    [180, 82.2],
    [150, 65.6],
    [160, 71.1],
    [176, 80],
    [158, 70],
    [-40, -40],
    [212, 100],
  ])('%f °F is %f °C', (f, c) => {
    expect(fahrenheitToC(f)).toBeCloseTo(c, 1);
    expect(celsiusToF(fahrenheitToC(f))).toBeCloseTo(f, 9);
  });
  test('a difference has no offset: 9 °F is 5 K', () => expect(fahrenheitDifferenceToK(9)).toBe(5));
  test('80 °C given as 160 °F is a clash of 8.9 K', () => expect(temperatureClash(80, 160)?.differenceK).toBeCloseTo(8.9, 1));
  test('82 °C / 180 °F is rounding, not a clash', () => expect(temperatureClash(82, 180)).toBeNull());
  test.each<[string, number]>([
    ['160F', 71.11],
    ['180 °F', 82.22],
    ['82', 82],
    ['65.6 °C', 65.6],
  ])('%s reads as %f °C', (text, c) => {
    const parsed = parseTemperatureC(text);
    expect(parsed.ok && parsed.value).toBeCloseTo(c, 2);
  });
  test('an unknown scale is refused', () => expect(parseTemperatureC('80 K').ok).toBe(false));
});

describe('printing', () => {
  test.each([
    [0.66, '0.66'],
    [3.52, '3.52'],
    [37.5, '37.5'],
    [0.004, '0.004'],
    [152.6, '153'],
    [10, '10'],
    [100, '100'],
    [1200, '1200'],
    [0, '0'],
  ])('%f prints as %s', (n, text) => expect(printNumber(n)).toBe(text));
  test('kilograms from a thousand grams', () => expect([printMass(999), printMass(1000), printMass(1814)]).toEqual(['999 g', '1 kg', '1.81 kg']));
  test('parse(print(x)) is x within print precision', () =>
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 50_000, noNaN: true }), (g) => {
        const parsed = parseQuantity(printMass(g), 'mass');
        if (!parsed.ok) throw new Error(refusalText(parsed.error));
        expect(Math.abs(convert(parsed.value.value, parsed.value.unit, 'g') - g) / g).toBeLessThan(0.06);
      }),
      { seed: 7 },
    ));
  test('durations are words, exact dips keep their seconds (T57)', () => {
    expect([printDuration(45), printDuration(65), printDuration(27 * 60), printDuration(58 * 60)]).toEqual(['45 min', '1 h 05', '1 d 3 h', '2 d 10 h']);
    expect(printExactDuration(192_000)).toBe('3:12');
  });
});
