import { expect, test } from 'vitest';
import type { Phase } from '../plan/phase';
import { planned, step, wool } from '../plan/plan.fixture';
import { stepClock } from './clock';
import { endsEarly } from './endsEarly';
import type { RunFact } from './events';
import { foldRun } from './fold';

const MIN = 60_000;
const plan = planned([wool('a', 100)]);
const base = step(plan, 'dye');
const hold: Phase = { kind: 'hold', bandC: null, ceilingC: null, minutes: { min: 30, typical: 30, max: 30 }, stirEveryMin: null, flipAtMin: null };
const dip: Phase = { kind: 'dip', exactMin: 3, act: 'In' };
const lift: Phase = { kind: 'lift', minutes: 5, act: 'Out' };
const asked = (phase: Phase, afterMin: number, fact: RunFact) => {
  const own = { ...base, phases: [phase, lift] };
  const log = [
    { type: 'started', planVersion: 1, id: 's', atMs: 0, recordedAtMs: 0 } as const,
    { type: 'phaseEntered', stepId: base.id, phaseIndex: 0, id: 'e', atMs: 0, recordedAtMs: 0 } as const,
  ];
  const state = foldRun([own], log).steps[base.id];
  if (!state) throw new Error('no state');
  return endsEarly([fact], { [base.id]: stepClock(own, state, [], afterMin * MIN) });
};
const done: RunFact = { type: 'stepFinished', stepId: base.id };
const next: RunFact = { type: 'phaseEntered', stepId: base.id, phaseIndex: 1 };

test.each<[string, Phase, number, RunFact, string | null]>([
  ['a hold ended at nothing', hold, 0, done, '0 min of 30 min held'],
  ['half-way to the lift', hold, 15, next, '15 min of 30 min held'],
  ['full', hold, 30, next, null],
  ['a minute short is full', hold, 29, next, null],
  ['a dip lifted after eight seconds', dip, 8 / 60, next, '0:08 of 3:00 in'],
  ['three seconds early is on time', dip, 2.95, next, null],
  ['entering the same phase again', hold, 5, { type: 'phaseEntered', stepId: base.id, phaseIndex: 0 }, null],
  ['a stir', hold, 5, { type: 'stirred', stepId: base.id }, null],
])('%s', (_what, phase, afterMin, fact, expected) => expect(asked(phase, afterMin, fact)).toBe(expected));
