import { describe, expect, test } from 'vitest';
import { phOfSolution } from './ph';
import { alkalinityOf, parseHardness, waterOf } from './water';

describe('hardness as people have it, in mg/L of calcium carbonate', () => {
  test.each([
    ['180 mg/L', 180],
    ['10 °dH', 178.48],
    ['10 dH', 178.48],
    ['10 °dKH', 178.48],
    ['10 KH', 178.48],
    ['18 °fH', 180],
    ['10 °e', 142.54],
    ['10 °Clark', 142.54],
    ['1.8 mmol/L', 180.15],
    ['200', 200],
    ['200 ppm', 200],
  ])('%s', (text, mg) => {
    const read = parseHardness(text);
    expect(read.ok && (read.value as number)).toBeCloseTo(mg, 1);
  });
  test('a range stays one; nothing is unknown; what is no hardness is said', () => {
    expect(parseHardness('10–14 °dH')).toMatchObject({ ok: true, value: { least: expect.closeTo(178.48, 1), most: expect.closeTo(249.87, 1) } });
    expect(parseHardness(' ')).toEqual({ ok: true, value: null });
    expect(parseHardness('10 °C')).toMatchObject({ ok: false });
    expect(parseHardness('hard')).toMatchObject({ ok: false });
    expect(parseHardness('-3 dH')).toMatchObject({ ok: false });
  });
});

test('alkalinity goes before hardness, and both before any tap', () => {
  expect(alkalinityOf(120, 300)).toEqual({ band: { low: 120, likely: 120, high: 120 }, from: 'alkalinity' });
  expect(alkalinityOf(null, 200)).toMatchObject({ from: 'hardness', band: { low: 80, high: 200 } });
  expect(alkalinityOf(null, null)).toMatchObject({ from: 'nothing' });
});

// Check values D4: 100 mg/L at pH 8.0 holds 2.028 mmol of carbonic acid; there by a solver of its own.
test('water of 100 mg/L', () => {
  const water = waterOf(100);
  expect(water.weak.carbonic).toBeCloseTo(0.002028, 5);
  expect(phOfSolution(water)).toBeCloseTo(8, 4);
  expect(phOfSolution(waterOf(0))).toBeCloseTo(7, 2);
});
