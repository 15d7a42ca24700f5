import { describe, expect, test } from 'vitest';
import { METRIC } from '@/core/measure/measures';
import { printer } from '@/core/measure/printer';
import { planned, wool } from '@/core/plan/plan.fixture';
import { letterOf, strandsOf } from './strands';
import { warpLayout } from './warpLayout';

const lots = (count: number, more: (i: number) => object = () => ({})) => Array.from({ length: count }, (_, i) => ({ ...wool(`l${i}`, 5), ...more(i) }));
const picture = (plan: ReturnType<typeof planned>) =>
  warpLayout(plan, { opened: new Set(), nowMs: null, roomPx: 1100, print: printer(METRIC, plan.home.diary.zone) });

describe('threads', () => {
  test('a dozen lots hang side by side, each by itself', () => expect(strandsOf(planned(lots(12))).map((strand) => strand.length)).toEqual(Array(12).fill(1)));
  test('four hundred that go one way hang as one, and none is left out', () => {
    const plan = planned(lots(400));
    const [strand, ...others] = strandsOf(plan);
    expect(others).toEqual([]);
    expect(strand).toHaveLength(400);
    expect(picture(plan).threads[0]?.names).toHaveLength(400);
  });
  test('what was another colour before hangs apart', () =>
    expect(strandsOf(planned(lots(30, (i) => (i === 7 ? { baseHex: '#553311' } : {})))).map((strand) => strand.length)).toEqual([29, 1]));
  test('with threads without number all stay within their block, without letters on top of each other', () => {
    const plan = planned(lots(200, (i) => ({ baseHex: `#5533${(16 + i).toString(16)}` })));
    const { threads, blocks } = picture(plan);
    expect(threads).toHaveLength(200);
    for (const thread of threads) {
      expect(thread.tag).toBeNull();
      for (const part of thread.inside) {
        const block = blocks.find(({ stepId, yPx }) => part.key === `${thread.lotId}-${stepId}` && yPx === part.fromPx);
        expect(part.xPx).toBeGreaterThan(block?.xPx ?? Number.POSITIVE_INFINITY);
        expect(part.xPx).toBeLessThan((block?.xPx ?? 0) + (block?.widthPx ?? 0));
      }
    }
  });
});

test.each([
  [0, 'A'],
  [25, 'Z'],
  [26, 'AA'],
  [52, 'BA'],
  [701, 'ZZ'],
])('letter %d is %s', (index, letter) => expect(letterOf(index)).toBe(letter));
