import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Allowance, type Asked, ask } from './allowance';

const FEW: Allowance = { burst: 3, perS: 1 };

/** Asks at each of the times, and gives the waits. */
function askAt(times: readonly number[], allowance = FEW): { waits: number[]; last: Asked | null } {
  let last: Asked | null = null;
  const waits = times.map((nowMs) => {
    const { asked, waitMs } = ask(last, allowance, nowMs);
    last = asked;
    return waitMs;
  });
  return { waits, last };
}

describe('an allowance', () => {
  it('gives the burst at once and then one a second', () => {
    expect(askAt([0, 0, 0, 1000, 2000]).waits).toEqual([0, 0, 0, 0, 0]);
  });

  it('waits a second when overdrawn, then twice as long each time, up to five minutes', () => {
    const times: number[] = [];
    const seen: number[] = [];
    let last: Asked | null = null;
    let nowMs = 0;
    for (let i = 0; i < 400 && seen.length < 12; i++) {
      const { asked, waitMs } = ask(last, { burst: 1, perS: 0.000001 }, nowMs);
      last = asked;
      if (waitMs > 0) {
        seen.push(waitMs);
        nowMs += waitMs;
      }
      times.push(nowMs);
    }
    expect(seen).toEqual([1000, 2000, 4000, 8000, 16_000, 32_000, 64_000, 128_000, 256_000, 300_000, 300_000, 300_000]);
  });

  it('asking while one waits lengthens nothing', () => {
    expect(askAt([0, 0, 0, 0, 100, 500, 900, 1000]).waits).toEqual([0, 0, 0, 1000, 900, 500, 100, 0]);
  });

  it('a clock set back locks nobody out for longer than the longest wait', () => {
    const { waits } = askAt([86_400_000, 86_400_000, 86_400_000, 86_400_000, 0]);
    expect(waits.at(-1)).toBeLessThanOrEqual(300_000);
  });

  it('begins short again after ten quiet minutes', () => {
    const often = [0, 0, 0, 0, 1000, 1000];
    expect(askAt(often).waits.at(-1)).toBe(2000);
    expect(askAt([...often, 700_000, 700_000, 700_000, 700_000]).waits.at(-1)).toBe(1000);
  });

  it('never answers more than the burst and the rate allow, however it is asked', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 500 }), { maxLength: 300 }), (gaps) => {
        let nowMs = 0;
        const times = gaps.map((gap) => {
          nowMs += gap;
          return nowMs;
        });
        const answered = askAt(times).waits.filter((wait) => wait === 0).length;
        expect(answered).toBeLessThanOrEqual(FEW.burst + Math.floor((nowMs / 1000) * FEW.perS));
      }),
    );
  });
});
