import { appendFileSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, describe, expect, test } from 'vitest';
import { DAY_MS, decodeDay, decodeRecords, encodeDay, encodeRecord, HOUR_MS, MINUTE_MS, type Point, summarize } from './codec';
import { Readings } from './readings';

const root = mkdtempSync(path.join(tmpdir(), 'hyndle-readings-'));
let folders = 0;
const fresh = () => path.join(root, String(++folders));
afterAll(() => rmSync(root, { recursive: true, force: true }));

const DAY = 20_000 * DAY_MS;
/** A pot that warms, read once a second, with the little noise of a real probe. */
const warming = (count: number, fromMs = DAY): Point[] =>
  Array.from({ length: count }, (_, i) => [fromMs + i * 1000, Math.round((60 + 20 * Math.sin(i / 4000) + ((i * 7919) % 13) / 100) * 100) / 100]);

describe('the bytes', () => {
  test('what is written is read, early or late, hot or below freezing', () => {
    const points: Point[] = [
      [DAY, -12.345],
      [DAY + 1, 100],
      [DAY + DAY_MS - 1, 0],
    ];
    expect(decodeRecords(encodeRecord(points, DAY), DAY).points).toEqual(points);
    expect(decodeDay(encodeDay(points, DAY), DAY)?.points()).toEqual(points);
  });
  test('every byte of a file damaged in turn costs one record and no other', () => {
    const records = [warming(3), warming(2, DAY + 10_000), warming(4, DAY + 20_000)];
    const whole = Buffer.concat(records.map((points) => encodeRecord(points, DAY)));
    for (let at = 0; at < whole.length; at++) {
      const bytes = Buffer.from(whole);
      bytes[at] = (bytes[at] as number) ^ 0x41;
      const read = decodeRecords(bytes, DAY).points;
      expect(records.filter((points) => points.every((point) => read.some(([atMs, c]) => atMs === point[0] && c === point[1])))).toHaveLength(2);
      expect(read.length).toBeLessThan(9);
    }
  });
  test('a sealed day that is damaged anywhere is known to be', () => {
    const whole = encodeDay(warming(50), DAY);
    for (let at = 0; at < whole.length; at++) {
      const bytes = Buffer.from(whole);
      bytes[at] = (bytes[at] as number) ^ 0x01;
      expect(decodeDay(bytes, DAY)).toBeNull();
    }
  });
  test('a summary says how many, the least, the mean and the greatest', () => {
    const [one, two] = summarize(
      [
        [DAY, 10],
        [DAY + 30_000, 20],
        [DAY + MINUTE_MS, 5],
      ],
      MINUTE_MS,
    );
    expect(one).toEqual({ fromMs: DAY, readings: 2, minC: 10, meanC: 15, maxC: 20 });
    expect(two).toMatchObject({ fromMs: DAY + MINUTE_MS, readings: 1 });
  });
});

describe('the files', () => {
  test('readings sent twice, out of order or after a new start count once', () => {
    const folder = fresh();
    const first = new Readings(folder);
    const points = warming(100);
    first.append('p', points.slice(50));
    first.append('p', points.slice(0, 60));
    first.append('p', [points[3] as Point, points[3] as Point]);
    expect(first.between('p', 0, DAY + DAY_MS)).toHaveLength(100);
    first.close();
    const second = new Readings(folder);
    second.append('p', points);
    expect(second.between('p', 0, DAY + DAY_MS).map(({ atMs, bathC }) => [atMs, bathC])).toEqual(points);
    expect(second.latest('p')).toEqual({ atMs: points[99]?.[0], bathC: points[99]?.[1] });
    expect(second.latest('nobody')).toBeNull();
  });
  test('the first of two that claim one instant stands', () => {
    const readings = new Readings(fresh());
    readings.append('p', [[DAY, 20]]);
    readings.append('p', [[DAY, 30]]);
    expect(readings.between('p', DAY, DAY)).toEqual([{ atMs: DAY, bathC: 20 }]);
  });
  test('sealed, a day says the same at every level, and takes less than three bytes a reading', () => {
    const folder = fresh();
    const before = new Readings(folder);
    const points = warming(86_400);
    for (let i = 0; i < points.length; i += 3600) before.append('p', points.slice(i, i + 3600));
    const levels = ['all', 'minutes', 'hours', 'days'] as const;
    const as = (readings: Readings) => levels.map((level) => readings.between('p', DAY, DAY + DAY_MS, level));
    const wanted = as(before);
    expect(wanted.map((list) => list.length)).toEqual([86_400, 1440, 24, 1]);
    const mean = points.reduce((sum, [, bathC]) => sum + bathC, 0) / points.length;
    expect(wanted[3]?.[0]?.bathC).toBeCloseTo(mean, 1);
    expect(before.seal(DAY + 2 * DAY_MS)).toBe(false);
    before.close();
    const after = new Readings(folder);
    expect(as(after)).toEqual(wanted);
    expect(statSync(path.join(folder, 'p', '2024-10-04.day')).size / 86_400).toBeLessThan(3);
    // Late ones are taken into a sealed day as well.
    after.append('p', [[DAY + 500, 1]]);
    expect(after.between('p', DAY, DAY + 999)).toHaveLength(2);
    after.seal(DAY + 2 * DAY_MS);
    expect(after.between('p', DAY, DAY + DAY_MS)).toHaveLength(86_401);
  });
  test('a day is not sealed while it lasts, and sealing goes on a few days at a time', () => {
    const readings = new Readings(fresh());
    for (let day = 0; day < 5; day++) readings.append('p', warming(10, DAY + day * DAY_MS));
    expect(readings.seal(DAY + HOUR_MS)).toBe(false);
    expect(readings.seal(DAY + 9 * DAY_MS)).toBe(true);
    expect(readings.seal(DAY + 9 * DAY_MS)).toBe(true);
    expect(readings.seal(DAY + 9 * DAY_MS)).toBe(false);
    expect(readings.between('p', 0, DAY + 9 * DAY_MS)).toHaveLength(50);
  });
  test('half a record at the end was never acknowledged; damage is told, and the file it was made of helps', () => {
    const folder = fresh();
    const first = new Readings(folder);
    first.append('p', warming(10));
    first.close();
    const raw = path.join(folder, 'p', readdirSync(path.join(folder, 'p'))[0] as string);
    appendFileSync(raw, encodeRecord(warming(3, DAY + 50_000), DAY).subarray(0, 9));
    const second = new Readings(folder);
    second.append('p', warming(2, DAY + 60_000));
    expect(second.between('p', 0, DAY + DAY_MS)).toHaveLength(12);
    second.seal(DAY + 2 * DAY_MS);
    second.close();
    const day = raw.replace('.raw', '.day');
    const bytes = readFileSync(day);
    bytes[20] = (bytes[20] as number) ^ 1;
    writeFileSync(day, bytes);
    const told: string[] = [];
    const third = new Readings(folder, (text) => told.push(text));
    expect(third.between('p', 0, DAY + DAY_MS)).toHaveLength(12);
    expect(told.join()).toMatch(/damaged; they are read from the file they were made of/);
    rmSync(`${raw}.spent`);
    const fourth = new Readings(folder, (text) => told.push(text));
    expect(fourth.between('p', 0, DAY + DAY_MS)).toEqual([]);
    expect(told.at(-1)).toMatch(/could not be read; the means of its hours are still there/);
  });
  test('any name of a probe is a folder of its own', () => {
    const readings = new Readings(fresh());
    for (const name of ['a', '..', 'A/b', 'ü']) readings.append(name, [[DAY, 1]]);
    expect(new Set(readings.probes())).toEqual(new Set(['..', 'A/b', 'a', 'ü']));
  });
});
