import fc from 'fast-check';
import { expect, test } from 'vitest';
import { printClock, printDayClock, wallTime, zonedMs } from './zone';

const BERLIN = 'Europe/Berlin';

test('a wall clock time becomes an instant and comes back', () => {
  const ms = zonedMs(BERLIN, 2026, 3, 6, 18, 30);
  expect(new Date(ms).toISOString()).toBe('2026-03-06T17:30:00.000Z');
  expect(printDayClock(ms, BERLIN)).toBe('Fri 18:30');
});

// Rule of the zone: clocks go from 02:00 to 03:00 on 29 March 2026 and from 03:00 back to 02:00 on 25 October 2026
test('across the spring change a night has an hour less, and durations say so', () => {
  const evening = zonedMs(BERLIN, 2026, 3, 28, 22, 0);
  const morning = zonedMs(BERLIN, 2026, 3, 29, 8, 0);
  expect((morning - evening) / 3_600_000).toBe(9);
  expect(printClock(evening + 4 * 3_600_000, BERLIN)).toBe('03:00');
});
test('across the autumn change a night has an hour more', () =>
  expect((zonedMs(BERLIN, 2026, 10, 25, 8, 0) - zonedMs(BERLIN, 2026, 10, 24, 22, 0)) / 3_600_000).toBe(11));
test('a time the clock skips gives the instant just after the gap', () => expect(printClock(zonedMs(BERLIN, 2026, 3, 29, 2, 30), BERLIN)).toBe('03:30'));
test('a time the clock shows twice gives the first', () =>
  expect(new Date(zonedMs(BERLIN, 2026, 10, 25, 2, 30)).toISOString()).toBe('2026-10-25T00:30:00.000Z'));
test('days may run past the end of a month', () => expect(wallTime(zonedMs('UTC', 2026, 1, 33, 9), 'UTC')).toMatchObject({ month: 2, day: 2, hour: 9 }));
test('zones west of Greenwich and with half hours work too', () => {
  expect(wallTime(zonedMs('America/St_Johns', 2026, 7, 1, 6, 15), 'America/St_Johns')).toMatchObject({ day: 1, hour: 6, minute: 15 });
  expect(wallTime(zonedMs('Pacific/Auckland', 2026, 7, 1, 23, 59), 'Pacific/Auckland')).toMatchObject({ day: 1, hour: 23, minute: 59 });
});

test('the wall clock is the platform’s own, minute by minute, in every kind of zone', () => {
  // Against Intl, the platform’s reading of the IANA time zone database.
  const zones = ['Europe/Berlin', 'America/St_Johns', 'Australia/Lord_Howe', 'Asia/Kathmandu', 'Pacific/Apia', 'UTC'];
  const changes = [Date.UTC(2026, 2, 29, 1), Date.UTC(2026, 9, 25, 1), Date.UTC(2026, 3, 4, 15), Date.UTC(2011, 11, 30, 10)];
  const instant = fc.oneof(
    fc.integer({ min: Date.UTC(1990, 0, 1), max: Date.UTC(2040, 0, 1) }),
    fc.tuple(fc.constantFrom(...changes), fc.integer({ min: -7_200_000, max: 7_200_000 })).map(([at, by]) => at + by),
  );
  const formats = new Map(zones.map((zone) => [zone, new Intl.DateTimeFormat('sv-SE', { timeZone: zone, dateStyle: 'short', timeStyle: 'short' })]));
  const two = (n: number) => String(n).padStart(2, '0');
  fc.assert(
    fc.property(fc.constantFrom(...zones), instant, (zone, ms) => {
      const wall = wallTime(ms, zone);
      expect(`${wall.year}-${two(wall.month)}-${two(wall.day)} ${two(wall.hour)}:${two(wall.minute)}`).toBe(formats.get(zone)?.format(ms));
    }),
    { numRuns: 3000 },
  );
});
test('an unknown zone is refused', () => expect(() => wallTime(0, 'Nowhere/Land')).toThrow(RangeError));
