import { parse } from 'csv-parse/sync';
import { describe, expect, test } from 'vitest';
import { between, measured, UNKNOWN } from '../figure';
import { planned, SATURDAY_9, wool, ZONE } from '../plan/plan.fixture';
import { weighOut } from '../plan/weighOut';
import type { RunEvent } from '../run/events';
import { figureCells, type Sheet, sheetText, sheetTime } from './sheet';
import { logSheet, lotsSheet, readingsSheet, weighOutSheet } from './sheets';

const textOf = (sheet: Sheet, decimal: 'dot' | 'comma' = 'dot') => [...sheetText(sheet, decimal)].join('');
const rowsOf = (sheet: Sheet) => parse(textOf(sheet), { bom: true, columns: true }) as Record<string, string>[];

describe('a table for a spreadsheet', () => {
  test('RFC 4180: CRLF, quotes doubled, cells with a comma, a quote or a line break in quotes', () => {
    const sheet: Sheet = { head: ['a', 'b'], rows: [[['one, two', 'say "no"\nnever']]] };
    expect(textOf(sheet)).toBe('\uFEFFa,b\r\n"one, two","say ""no""\nnever"\r\n');
  });

  test('where a comma stands in numbers, semicolons part the cells', () => {
    const sheet: Sheet = { head: ['a', 'b'], rows: [[[82.5, 'x, y']], [[0.1 + 0.2, 'a;b']]] };
    expect(textOf(sheet, 'comma')).toBe('\uFEFFa;b\r\n82,5;"x, y"\r\n0,3;"a;b"\r\n');
  });

  // OWASP, CSV injection: cells that begin with = + - @, a tab or a carriage return.
  test.each(['=1+1', '+1', '-1 tsp', '@home', '\tx', '\rx', '＝1+1', '＋1', '－1', '＠x', ';=1+1', ' =1+1', '\n=1+1', '"=1+1', '\u200b=1+1'])(
    'a text that would be a formula is none: %j',
    (text) => {
      const [[, row] = []] = [textOf({ head: ['a'], rows: [[[text]]] }).split('\r\n')];
      expect(row?.replace(/^"/, '')).toMatch(/^'/);
    },
  );
  test('a line feed alone, and the other separator, stay within quotes in both kinds of file', () => {
    for (const decimal of ['dot', 'comma'] as const)
      for (const text of ['a\n=1+1', 'a\r=1+1', 'a;=1+1', 'a,=1+1', 'a\t=1+1'])
        expect(textOf({ head: ['h'], rows: [[[text]]] }, decimal), text).toBe(`\uFEFFh\r\n"${text}"\r\n`);
  });

  test('numbers below zero stay numbers', () => expect(textOf({ head: ['a'], rows: [[[-5.5]]] })).toContain('\r\n-5.5\r\n'));

  test('times stand on the clocks of the home, to the second, in winter and in summer', () => {
    expect(sheetTime(Date.UTC(2026, 0, 5, 23, 30, 7), ZONE)).toBe('2026-01-06 00:30:07');
    expect(sheetTime(Date.UTC(2026, 6, 5, 22, 30, 59), ZONE)).toBe('2026-07-06 00:30:59');
  });

  test('a range keeps both ends, what nobody knows is empty and says so', () => {
    expect(figureCells(measured(100))).toEqual([100, null, null, 'measured']);
    expect(figureCells(between(100, 200))).toEqual([null, 100, 200, 'between']);
    expect(figureCells(between(1, null))).toEqual([null, 1, null, 'between']);
    expect(figureCells(UNKNOWN)).toEqual([null, null, null, 'unknown']);
  });
});

describe('what goes into them', () => {
  test('lots: what is unknown is not zero', () => {
    const [known, unknown] = rowsOf(lotsSheet([wool('a', 100.5), wool('b', null)], ZONE));
    expect(known).toMatchObject({ id: 'a', fibre: 'wool', 'dry weight, g': '100.5', 'dry weight, how known': 'measured' });
    expect(unknown).toMatchObject({ 'dry weight, g': '', 'dry weight, how known': 'unknown' });
  });

  test('weigh-out: planned beside weighed; of two weighings the later', () => {
    const plan = planned([wool('a', 100)]);
    const lines = weighOut(plan);
    const key = lines[0]?.key as string;
    const tick = (id: string, value: number, atMs: number) => ({ id, key, amount: measured(value), unit: 'g' as const, atMs });
    const rows = rowsOf(weighOutSheet(lines, [tick('2', 11, SATURDAY_9 + 1000), tick('1', 10, SATURDAY_9)], ZONE));
    expect(rows).toHaveLength(lines.length);
    expect(rows[0]).toMatchObject({ what: lines[0]?.name, weighed: '11', 'weighed, how known': 'measured', 'weighed at': '2026-06-06 09:00:01' });
    expect(rows[1]).toMatchObject({ weighed: '', 'weighed at': '' });
  });

  test('the log: in words and with its figure; what was taken back stands there, and so does that', () => {
    const plan = planned([wool('a', 100)]);
    const stepId = plan.steps[0]?.id as string;
    const at = (id: string, more: object): RunEvent => ({ id, atMs: SATURDAY_9, recordedAtMs: SATURDAY_9, ...more }) as RunEvent;
    const rows = rowsOf(
      logSheet(
        plan,
        [
          at('1', { type: 'reading', stepId, quantity: 'bathC', value: 82.5 }),
          at('2', { type: 'addition', stepId, additionId: null, substance: 'alum', amount: between(10, 12), unit: 'g' }),
          at('3', { type: 'amended', targetId: '1', change: { kind: 'withdrawn', reason: '' } }),
        ],
        (substance) => substance,
        ZONE,
      ),
    );
    expect(rows[0]).toMatchObject({ act: 'reading', 'in words': 'reading 82.5 °C', figure: '82.5', unit: '°C', 'time in UTC': '2026-06-06T07:00:00.000Z' });
    expect(rows[1]).toMatchObject({ 'figure, at least': '10', 'figure, at most': '12', unit: 'g' });
    expect(rows[2]).toMatchObject({ 'in words': 'took an entry back', 'about entry': '1' });
  });

  test('the log says the time that stands, what was taken back, and where it was then', () => {
    const plan = planned([wool('a', 100)]);
    const [step] = plan.steps;
    const stepId = step?.id as string;
    const other = plan.vessels.find(({ id }) => id !== step?.vesselId);
    const at = (id: string, min: number, more: object): RunEvent =>
      ({ id, atMs: SATURDAY_9 + min * 60_000, recordedAtMs: SATURDAY_9 + min * 60_000, stepId, ...more }) as RunEvent;
    const rows = rowsOf(
      logSheet(
        plan,
        [
          at('0', 0, { type: 'started', planVersion: 1 }),
          at('1', 1, { type: 'phaseEntered', phaseIndex: 0 }),
          at('2', 2, { type: 'stirred' }),
          at('3', 3, { type: 'moved', toVesselId: other?.id }),
          at('4', 4, { type: 'stirred' }),
          at('5', 5, { type: 'amended', targetId: '2', change: { kind: 'withdrawn', reason: '' } }),
          at('6', 6, { type: 'amended', targetId: '4', change: { kind: 'retimed', atMs: SATURDAY_9 + 210_000 } }),
        ],
        (substance) => substance,
        ZONE,
      ),
    );
    const home = plan.vessels.find(({ id }) => id === step?.vesselId)?.name;
    expect(rows[2]).toMatchObject({ vessel: home, 'taken back': 'yes' });
    expect(rows[4]).toMatchObject({ vessel: other?.name, 'taken back': 'no', time: '2026-06-06 09:03:30', 'logged as': '2026-06-06 09:04:00' });
  });

  test('readings come in pieces and are never held together', () => {
    let made = 0;
    const pieces = (function* () {
      for (let i = 0; i < 3; i++) {
        made++;
        yield [{ vessel: 'Pot', atMs: SATURDAY_9 + i * 1000, bathC: 80 + i / 4 }];
      }
    })();
    const text = sheetText(readingsSheet(pieces, ZONE), 'dot');
    text.next();
    text.next();
    expect(made).toBe(1);
    expect([...text].join('')).toContain('Pot,2026-06-06 09:00:01,2026-06-06T07:00:01.000Z,80.25');
  });
});
