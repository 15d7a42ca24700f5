import { expect, test } from 'vitest';
import { planned, step, wool } from '../plan/plan.fixture';
import { foldRun } from './fold';
import { withoutJumps } from './jumps';
import { jumpsIn, readingsOf } from './readings';

const each = (gapS: number, ...temperatures: number[]) => temperatures.map((bathC, i) => ({ atMs: i * gapS * 1000, bathC }));
const left = (readings: ReturnType<typeof each>) => withoutJumps(readings).map(({ bathC }) => bathC);

test('one reading that leaps away and back is left out', () => {
  expect(left(each(10, 75, 75.2, 120, 75.3, 75.4))).toEqual([75, 75.2, 75.3, 75.4]);
  expect(left(each(10, 75, 75.2, 3, 75.3))).toEqual([75, 75.2, 75.3]);
});
test('the newest stands until the next one speaks', () => {
  expect(left(each(10, 75, 75, 95))).toEqual([75, 75, 95]);
  expect(left(each(10, 75, 75, 95, 95.5))).toEqual([75, 75, 95, 95.5]);
});
test('a bath that really goes somewhere is believed, and so is what was read far apart', () => {
  const rising = each(60, 40, 49, 58, 67);
  expect(withoutJumps(rising)).toBe(rising);
  const rare = each(600, 75, 95, 75);
  expect(withoutJumps(rare)).toBe(rare);
  // A small wobble is what probes do.
  const wobble = each(10, 75, 82, 75);
  expect(withoutJumps(wobble)).toBe(wobble);
});

test('a step is told without them, and says how many they were', () => {
  const plan = planned([wool('a', 100)]);
  const dye = step(plan, 'dye');
  const at = (ms: number) => ({ atMs: ms, recordedAtMs: ms });
  const state = foldRun(plan.steps, [
    { id: 's', type: 'started', planVersion: 1, ...at(0) },
    { id: 'e', type: 'phaseEntered', stepId: dye.id, phaseIndex: 0, ...at(0) },
  ]).steps[dye.id];
  if (!state || !dye.vesselId) throw new Error('no step');
  const byVessel = { [dye.vesselId]: each(10, 75, 75, 120, 75, 75) };
  expect(readingsOf(dye, state, byVessel).map(({ bathC }) => bathC)).toEqual([75, 75, 75, 75]);
  expect(jumpsIn(dye, state, byVessel)).toBe(1);
  expect(jumpsIn(dye, { ...state, entered: [] }, byVessel)).toBe(0);
});
