import { describe, expect, test } from 'vitest';
import { parseWhen, type WhenContext } from './parseWhen';
import { zonedMs } from './zone';

const zone = 'Europe/Berlin';
// Wednesday, 25 November 2026, 10:40
const context: WhenContext = { nowMs: zonedMs(zone, 2026, 11, 25, 10, 40), zone, dateOrder: 'dmy' };
const at = (month: number, day: number, hour: number, minute = 0, year = 2026) => zonedMs(zone, year, month, day, hour, minute);
const read = (text: string, more: Partial<WhenContext> = {}) => {
  const parsed = parseWhen(text, { ...context, ...more });
  return parsed.ok ? parsed.value : parsed.error;
};

describe('moments as people type them', () => {
  test.each([
    ['Sat 9:30', at(11, 28, 9, 30)],
    ['saturday at 9.30', at(11, 28, 9, 30)],
    ['28/11 09:30', at(11, 28, 9, 30)],
    ['28.11. 9:30', at(11, 28, 9, 30)],
    ['28-11-2026 9:30', at(11, 28, 9, 30)],
    ['2026-11-28 09:30', at(11, 28, 9, 30)],
    ['2026-11-28T09:30', at(11, 28, 9, 30)],
    ['28 Nov, 9:30 am', at(11, 28, 9, 30)],
    ['Nov 28 9pm', at(11, 28, 21)],
    ['Sat 28 November 2026 0930', at(11, 28, 9, 30)],
    ['1st Dec 8', at(12, 1, 8)],
    ['tomorrow 8', at(11, 26, 8)],
    ['today 9:00', at(11, 25, 9)],
    ['yesterday 18h30', at(11, 24, 18, 30)],
    ['noon', at(11, 25, 12)],
    ['9:30', at(11, 26, 9, 30)], // has passed today: tomorrow
    ['9.30', at(11, 26, 9, 30)],
    ['14:00', at(11, 25, 14)],
    ['Wed 9:00', at(12, 2, 9)], // has passed today: next week
    ['Wed 11:00', at(11, 25, 11)],
    ['12 am', at(11, 26, 0)],
    ['3/1 10:00', at(1, 3, 10, 0, 2027)], // long past this year: the next
    ['now', context.nowMs],
  ])('%s', (text, ms) => expect(read(text)).toBe(ms));

  test('3/4 is read in the dyer’s own order, 28/11 in the only one there is', () => {
    expect(read('12/1 10:00')).toBe(at(1, 12, 10, 0, 2027));
    expect(read('12/1 10:00', { dateOrder: 'mdy' })).toBe(at(12, 1, 10));
    expect(read('28/11 10:00', { dateOrder: 'mdy' })).toBe(at(11, 28, 10));
  });
  test('the last day of a month has a tomorrow', () => {
    const nowMs = zonedMs(zone, 2026, 12, 31, 20);
    expect(read('tomorrow 9:00', { nowMs })).toBe(at(1, 1, 9, 0, 2027));
    expect(read('9:00', { nowMs })).toBe(at(1, 1, 9, 0, 2027));
  });
});

describe('what cannot be meant is said, not changed', () => {
  test.each([
    ['', /Type a day and a time/],
    ['28/11', /Add a time/],
    ['Sat', /Add a time/],
    ['31/4 9:00', /Apr has no day 31/],
    ['29 Feb 2027 9:00', /Feb has no day 29/],
    ['12/13/2026 9:00 x', /no time/],
    ['14/15 9:00', /no month/],
    ['32/1 9:00', /no day of a month/],
    ['Sat 25:00', /no time/],
    ['Sat 9:75', /no time/],
    ['13 pm', /no time/],
    ['Mon 28/11 9:00', /is a Sat, not a Mon/],
    ['28/11/1926 9:00', /this century/],
    ['soon', /no time/],
  ])('%s', (text, said) => expect(read(text)).toMatch(said));
});
