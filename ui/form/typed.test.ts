import { describe, expect, test } from 'vitest';
import { METRIC, type Measures } from '@/core/measure/measures';
import {
  amountReader,
  bathVolumeReader,
  clockReader,
  massReader,
  numberReader,
  paramReader,
  rangeReader,
  saidReader,
  temperatureReader,
  typedValue,
  volumeReader,
} from './typed';

const AMERICAN: Measures = { ...METRIC, mass: 'ounces', volume: 'us', kitchen: 'us', temperature: 'F' };

describe('how much of a bath', () => {
  test.each([
    ['1.5', { state: 'measured', value: 1500 }, '= 1.5 L'],
    ['1.5 L', { state: 'measured', value: 1500 }, ''],
    ['about 2 L', { state: 'estimated', value: 2000 }, '= 2 L'],
    ['1-2 L', { state: 'between', least: 1000, most: 2000 }, '= 1–2 L'],
  ])('%s is as sure as it was said', (text, figure, says) => expect(bathVolumeReader(METRIC)(text)).toMatchObject({ ok: true, value: { figure }, says }));
  test('no figure is no volume', () => expect(bathVolumeReader(METRIC)('a bucket')).toMatchObject({ ok: false }));
});

describe('masses and volumes (NIST Handbook 44: 1 oz = 28.349523125 g, 1 US gal = 3785.411784 mL)', () => {
  test.each([
    ['120', 120],
    ['1.47 kg', 1470],
    ['4 oz', 113.398_092_5],
    ['4 1/4 oz', 120.485_473_281_25],
  ])('%s', (text, grams) => expect(typedValue(massReader(METRIC), text)).toBeCloseTo(grams, 6));
  test('a gallon', () => expect(typedValue(volumeReader(AMERICAN), '1 gal')).toBeCloseTo(3785.411_784, 6));
  test('a bare number means litres only where litres were asked for', () => {
    expect(typedValue(volumeReader(METRIC, 'L'), '4')).toBe(4000);
    expect(typedValue(volumeReader(METRIC, 'mL'), '4')).toBe(4);
  });
  test('what was made of it is said, unless it is what was typed', () => {
    expect(massReader(METRIC)('4 oz')).toMatchObject({ says: expect.stringContaining('113') });
    expect(massReader(METRIC)('120 g')).toMatchObject({ says: '' });
    expect(massReader(AMERICAN)('120 g')).toMatchObject({ says: expect.stringContaining('4.23 oz') });
  });
});

describe('temperatures', () => {
  // Fixed points: water boils at 212 °F = 100 °C, freezes at 32 °F = 0 °C.
  test.each([
    ['212 F', METRIC, 100],
    ['32 °F', METRIC, 0],
    ['82', METRIC, 82],
    ['180', AMERICAN, (180 - 32) / 1.8],
    ['82 C', AMERICAN, 82],
  ])('%s', (text, measures, c) => expect(typedValue(temperatureReader(measures), text)).toBeCloseTo(c, 2));
  test('what no bath reads is refused with the bounds', () => {
    expect(temperatureReader(METRIC)('400')).toEqual({ ok: false, why: 'No bath reads that. Between −10 and 150 °C.' });
    expect(temperatureReader(METRIC)('-10')).toMatchObject({ ok: true, value: -10 });
  });
});

describe('what is not there is unknown; what cannot be read is told, never guessed', () => {
  const readers = [
    massReader(METRIC),
    volumeReader(METRIC),
    temperatureReader(METRIC),
    rangeReader('min'),
    numberReader(0, 10),
    clockReader,
    amountReader('g', null, METRIC),
  ];
  test.each(readers.map((reader, i) => [i, reader] as const))('reader %i', (_i, reader) => {
    expect(reader('  ')).toEqual({ ok: true, value: null, says: '' });
    const refused = reader('some of it, I think');
    expect(refused.ok).toBe(false);
    if (!refused.ok) expect(refused.why.length).toBeGreaterThan(5);
  });
});

test('bounds belong to what they bound', () => {
  expect(typedValue(numberReader(2, 9), '2')).toBe(2);
  expect(typedValue(numberReader(2, 9), '9')).toBe(9);
  expect(numberReader(2, 9)('1.9')).toEqual({ ok: false, why: 'At least 2.' });
  expect(numberReader(2, 9)('9.1')).toEqual({ ok: false, why: 'At most 9.' });
  expect(paramReader('%', 1, 20, METRIC)('21')).toMatchObject({ ok: false });
  expect(typedValue(paramReader('°C', 20, 100, AMERICAN), '212')).toBeCloseTo(100, 6);
});

test('ranges and clocks as people say them', () => {
  expect(typedValue(rangeReader('min'), '60-90')).toEqual([60, 90]);
  expect(typedValue(rangeReader('min'), '1–2 h')).toEqual([60, 120]);
  expect(typedValue(clockReader, '7:30')).toBe('07:30');
  expect(typedValue(clockReader, '7:30 pm')).toBe('19:30');
});

test('a powder by the spoon is a guess and says so', () => {
  // 2 US teaspoons are 9.86 mL (NIST Handbook 44).
  expect(amountReader('g', [0.8, 1], AMERICAN)('2 tsp')).toMatchObject({ ok: true, says: expect.stringContaining('give or take') });
  // Whose spoon it is has not been said: it is asked, not guessed.
  expect(amountReader('g', [0.8, 1], METRIC)('2 tsp')).toMatchObject({ ok: false });
});

describe('a reading as it is said', () => {
  const read = saidReader(numberReader(0, 14), ({ said }) => (said?.as === 'between' ? `${said.low}–${said.high}` : 'about'));
  test.each([
    ['5-6', { value: 5.5, said: { as: 'between', low: 5, high: 6 } }],
    ['between 5 and 6', { value: 5.5, said: { as: 'between', low: 5, high: 6 } }],
    ['about 5', { value: 5, said: { as: 'about' } }],
    ['5.5', { value: 5.5 }],
  ])('%s', (text, value) => expect(read(text)).toMatchObject({ ok: true, value }));
  test('off the scale at one end, backwards, or open: what to mend is said', () => {
    expect(read('12-15')).toEqual({ ok: false, why: 'At most 14.' });
    expect(read('6-5')).toMatchObject({ ok: false });
    expect(read('at least 5')).toMatchObject({ ok: false, why: expect.stringContaining('Write both ends') });
    expect(read('')).toMatchObject({ ok: true, value: null });
  });
});
