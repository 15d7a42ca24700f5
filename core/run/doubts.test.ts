import { expect, test } from 'vitest';
import { planned, step, wool } from '../plan/plan.fixture';
import { believed, doubtNow, doubtsOf } from './doubts';
import { foldRun } from './fold';
import { doubtedIn, probeDoubt, readingsOf } from './readings';

const each = (gapS: number, ...temperatures: number[]) => temperatures.map((bathC, i) => ({ atMs: i * gapS * 1000, bathC }));
const left = (readings: ReturnType<typeof each>) => believed(readings).map(({ bathC }) => bathC);

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
  expect(believed(rising)).toBe(rising);
  const rare = each(600, 75, 95, 75);
  expect(believed(rare)).toBe(rare);
  // A small wobble is what probes do.
  const wobble = each(10, 75, 82, 75);
  expect(believed(wobble)).toBe(wobble);
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
  expect(doubtedIn(dye, state, byVessel)).toEqual({ impossible: 0, jumped: 1, stuck: 0 });
  expect(doubtedIn(dye, { ...state, entered: [] }, byVessel).jumped).toBe(0);
});

/** A probe with a little noise, every ten seconds. */
const noisy = (count: number, aroundC = 80) => Array.from({ length: count }, (_, i) => aroundC + ((i * 7) % 5) / 10);
const same = (count: number, bathC = 80.3) => Array.from({ length: count }, () => bathC);
const stuckIn = (...temperatures: number[]) => [...doubtsOf(each(10, ...temperatures)).values()].filter((doubt) => doubt === 'stuck').length;

test('a probe that never repeats itself and then says one thing for ten minutes hangs: the first of it is believed, the rest is not', () => {
  expect(stuckIn(...noisy(40), ...same(61, 90))).toBe(60);
  // Ten minutes less one reading prove nothing yet.
  expect(stuckIn(...noisy(40), ...same(60, 90))).toBe(0);
  expect(stuckIn(...noisy(40), ...same(61, 90), ...noisy(5))).toBe(60);
});
test('a coarse probe repeats itself all day, and one that has hardly spoken may be such', () => {
  const coarse = Array.from({ length: 200 }, (_, i) => 80 + Math.floor(i / 40));
  expect(stuckIn(...coarse, ...same(100, 90))).toBe(0);
  expect(stuckIn(...noisy(19), ...same(100, 90))).toBe(0);
});
test('a bath that was only heated up and is then held to the last digit is well held; what has cooled to the room or boils stands still by itself', () => {
  const rising = Array.from({ length: 60 }, (_, i) => 20 + i);
  expect(stuckIn(...rising, ...same(100, 80))).toBe(0);
  expect(stuckIn(...noisy(40), ...same(100, 20.1))).toBe(0);
  expect(stuckIn(...noisy(40), ...same(100, 99.5))).toBe(0);
});
test('what can be no bath is left out, also the newest and also when it goes on', () => {
  expect(left(each(10, 75, 75, 126, 130, 140))).toEqual([75, 75]);
  expect(left(each(10, 75, -6, 75))).toEqual([75, 75]);
  expect(left(each(10, 118, 121, 125))).toEqual([118, 121, 125]);
});
test('what is not believed now is said with since when', () => {
  expect(doubtNow(each(10, 75, 75.1))).toBeNull();
  expect(doubtNow(each(10, 75, 140, 141))).toEqual({ doubt: 'impossible', sinceMs: 10_000, bathC: 141 });
  expect(doubtNow(each(10, ...noisy(40), ...same(90, 91.5)))).toEqual({ doubt: 'stuck', sinceMs: 400_000, bathC: 91.5 });
  expect(doubtNow([])).toBeNull();
});

test('a probe that hung before a step began hangs in it too; what it said only before is not of this bath', () => {
  const plan = planned([wool('a', 100)]);
  const dye = step(plan, 'dye');
  if (!dye.vesselId) throw new Error('no vessel');
  const hung = { [dye.vesselId]: each(10, ...noisy(40), ...same(90, 91.5)) };
  const begunAt = (ms: number) => {
    const state = foldRun(plan.steps, [
      { id: 's', type: 'started', planVersion: 1, atMs: 0, recordedAtMs: 0 },
      { id: 'e', type: 'phaseEntered', stepId: dye.id, phaseIndex: 0, atMs: ms, recordedAtMs: ms },
    ]).steps[dye.id];
    if (!state) throw new Error('no step');
    return state;
  };
  // Begun after it hung: the same readings as are left out of its minutes are told.
  expect(probeDoubt(dye, begunAt(1_000_000), hung)).toEqual({ doubt: 'stuck', sinceMs: 400_000, bathC: 91.5 });
  expect(readingsOf(dye, begunAt(1_000_000), hung)).toEqual([]);
  expect(probeDoubt(dye, begunAt(2_000_000), hung)).toBeNull();
});
