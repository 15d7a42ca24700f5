import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, expect, test, vi } from 'vitest';
import { planned, SATURDAY_9, step, wool } from '@/core/plan/plan.fixture';
import type { RunEvent, RunFact } from '@/core/run/events';
import { foldRun } from '@/core/run/fold';
import { Readings } from '@/store/readings/readings';
import { measuredOfRun } from './measured';

const folder = mkdtempSync(path.join(tmpdir(), 'hyndle-measured-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const MIN_MS = 60_000;
const plan = planned([wool('a', 100)]);
const dye = step(plan, 'dye');
const vessels = plan.vessels.map((vessel) => (vessel.id === dye.vesselId ? { ...vessel, probeId: 'p1' } : { ...vessel, probeId: null }));
const act = (fact: RunFact, min: number): RunEvent => ({
  ...fact,
  id: `e${min}${fact.type}`,
  atMs: SATURDAY_9 + min * MIN_MS,
  recordedAtMs: SATURDAY_9 + min * MIN_MS,
});
const log: RunEvent[] = [
  act({ type: 'started', planVersion: 1 }, 0),
  act({ type: 'phaseEntered', stepId: dye.id, phaseIndex: 0 }, 10),
  act({ type: 'stepFinished', stepId: dye.id }, 70),
  act({ type: 'finished' }, 90),
];

test('of a run that is over it is read once, and again when its log or the readings of its time have become more', () => {
  const readings = new Readings(folder);
  const reads = vi.spyOn(readings, 'between');
  const measured = (events = log) =>
    measuredOfRun(readings, vessels, { runId: 'r', plan, state: foldRun(plan.steps, events), events: events.length }, SATURDAY_9 + 99 * MIN_MS)[dye.id];
  const read = (min: number, bathC: number) => readings.append('p1', [[SATURDAY_9 + min * MIN_MS, bathC]]);
  read(20, 61);
  expect(measured()).toMatchObject({ hottestC: 61 });
  const once = reads.mock.calls.length;
  expect(once).toBeGreaterThan(0);
  expect(measured()).toMatchObject({ hottestC: 61 });
  expect(reads.mock.calls.length).toBe(once);
  // The logger is read out afterwards: what it knows of that hour comes late.
  read(40, 84.5);
  expect(measured()).toMatchObject({ hottestC: 84.5 });
  // After the run the probe reads something else, which changes nothing here.
  read(200, 97);
  const before = reads.mock.calls.length;
  expect(measured()).toMatchObject({ hottestC: 84.5 });
  expect(measured()).toMatchObject({ hottestC: 84.5 });
  expect(reads.mock.calls.length - before).toBeLessThanOrEqual(once);
  const settled = reads.mock.calls.length;
  read(300, 20);
  expect(measured()).toMatchObject({ hottestC: 84.5 });
  expect(reads.mock.calls.length).toBe(settled);
  // Of the same hour, before what was here.
  read(30, 91);
  expect(measured()).toMatchObject({ hottestC: 91 });
  expect(measured([...log, act({ type: 'reading', stepId: dye.id, quantity: 'bathC', value: 95 }, 50)].toSorted((a, b) => a.atMs - b.atMs))).toMatchObject({
    hottestC: 95,
  });
  readings.close();
});
