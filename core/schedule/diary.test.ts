import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { wallTime, zonedMs } from '../time/zone';
import { absences, type Diary, homeWindows, type Window } from './diary';

const ZONE = 'Europe/Berlin';
const diary: Diary = { zone: ZONE, wakeAt: '07:00', sleepAt: '22:30', away: [{ weekdays: [1, 2, 3, 4, 5], from: '08:30', to: '17:00' }] };
const at = (day: number, hour: number, minute = 0) => zonedMs(ZONE, 2026, 6, day, hour, minute);
const said = (windows: readonly Window[]) =>
  windows.map(({ fromMs, toMs }) =>
    [fromMs, toMs].map((ms) => ((w) => `${w.day}. ${w.hour}:${String(w.minute).padStart(2, '0')}`)(wallTime(ms, ZONE))).join(' – '),
  );

describe('when somebody is home and awake', () => {
  test('a Saturday is one stretch', () => expect(said(homeWindows(diary, at(6, 0), at(7, 0)))).toEqual(['6. 7:00 – 6. 22:30']));
  test('a working day is a morning and an evening', () =>
    expect(said(homeWindows(diary, at(8, 0), at(9, 0)))).toEqual(['8. 7:00 – 8. 8:30', '8. 17:00 – 8. 22:30']));
  test('a range that begins in the middle is clipped', () => expect(said(homeWindows(diary, at(6, 12), at(6, 14)))).toEqual(['6. 12:00 – 6. 14:00']));
  test('hours away all day leave nothing', () =>
    expect(homeWindows({ ...diary, away: [{ weekdays: [6], from: '00:00', to: '23:59' }] }, at(6, 0), at(7, 0))).toEqual([]));
  test('two absences on one day cut it in three', () =>
    expect(
      homeWindows(
        {
          ...diary,
          away: [
            { weekdays: [6], from: '09:00', to: '10:00' },
            { weekdays: [6], from: '12:00', to: '13:00' },
          ],
        },
        at(6, 0),
        at(7, 0),
      ),
    ).toHaveLength(3));
  test('an absence on no weekday is none', () =>
    expect(homeWindows({ ...diary, away: [{ weekdays: [], from: '09:00', to: '10:00' }] }, at(6, 0), at(7, 0))).toHaveLength(1));
  test('wall clocks hold across the change of the clocks: 25 October has 25 hours, and is woken at seven', () => {
    const [first] = homeWindows({ ...diary, away: [] }, zonedMs(ZONE, 2026, 10, 25, 0), zonedMs(ZONE, 2026, 10, 26, 0));
    expect(first && wallTime(first.fromMs, ZONE).hour).toBe(7);
    expect(first && (first.toMs - first.fromMs) / 3_600_000).toBe(15.5);
  });
});

describe('the gaps between', () => {
  test('nights and hours away, clipped to the range', () =>
    expect(said(absences(homeWindows(diary, at(8, 12), at(9, 8)), at(8, 12), at(9, 8)))).toEqual(['8. 12:00 – 8. 17:00', '8. 22:30 – 9. 7:00']));
  test('nobody ever home is one long gap', () => expect(absences([], 0, 10)).toEqual([{ fromMs: 0, toMs: 10 }]));
  test('home and away fill every range without a gap or an overlap', () =>
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 2000 }), fc.integer({ min: 1, max: 200 }), (startH, lengthH) => {
        const fromMs = at(1, 0) + startH * 3_600_000;
        const toMs = fromMs + lengthH * 3_600_000;
        const home = homeWindows(diary, fromMs, toMs);
        const all = [...home, ...absences(home, fromMs, toMs)].toSorted((a, b) => a.fromMs - b.fromMs);
        expect(all[0]?.fromMs).toBe(fromMs);
        expect(all.at(-1)?.toMs).toBe(toMs);
        for (const [i, window] of all.entries()) if (i > 0) expect(window.fromMs).toBe(all[i - 1]?.toMs);
      }),
      { seed: 6, numRuns: 60 },
    ));
});

test('away over midnight: nobody is home from nine in the evening to nine in the morning, on any day', () => {
  const diary = { zone: 'UTC', wakeAt: '07:00', sleepAt: '22:30', away: [{ weekdays: [0, 1, 2, 3, 4, 5, 6], from: '21:00', to: '09:00' }] };
  const day = Date.UTC(2026, 5, 6);
  const hour = 3_600_000;
  expect(homeWindows(diary, day, day + 48 * hour).map(({ fromMs, toMs }) => [(fromMs - day) / hour, (toMs - day) / hour])).toEqual([
    [9, 21],
    [33, 45],
  ]);
});
test('awake round the clock: no midnight cuts it, only what one is away for does', () => {
  const diary = { zone: 'UTC', wakeAt: '06:00', sleepAt: '06:00', away: [] };
  const day = Date.UTC(2026, 5, 6);
  const hour = 3_600_000;
  expect(homeWindows(diary, day, day + 72 * hour)).toEqual([{ fromMs: day, toMs: day + 72 * hour }]);
  const away = [{ weekdays: [0, 1, 2, 3, 4, 5, 6], from: '23:30', to: '00:30' }];
  expect(homeWindows({ ...diary, away }, day, day + 24 * hour)).toEqual([{ fromMs: day + hour / 2, toMs: day + 23.5 * hour }]);
});
test('awake past midnight is one stretch', () => {
  const diary = { zone: 'UTC', wakeAt: '10:00', sleepAt: '01:30', away: [] };
  const day = Date.UTC(2026, 5, 6);
  const hour = 3_600_000;
  expect(homeWindows(diary, day, day + 24 * hour).map(({ fromMs, toMs }) => [(fromMs - day) / hour, (toMs - day) / hour])).toEqual([
    [0, 1.5],
    [10, 24],
  ]);
});
