import { expect, test } from 'vitest';
import { zonedMs } from '../time/zone';
import { lookDays, missedText } from './missedLooks';

const ZONE = 'Europe/Berlin';
const at = (day: number, hour: number, minute = 0) => zonedMs(ZONE, 2026, 10, 23 + day, hour, minute);

test('days two and three without a look, two looks within a minute on day four: two days missed, over the change of clocks', () => {
  const looks = [at(1, 18), at(4, 18), at(4, 18, 1), at(5, 18)];
  const onDayFour = lookDays(at(0, 20), at(4, 17), looks.slice(0, 1), ZONE);
  expect([onDayFour.missed, missedText(onDayFour)]).toEqual([[2, 3], '2 days missed']);
  expect(lookDays(at(0, 20), at(5, 19), looks, ZONE)).toEqual({ looked: [1, 4, 5], missed: [2, 3] });
});
test('on the day itself nothing is missed yet, nor on the last', () => {
  expect(lookDays(at(0, 10), at(1, 9), [], ZONE)).toEqual({ looked: [], missed: [] });
  expect(missedText(lookDays(at(0, 10), at(2, 9), [], ZONE))).toBe('1 day missed');
});
