import { describe, expect, test } from 'vitest';
import { type Copy, keptCopies } from './keep';

const DAY_MS = 86_400_000;
/** 1 July 2026, a Wednesday. */
const START = Date.UTC(2026, 6, 1, 6);
const daily = (days: number, bytes = 1): Copy[] =>
  Array.from({ length: days }, (_, i): Copy => ({ name: `day ${i}`, kind: 'daily', atMs: START + i * DAY_MS, bytes }));
const kept = (copies: readonly Copy[], most = 1000) => keptCopies(copies, most).map(({ name }) => name);

describe('which copies stay', () => {
  test('a week of them all', () => expect(kept(daily(7))).toHaveLength(7));
  test('of a year: the last seven days, the last of four weeks, the last of twelve months', () => {
    const names = kept(daily(365));
    expect(names.slice(0, 7)).toEqual([364, 363, 362, 361, 360, 359, 358].map((i) => `day ${i}`));
    // 30 June 2027 is a Wednesday: the weeks before it end on the Sundays of day 361, 354 and 347; May ends on day 334.
    expect(names).toContain('day 354');
    expect(names).toContain('day 347');
    expect(names).toContain('day 334');
    expect(names.length).toBeLessThanOrEqual(7 + 4 + 12);
    expect(names.length).toBeGreaterThan(7 + 2 + 10);
  });
  test('the oldest go when they take too much, the newest never', () => {
    expect(kept(daily(7, 300))).toEqual(['day 6', 'day 5', 'day 4']);
    expect(kept(daily(7, 5000))).toEqual(['day 6']);
  });
  test('several of one day: the last', () =>
    expect(
      kept([
        { name: 'early', kind: 'daily', atMs: START, bytes: 1 },
        { name: 'late', kind: 'daily', atMs: START + 3600_000, bytes: 1 },
      ]),
    ).toEqual(['late']));
  test('those asked for stay beside the daily ones of their day, for thirty days, the last of them for ever', () => {
    const asked = (name: string, day: number): Copy => ({ name, kind: 'asked for', atMs: START + day * DAY_MS - 3600_000, bytes: 1 });
    const copies = [...daily(60), asked('long ago', 3), asked('before one', 59), asked('before another', 59)];
    expect(kept(copies)).toEqual(expect.arrayContaining(['before one', 'before another', 'day 59']));
    expect(kept(copies)).not.toContain('long ago');
    expect(kept([...daily(60), asked('long ago', 3)])).toContain('long ago');
    expect(kept([...daily(3, 5000), asked('before', 1)])).toEqual(['day 2', 'before']);
  });
});
