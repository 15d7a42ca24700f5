import { describe, expect, test } from 'vitest';
import { meterReadsPh, newPot, potReads, sunReadsC, typed } from './signals';

describe('a pot whose knob is typed', () => {
  test('heats once it is turned up, and cools when it is off', () => {
    const on = typed(newPot(), 'knob 10');
    if (!on) throw new Error('not understood');
    const warm = potReads(on, 600, 0.5);
    expect(warm.bathC).toBeGreaterThan(45);
    const off = typed(warm.pot, 'off');
    if (!off) throw new Error('not understood');
    expect(potReads(off, 3600, 0.5).bathC).toBeLessThan(warm.bathC);
    expect(typed(on, 'lid off')?.hasLid).toBe(false);
  });
  test('still answers its knob after a day', () => {
    const { pot } = potReads(typed(newPot(), '10') ?? newPot(), 24 * 3600, 0.5);
    expect(pot.state.bathC).toBe(100);
    expect(potReads(typed(pot, 'off') ?? pot, 3600, 0.5).bathC).toBeLessThan(90);
  });
  test('what nobody understands turns nothing', () => {
    for (const line of ['', 'hot', '11', '-1', 'lid']) expect(typed(newPot(), line), line).toBeNull();
  });
  test('its probe wavers by a fifth of a degree, told to the tenth', () => {
    expect([potReads(newPot(), 0, 0).bathC, potReads(newPot(), 0, 0.999).bathC]).toEqual([19.8, 20.2]);
  });
});
test('a jar in the sun is coolest in the night and warmest in the afternoon', () => {
  const day = Array.from({ length: 24 }, (_, hour) => sunReadsC(hour, 0.5));
  expect(day.indexOf(Math.max(...day))).toBe(15);
  expect(Math.min(...day)).toBe(14);
  expect(sunReadsC(3, 0.5)).toBe(14);
});
test('a meter comes from the tap to the aim, and off no scale', () => {
  expect(meterReadsPh(7.5, 4.5, 0, 0.5)).toBe(7.5);
  expect(meterReadsPh(7.5, 4.5, 300, 0.5)).toBeCloseTo(4.5, 1);
  expect(meterReadsPh(14, 14, 0, 0.999)).toBe(14);
});
