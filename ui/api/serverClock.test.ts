import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';

type Clock = typeof import('./serverClock');
let clock: Clock;
let perf: number;

beforeEach(async () => {
  vi.resetModules();
  clock = await import('./serverClock');
  perf = 5000;
  vi.spyOn(performance, 'now').mockImplementation(() => perf);
  vi.spyOn(Date, 'now').mockReturnValue(1_000_000);
});
afterEach(() => vi.restoreAllMocks());

describe('the server’s time on a device whose own clock may be wrong', () => {
  test('until the server spoke, the device’s clock must do', () => expect(clock.nowMs()).toBe(1_000_000));
  test('before that, the time at which it made the page, counted on from when the page came', () => {
    vi.spyOn(performance, 'getEntriesByType').mockReturnValue([{ responseStart: 4000 } as unknown as PerformanceEntry]);
    clock.pageMadeAt(3_000_000);
    expect(clock.nowMs()).toBe(3_001_000);
    clock.heardServerTime(3_300_000);
    clock.pageMadeAt(3_000_000);
    expect(clock.nowMs()).toBe(3_300_000);
  });
  test('five minutes off is five minutes put right, at once and from then on', () => {
    clock.heardServerTime(1_300_000);
    expect(clock.nowMs()).toBe(1_300_000);
    perf += 60_000;
    expect(clock.nowMs()).toBe(1_360_000);
  });
  test('somebody setting the device’s clock moves nothing', () => {
    clock.heardServerTime(1_300_000);
    vi.spyOn(Date, 'now').mockReturnValue(9_000_000);
    expect(clock.nowMs()).toBe(1_300_000);
  });
  test.each([
    [400, 0],
    [-400, 0],
    [1500, 1500],
    [-1500, -1500],
  ])('told %d ms off, it moves by %d: travel time is no news', (offMs, movedMs) => {
    clock.heardServerTime(1_300_000);
    clock.heardServerTime(1_300_000 + offMs);
    expect(clock.nowMs()).toBe(1_300_000 + movedMs);
  });
  test('after a sleep the next word of the server is believed', () => {
    clock.heardServerTime(1_300_000);
    // The device slept an hour: its own timer stood still.
    clock.heardServerTime(1_300_000 + 3_600_000);
    expect(clock.nowMs()).toBe(4_900_000);
  });
});
