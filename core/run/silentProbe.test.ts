import { expect, test } from 'vitest';
import { silentSinceMs } from './silentProbe';

const every = (gapS: number, count: number) => Array.from({ length: count }, (_, i) => ({ atMs: i * gapS * 1000, bathC: 60 }));

test('a probe that speaks every ten seconds is lost after thirty, not before', () => {
  const readings = every(10, 20);
  const lastMs = 190_000;
  expect(silentSinceMs(readings, lastMs + 30_000)).toBeNull();
  expect(silentSinceMs(readings, lastMs + 30_001)).toBe(lastMs);
});
test('one that speaks each minute has three of them; one each second is not lost by a page that is a moment late', () => {
  expect(silentSinceMs(every(60, 10), 540_000 + 179_000)).toBeNull();
  expect(silentSinceMs(every(60, 10), 540_000 + 181_000)).toBe(540_000);
  expect(silentSinceMs(every(1, 60), 59_000 + 14_000)).toBeNull();
  expect(silentSinceMs(every(1, 60), 59_000 + 16_000)).toBe(59_000);
});
test('a hole in its past is no new interval; too few readings tell nothing', () => {
  const holed = [...every(10, 8), ...every(10, 8).map(({ atMs, bathC }) => ({ atMs: atMs + 3_600_000, bathC }))];
  expect(silentSinceMs(holed, 3_670_000 + 31_000)).toBe(3_670_000);
  expect(silentSinceMs(every(10, 3), 1e9)).toBeNull();
  expect(silentSinceMs([], 1e9)).toBeNull();
});
