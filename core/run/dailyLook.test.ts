import { describe, expect, test } from 'vitest';
import { zonedMs } from '../time/zone';
import { nextLookMs } from './dailyLook';

const ZONE = 'Europe/Berlin';
const at = (day: number, hour: number, minute = 0, month = 6) => zonedMs(ZONE, 2026, month, day, hour, minute);
const evening = { lookAt: '18:00', zone: ZONE };

describe('what is looked at by the day', () => {
  test.each<[string, number, number]>([
    ['begun in the afternoon, it is looked at the next evening', at(1, 15), at(2, 18)],
    ['begun in the morning, too', at(1, 9), at(2, 18)],
    ['begun late, the evening after is nearer than the one that follows', at(1, 23), at(2, 18)],
    ['looked at a little early or late, the next look is at the hour again', at(2, 17, 40), at(3, 18)],
    ['looked at in the night, the evening is next; looked at at noon, it is too soon for it', at(2, 3), at(2, 18)],
    ['so it is the next one', at(2, 12), at(3, 18)],
  ])('%s', (_what, lastMs, dueMs) => expect(nextLookMs(lastMs, 1440, evening)).toBe(dueMs));
  test('every third day it is the third evening', () => expect(nextLookMs(at(1, 15), 3 * 1440, evening)).toBe(at(4, 18)));
  test('over the change of the clock it stays at the dyer’s hour', () => expect(nextLookMs(at(24, 18, 0, 10), 1440, evening)).toBe(at(25, 18, 0, 10)));
});

test('what is looked at by the hour keeps its hours; with no hour of one’s own a day is a day', () => {
  expect(nextLookMs(at(1, 9), 720, evening)).toBe(at(1, 21));
  expect(nextLookMs(at(1, 9), 1440, { lookAt: null, zone: ZONE })).toBe(at(2, 9));
});
