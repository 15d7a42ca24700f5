import { describe, expect, it } from 'vitest';
import { isFor, isHeard } from './silence';

const MIN = 60_000;

describe('a call that somebody heard', () => {
  const stir = { act: 'stir', dueMs: 10 * MIN } as const;
  it('rings until it is heard, then no more, and the next one rings anew', () => {
    expect(isHeard(stir, undefined, 11 * MIN)).toBe(false);
    expect(isHeard(stir, { heardMs: {} }, 11 * MIN)).toBe(false);
    expect(isHeard(stir, { heardMs: { stir: 11 * MIN } }, 40 * MIN)).toBe(true);
    expect(isHeard({ ...stir, dueMs: 16 * MIN }, { heardMs: { stir: 11 * MIN } }, 16 * MIN)).toBe(false);
  });
  it('of another kind is another call', () => expect(isHeard(stir, { heardMs: { flip: 11 * MIN } }, 12 * MIN)).toBe(false));
  it('whose moment moves along (too hot, a full hold) is quiet for five minutes', () => {
    for (const act of ['tooHot', 'nextPhase', 'finish'] as const) {
      const moving = (nowMs: number) => isHeard({ act, dueMs: nowMs }, { heardMs: { [act]: 11 * MIN } }, nowMs);
      expect([moving(12 * MIN), moving(16 * MIN - 1), moving(16 * MIN)], act).toEqual([true, true, false]);
    }
  });
});

describe('what a device rings for', () => {
  it.each([
    [{ kind: 'all' }, false, 'b', true],
    [{ kind: 'stops' }, false, 'a', false],
    [{ kind: 'stops' }, true, 'a', true],
    [{ kind: 'vessel', vesselId: 'a' }, false, 'a', true],
    [{ kind: 'vessel', vesselId: 'a' }, false, 'b', false],
    [{ kind: 'vessel', vesselId: 'a' }, true, 'b', true],
    [{ kind: 'vessel', vesselId: 'a' }, false, null, false],
  ] as const)('%j, stop %s, of vessel %s → %s', (hears, stop, vesselId, rings) => expect(isFor(hears, { stop }, vesselId)).toBe(rings));
});
