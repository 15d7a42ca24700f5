import { describe, expect, test } from 'vitest';
import { planned, step, wool } from '../plan/plan.fixture';
import type { RunEvent, RunFact } from './events';
import { foldRun } from './fold';
import { goodsIn, lotInMin } from './lotMinutes';

const plan = planned([wool('a', 50), wool('b', 50)]);
const dye = step(plan, 'dye');
const hold = dye.phases.findIndex((phase) => phase.kind === 'hold');
const { id: stepId } = dye;
/** In at minute 10, lifted at 70. */
const minutes = (...moves: readonly (readonly [number, 'lotOut' | 'lotIn', string])[]) => {
  const facts: [number, RunFact][] = [
    [0, { type: 'phaseEntered', stepId, phaseIndex: 0 }],
    [10, { type: 'phaseEntered', stepId, phaseIndex: hold }],
    ...moves.map(([min, type, lotId]): [number, RunFact] => [min, { type, stepId, lotId }]),
    [70, { type: 'stepFinished', stepId }],
  ];
  const events = facts.map(([min, fact], i): RunEvent => ({ ...fact, id: `e${i}`, atMs: min * 60_000, recordedAtMs: i }));
  const did = foldRun(plan.steps, events).steps[stepId];
  return did ? [lotInMin(dye, did, 'a'), lotInMin(dye, did, 'b')] : [];
};

describe('minutes that a lot was in', () => {
  test('all the while, where nobody lifted it', () => expect(minutes()).toEqual([60, 60]));
  test('until it was lifted alone', () => expect(minutes([22, 'lotOut', 'a'])).toEqual([12, 60]));
  test('less the time it was out', () => expect(minutes([22, 'lotOut', 'a'], [40, 'lotIn', 'a'])).toEqual([42, 60]));
  test('tapped twice is out once', () => expect(minutes([22, 'lotOut', 'a'], [30, 'lotOut', 'a'], [40, 'lotIn', 'a'], [41, 'lotIn', 'a'])).toEqual([42, 60]));
  test('taken out before anything was in is never in', () => expect(minutes([5, 'lotOut', 'a'])).toEqual([0, 60]));
  test('nobody saw it begin: nobody knows', () => {
    const did = foldRun(plan.steps, [{ type: 'stepFinished', stepId, id: 'e', atMs: 60_000, recordedAtMs: 0 }]).steps[stepId];
    expect(did && [goodsIn(dye, did), lotInMin(dye, did, 'a')]).toEqual([null, null]);
  });
});
