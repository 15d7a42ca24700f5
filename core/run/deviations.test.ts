import { describe, expect, test } from 'vitest';
import type { Reading } from '../hold/credit';
import type { Phase } from '../plan/phase';
import type { PlannedAmount, PlanStep } from '../plan/plan';
import { planned, step, wool } from '../plan/plan.fixture';
import { STARTER } from '../shelf/library';
import { stepClock } from './clock';
import { type Comparison, compareStep } from './deviations';
import type { RunEvent, RunFact } from './events';
import { foldRun } from './fold';

/** Planned beside actual for one step of these phases: what the record says, row by row. */

const MIN = 60_000;
const plan = planned([wool('a', 100)]);
const base = step(plan, 'mordant');
const lift: Phase = { kind: 'lift', minutes: 10, act: 'Lift out' };
const hold: Phase = {
  kind: 'hold',
  bandC: [80, 90],
  ceilingC: 95,
  minutes: { min: 60, typical: 60, max: 60 },
  stirEveryMin: 10,
  flipAtMin: null,
};
const ev = (atMin: number, fact: RunFact, id: string): RunEvent => ({ ...fact, id, atMs: atMin * MIN, recordedAtMs: atMin * MIN });
const enter = (atMin: number, phaseIndex: number): [number, RunFact] => [atMin, { type: 'phaseEntered', stepId: base.id, phaseIndex }];
const done = (atMin: number): [number, RunFact] => [atMin, { type: 'stepFinished', stepId: base.id }];

function rows(phases: Phase[], facts: [number, RunFact][], more: { step?: Partial<PlanStep>; readings?: Reading[] } = {}): Comparison[] {
  const own: PlanStep = { ...base, additions: [], water: null, startMs: 0, phaseTimes: [], ...more.step, phases };
  const log = [ev(0, { type: 'started', planVersion: 1 }, 's'), ...facts.map(([atMin, fact], i) => ev(atMin, fact, `f${i}`))];
  const state = foldRun([own], log).steps[own.id];
  if (!state) throw new Error('no state');
  return compareStep(own, state, stepClock(own, state, more.readings ?? [], 1000 * MIN), (ms) => `${ms / MIN} min`, STARTER.nameOf);
}
const row = (all: Comparison[], what: string) => all.find((one) => one.what === what);
const at = (fromMin: number, toMin: number, c: number): Reading[] =>
  Array.from({ length: toMin - fromMin + 1 }, (_, i) => ({ atMs: (fromMin + i) * MIN, bathC: c }));

describe('when it began', () => {
  test.each([
    [0, null],
    [4, null],
    [5, 'Began 5 min late'],
    [90, 'Began 1 h 30 late'],
  ])('%d min after the plan: %s', (atMin, difference) =>
    expect(row(rows([lift], [enter(atMin, 0), done(atMin + 10)]), 'start')?.difference ?? null).toBe(difference),
  );
  test('sooner is early', () =>
    expect(row(rows([lift], [enter(0, 0), done(10)], { step: { startMs: 30 * MIN } }), 'start')?.difference).toBe('Began 30 min early'));
  test('not begun, and skipped with its reason', () => {
    expect(rows([lift], [])).toMatchObject([{ what: 'start', actual: 'not begun', difference: null, seen: false }]);
    expect(rows([lift], [[1, { type: 'skipped', stepId: base.id, reason: 'no vinegar' }]])).toMatchObject([
      { what: 'step', actual: 'skipped', difference: 'Skipped: no vinegar' },
    ]);
  });
});

describe('a hold', () => {
  const held = (toMin: number, readings: Reading[], stirs: number[] = []) =>
    rows([hold], [enter(0, 0), ...stirs.map((m): [number, RunFact] => [m, { type: 'stirred', stepId: base.id }]), done(toMin)], { readings });
  test('full and in its band went as planned', () => expect(row(held(60, at(0, 60, 85)), 'hold')).toMatchObject({ actual: '1 h in band', difference: null }));
  test('forty of sixty minutes are a third short', () =>
    expect(row(held(40, at(0, 40, 85)), 'hold')).toMatchObject({
      planned: '1 h at 80–90 °C',
      actual: '40 min in band',
      difference: '20 min short of the hold, 33 %',
    }));
  test('cold minutes are named, and do not count', () => {
    const hold = row(held(60, [...at(0, 30, 85), ...at(31, 60, 60)]), 'hold');
    expect(hold?.actual).toMatch(/under/);
    expect(hold?.difference).toMatch(/short of the hold/);
  });
  test('above the ceiling is a row of its own, with how long and how hot', () =>
    expect(row(held(60, [...at(0, 40, 85), ...at(41, 50, 97), ...at(51, 60, 85)]), 'ceiling')).toMatchObject({
      planned: 'never above 95 °C',
      actual: 'up to 97 °C',
      difference: expect.stringMatching(/min above the ceiling$/),
    }));
  test('with no reading it went by the clock, and that is said', () =>
    expect(row(held(90, []), 'hold')).toMatchObject({
      actual: '1 h 30 by the clock, temperature not measured',
      difference: 'Held 30 min longer than planned',
    }));
  test.each([
    [[10, 20, 30, 40, 50], null],
    [[10, 20, 30, 40], 'Stirred once less than planned'],
    [[10], 'Stirred 4 times less than planned'],
    [[10, 20, 30, 40, 50, 55], 'Stirred once more than planned'],
  ])('T64: stirred at %j: %s', (stirs, difference) => expect(row(held(60, at(0, 60, 85), stirs), 'stirred')?.difference ?? null).toBe(difference));
});

describe('other phases', () => {
  test('T57: a dip of 3:12 against 3 went as planned', () =>
    expect(row(rows([{ kind: 'dip', exactMin: 3, act: 'In' }], [enter(0, 0), done(3.2)]), 'the dip')).toMatchObject({ planned: '3 min', difference: null }));
  test('a rest is measured against the time that the plan drew it out to', () => {
    const rest: Phase = { kind: 'rest', minutes: { min: 60, typical: 480, max: 1440 }, overnightOk: true };
    const phaseTimes = [{ fromMs: 0, toMs: 840 * MIN }];
    expect(row(rows([rest], [enter(0, 0), done(860)], { step: { phaseTimes } }), 'the rest')?.difference ?? null).toBeNull();
    expect(row(rows([rest], [enter(0, 0), done(1000)], { step: { phaseTimes } }), 'the rest')?.difference).toBe('The rest took 2 h 40 longer than planned');
  });
  test('T69: three minutes planned, six really', () =>
    expect(row(rows([{ kind: 'dip', exactMin: 3, act: 'In' }], [enter(0, 0), done(6)]), 'the dip')).toMatchObject({ planned: '3 min', actual: '6 min' }));
});

describe('amounts', () => {
  const alum = base.additions[0];
  if (!alum) throw new Error('no alum');
  const added = (
    value: number | null,
    state: 'measured' | 'estimated' = 'measured',
    additionId: string | null = alum.id,
    substance = 'alum',
  ): [number, RunFact] => [
    1,
    { type: 'addition', stepId: base.id, additionId, substance, amount: value === null ? { state: 'unknown' } : { state, value }, unit: 'g' },
  ];
  const amounts = (facts: [number, RunFact][], additions: PlannedAmount[] = [alum]) => rows([lift], [enter(0, 0), ...facts, done(10)], { step: { additions } });
  test.each<[string, [number, RunFact][], string, string | null]>([
    ['as planned', [added(10)], '10 g', null],
    ['a hair off', [added(10.2)], '10.2 g', null],
    ['more', [added(12)], '12 g', '2 g more potash alum than planned'],
    ['less', [added(7)], '7 g', '3 g less potash alum than planned'],
    ['in two spoons', [added(4), added(6)], '10 g', null],
    ['by guess', [added(10, 'estimated')], '10 g (estimated)', null],
  ])('%s', (_what, facts, actual, difference) => expect(row(amounts(facts), 'potash alum')).toMatchObject({ planned: '10 g', actual, difference }));
  test('one unknown part makes the whole unknown, never a smaller sum', () =>
    expect(row(amounts([added(4), added(null)]), 'potash alum')?.actual).toBe('amount unknown'));
  test('nothing logged is said as that, and not as “as planned”', () =>
    expect(row(amounts([]), 'potash alum')).toMatchObject({ actual: 'not logged', seen: false }));
  test('only what is known on both sides may go as planned', () => {
    expect(row(amounts([added(10)]), 'potash alum')?.seen).toBe(true);
    expect(row(amounts([added(null)]), 'potash alum')?.seen).toBe(false);
  });
  test('what was never planned stands for itself', () =>
    expect(row(amounts([added(10), added(3, 'measured', null, 'bakingSoda')]), 'baking soda')).toMatchObject({
      planned: 'not planned',
      difference: 'baking soda added beyond the plan',
    }));
});
