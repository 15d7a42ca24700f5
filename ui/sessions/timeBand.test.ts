import { expect, test } from 'vitest';
import { zonedMs } from '@/core/time/zone';
import { timeBand } from './timeBand';

const zone = 'Europe/Berlin';
const at = (month: number, day: number, hour = 0) => zonedMs(zone, 2026, month, day, hour);
const now = at(3, 28, 12);

test('the band begins and ends at midnight of the home, across a change of the clocks too', () => {
  const band = timeBand([{ startMs: at(3, 27, 9), endMs: at(3, 30, 18) }], now, zone);
  expect(band.fromMs).toBe(at(3, 27));
  expect(band.toMs).toBe(at(3, 31));
  expect(band.midnights).toHaveLength(3);
  // The 29th has 23 hours.
  expect(((band.midnights[2] ?? 0) - (band.midnights[1] ?? 0)) * (band.toMs - band.fromMs)).toBeCloseTo(23 * 3_600_000, 0);
});
test('now is always on it, and a session of last year does not press this week together', () => {
  const band = timeBand([{ startMs: zonedMs(zone, 2025, 1, 1), endMs: zonedMs(zone, 2025, 1, 2) }], now, zone);
  expect(band.xOf(now)).toBeGreaterThan(0);
  expect(band.xOf(now)).toBeLessThan(1);
  expect(band.xOf(zonedMs(zone, 2025, 1, 1))).toBe(0);
  expect(band.midnights.length).toBeLessThan(43);
});
