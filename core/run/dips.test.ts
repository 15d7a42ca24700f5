import { describe, expect, test } from 'vitest';
import { countdownText, dipNow, overText } from './dips';

describe('a dip by the second', () => {
  test.each([
    [180_000, '3:00'],
    [179_001, '3:00'],
    [179_000, '2:59'],
    [10_001, '0:11'],
    [10_000, '10'],
    [9_400, '10'],
    [900, '1'],
    [0, '0'],
    [-1, '0'],
    [-1000, '+0:01'],
    [-75_000, '+1:15'],
  ])('%d ms left reads %s', (ms, says) => expect(countdownText(ms)).toBe(says));

  test('only a dip has one, and a pause stands still', () => {
    const phase = { kind: 'dip', exactMin: 3, act: 'Goods in' } as const;
    const current = { index: 1, phase, enteredMs: 0, seenByReadings: false, leftMs: null, elapsedMin: 1.25, pausedMin: 4, credit: null, leftMin: null };
    expect(dipNow({ stepId: 's', current })).toEqual({ stepId: 's', act: 'Goods in', exactMin: 3, leftMs: 105_000 });
    expect(dipNow({ stepId: 's', current: { ...current, phase: { kind: 'lift', minutes: 5, act: 'Lift' } } })).toBeNull();
    expect(dipNow({ stepId: 's', current: null })).toBeNull();
  });

  test.each([
    [-4_000, null],
    [-5_999, null],
    [-10_000, 'hardly shows'],
    [-60_000, 'Over by 33 %: a little darker and greyer'],
    [-180_000, 'Over by 100 %: darker and greyer'],
  ])('three minutes of iron, %d ms left: %s', (leftMs, says) => {
    const text = overText({ leftMs, exactMin: 3 }, 'iron');
    if (says === null) expect(text).toBeNull();
    else expect(text).toContain(says);
  });
});
