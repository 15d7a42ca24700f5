import { expect, test } from 'vitest';
import { planned, step, wool } from '../plan/plan.fixture';
import type { RunEvent, RunFact } from './events';
import { runNow } from './runNow';
import { isNothing, sinceAway } from './since';

const MIN = 60_000;
const plan = planned([wool('a', 100)]);
const dye = step(plan, 'dye');
const hold = dye.phases.findIndex(({ kind }) => kind === 'hold');
const at = (min: number) => dye.startMs + min * MIN;
const ev = (min: number, fact: RunFact, recordedMin = min): RunEvent => ({
  ...fact,
  id: `${fact.type}-${min}-${recordedMin}`,
  atMs: at(min),
  recordedAtMs: at(recordedMin),
});
const events = [
  ev(-200, { type: 'started', planVersion: 1 }),
  ev(0, { type: 'phaseEntered', stepId: dye.id, phaseIndex: hold }),
  ev(5, { type: 'stirred', stepId: dye.id }),
  ev(25, { type: 'stirred', stepId: dye.id }),
  ev(26, { type: 'callHeard', stepId: dye.id, call: 'stir' }),
  // Told late, from a phone that had no network.
  ev(8, { type: 'note', stepId: null, text: 'the window is open' }, 30),
];
const readings = { [dye.vesselId ?? '']: [10, 20, 30, 40].map((min) => ({ atMs: at(min), bathC: 60 + min })) };
const since = (sinceMin: number, nowMin: number) => {
  const now = runNow(plan, events, readings, at(nowMin));
  return sinceAway(now, plan, events, readings, at(sinceMin), at(nowMin));
};

test('acts that were told meanwhile, how cold and hot the bath was, and calls that still wait', () => {
  const { acts, baths, waiting } = since(15, 50);
  expect(acts.map(({ id }) => id)).toEqual(['note-8-30', 'stirred-25-25']);
  expect(baths).toEqual([{ stepId: dye.id, leastC: 80, mostC: 100, ceilingC: 82.2 }]);
  expect(waiting.map(({ act }) => act)).toContain('stir');
});

test('what came before somebody looked is no news', () => {
  const { acts, baths, waiting } = since(45, 46);
  expect([acts, baths]).toEqual([[], []]);
  expect(waiting.every(({ dueMs }) => dueMs > at(45))).toBe(true);
  expect(isNothing({ acts, baths, waiting: [] })).toBe(true);
});
