import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, describe, expect, test } from 'vitest';
import { planned, SATURDAY_9, step, wool } from '@/core/plan/plan.fixture';
import type { RunEvent } from '@/core/run/events';
import { foldRun } from '@/core/run/fold';
import { DAY_MS, HOUR_MS, type Point } from '@/store/readings/codec';
import { Readings } from '@/store/readings/readings';
import { thinned } from './probes';
import { joinedSpans, runReadings } from './runReadings';

const folder = mkdtempSync(path.join(tmpdir(), 'hyndle-run-readings-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

test('a year of hours is thinned to the width of a picture, and keeps its mean', () => {
  const hours = Array.from({ length: 8760 }, (_, i) => ({ atMs: i * HOUR_MS, bathC: 20 + (i % 24) }));
  const few = thinned(hours, 1500);
  expect(few.length).toBeLessThanOrEqual(1500);
  const mean = (all: readonly { bathC: number }[]) => all.reduce((sum, { bathC }) => sum + bathC, 0) / all.length;
  expect(mean(few)).toBeCloseTo(mean(hours), 1);
  expect(thinned(hours.slice(0, 10), 1500)).toEqual(hours.slice(0, 10));
});

test('stretches that touch become one', () => {
  expect(
    joinedSpans([
      [5, 8],
      [1, 3],
      [3, 4],
      [6, 7],
    ]),
  ).toEqual([
    [1, 4],
    [5, 8],
  ]);
  expect(joinedSpans([])).toEqual([]);
});

describe('a run of forty days with a probe that reads every ten seconds', () => {
  const DAYS = 40;
  const plan = planned([wool('a', 100)]);
  const dye = step(plan, 'dye');
  const at = (ms: number) => ({ atMs: SATURDAY_9 + ms, recordedAtMs: SATURDAY_9 + ms });
  const events: RunEvent[] = [
    { id: 'e0', type: 'started', planVersion: 1, ...at(0) },
    { id: 'e1', type: 'phaseEntered', stepId: dye.id, phaseIndex: 0, ...at(DAY_MS) },
    { id: 'e2', type: 'stepFinished', stepId: dye.id, ...at(DAY_MS + 2 * HOUR_MS) },
  ];
  const readings = new Readings(folder);
  for (let day = 0; day < DAYS; day++) {
    const fromMs = SATURDAY_9 + day * DAY_MS;
    readings.append(
      'probe',
      Array.from({ length: 8640 }, (_, i): Point => [fromMs + i * 10_000, 20 + (i % 50)]),
    );
  }
  const nowMs = SATURDAY_9 + DAYS * DAY_MS - 10_000;
  const got = runReadings(readings, 'probe', dye.vesselId ?? '', plan, foldRun(plan.steps, events), nowMs);
  const between = (fromMs: number, toMs: number) => got.filter(({ atMs }) => atMs >= SATURDAY_9 + fromMs && atMs <= SATURDAY_9 + toMs).length;

  test('every reading while it was on the heat, and of the last hour', () => {
    expect(between(DAY_MS, DAY_MS + 2 * HOUR_MS)).toBe(721);
    expect(between(DAYS * DAY_MS - HOUR_MS, DAYS * DAY_MS)).toBe(360);
  });
  test('by the hour in between, in order, and light enough for a page', () => {
    expect(between(10 * DAY_MS, 11 * DAY_MS)).toBeLessThanOrEqual(25);
    expect(got.length).toBeLessThan(2200);
    expect(got.every((reading, i) => i === 0 || reading.atMs > (got[i - 1]?.atMs ?? 0))).toBe(true);
  });
});
