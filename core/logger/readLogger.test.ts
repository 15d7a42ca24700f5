import { describe, expect, test } from 'vitest';
import { readLogger } from './readLogger';

const ZONE = 'Europe/Berlin';
const NONE = { unit: null, order: null } as const;
const read = (text: string, answers: Parameters<typeof readLogger>[2] = NONE) => readLogger(text, ZONE, answers);
const AT = Date.UTC(2026, 10, 26, 13, 5, 0);

describe('tables as loggers write them (invented, after common habits)', () => {
  test.each([
    ['commas and points, ISO in UTC', 'time,temperature °C\n2026-11-26T13:05:00Z,82.5\n2026-11-26T13:05:10Z,83\n'],
    ['semicolons and decimal commas, the clocks of the home', 'Zeit;Temperatur [°C]\n26.11.2026 14:05:00;82,5\n26.11.2026 14:05:10;83,0\n'],
    [
      'tabs, date and time apart, words before and after',
      'Logger 7\nInterval 10 s\n\nDate\tTime\tCh1 (°C)\n26/11/2026\t14:05:00\t82.5\n26/11/2026\t14:05:10\t83.0\nend of file\t\t\n',
    ],
    ['a half-day clock and °F', 'Date,Temp (°F)\n11/26/2026 2:05:00 PM,180.5\n11/26/2026 2:05:10 PM,181.4\n'],
    ['a number of the line in front', 'No.,Date Time,Temp °C\n1,2026-11-26 14:05:00,82.5\n2,2026-11-26 14:05:10,83\n'],
    ['seconds since 1970', 'epoch,degC\n1795698300,82.5\n1795698310,83\n'],
    ['an offset from UTC', 'time;°C\n2026-11-26T15:05:00+02:00;82,5\n2026-11-26T15:05:10+0200;83\n'],
    ['the temperature not in the first column of numbers', 'Time,Battery V,Temp °C\n2026-11-26 14:05:00,3.01,82.5\n2026-11-26 14:05:10,3.01,83\n'],
    ['two-digit years with dots, no seconds in one', 'Zeit;°C\n26.11.26 14:05;82,5\n26.11.26 14:05:10;83\n'],
    ['a mark of the encoding, CRLF and quotes', '\uFEFF"time","temp °C"\r\n"2026-11-26 14:05:00","82.5"\r\n"2026-11-26 14:05:10","83"\r\n'],
  ])('%s', (_what, text) => {
    const file = read(text);
    if (!file.ok) throw new Error(file.error.message);
    expect(file.value.asks).toEqual([]);
    expect(file.value.readings.map(({ atMs }) => atMs)).toEqual([AT, AT + 10_000]);
    expect(file.value.readings[0]?.bathC).toBeCloseTo(82.5, 6);
    expect(file.value.readings[1]?.bathC).toBeCloseTo(83, 6);
  });

  test('°F is changed by its definition: 212 °F is 100 °C, 32 °F is 0 °C', () => {
    const file = read('time,°F\n2026-11-26 14:05,212\n2026-11-26 14:06,32\n');
    expect(file.ok && file.value.readings.map(({ bathC }) => bathC)).toEqual([100, 0]);
  });

  test('lines without a value are counted, the same instant is one, order does not matter', () => {
    const file = read('time,°C\n2026-11-26 14:06,50\n2026-11-26 14:05,---\n2026-11-26 14:04,40\n2026-11-26 14:04,40\n2026-11-26 14:07,NaN\n');
    expect(file.ok && [file.value.left, file.value.repeated, file.value.readings.map(({ bathC }) => bathC)]).toEqual([2, 1, [40, 50]]);
  });
});

test('the hour that comes twice when clocks go back is told, not dropped in silence; with an offset both are there', () => {
  expect(read('time,°C\n2026-10-25 02:30,50\n2026-10-25 02:30,48\n')).toMatchObject({ ok: true, value: { repeated: 1 } });
  const both = read('time,°C\n2026-10-25T02:30:00+02:00,50\n2026-10-25T02:30:00+01:00,48\n');
  expect(both.ok && [both.value.repeated, both.value.readings.length]).toEqual([0, 2]);
});

test('two days of one a second are read', () => {
  const text = Array.from({ length: 172_800 }, (_, i) => `${new Date(AT + i * 1000).toISOString()},${60 + (i % 20)}`).join('\n');
  expect(read(`time,°C\n${text}\n`)).toMatchObject({ ok: true, value: { repeated: 0, readings: { length: 172_800 } } });
});

describe('what the file does not say is asked, never guessed', () => {
  test('the unit', () => {
    const text = 'time,value\n2026-11-26 14:05,82.5\n';
    expect(read(text)).toMatchObject({ ok: true, value: { asks: ['unit'], readings: [] } });
    expect(read(text, { ...NONE, unit: 'F' })).toMatchObject({ ok: true, value: { asks: [], readings: [{ bathC: 28.056 }] } });
  });
  test('which is the day in 3/4', () => {
    const text = 'time,°C\n3/4/2026 14:05,82.5\n';
    expect(read(text)).toMatchObject({ ok: true, value: { asks: ['order'] } });
    const day = (order: 'dayFirst' | 'monthFirst') => {
      const file = read(text, { ...NONE, order });
      return file.ok ? new Date(file.value.readings[0]?.atMs ?? 0).toISOString().slice(0, 10) : null;
    };
    expect([day('dayFirst'), day('monthFirst')]).toEqual(['2026-04-03', '2026-03-04']);
  });
  test('not when one line tells, or when it does not matter', () => {
    expect(read('time,°C\n3/4/2026 14:05,82\n3/14/2026 14:05,82\n')).toMatchObject({ ok: true, value: { asks: [] } });
    expect(read('time,°C\n4/4/2026 14:05,82\n')).toMatchObject({ ok: true, value: { asks: [] } });
  });
});

describe('what cannot be read is said with its line', () => {
  test.each([
    ['a letter', 'Dear dyer,\nit was warm.', null, 'No line begins a table'],
    ['nothing', '', null, 'No line begins a table'],
    ['times alone', 'time,place\n2026-11-26 14:05,pot\n', 2, 'no temperatures beside them'],
    ['a time that no clock shows', 'time,°C\n2026-11-26 14:05,82\n2026-11-26 25:05,82\n2026-11-26 14:07,82\n', 3, '25:05'],
    ['the 31st of November', 'time,°C\n2026-11-26 14:05,82\n2026-11-31 14:05,82\n2026-11-26 14:07,82\n', 3, '2026-11-31'],
    ['a word for a temperature', 'time,°C\n2026-11-26 14:05,82\n2026-11-26 14:06,warm\n', 3, '“warm”'],
    ['hotter than any bath', 'time,°C\n2026-11-26 14:05,180\n', 2, '180 °C is no bath'],
  ])('%s', (_what, text, line, words) => {
    expect(read(text)).toMatchObject({ ok: false, error: { line, message: expect.stringContaining(words) } });
  });
});
