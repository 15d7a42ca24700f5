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
test('a bundle is planned with a barrier: without one it went otherwise; how tight it was is kept, and is no deviation', () => {
  const bundle = { step: { kind: 'bundle' as const, treatment: null } };
  const told = (tightness: 'loosely' | null, hasBarrier: boolean | null): Comparison[] =>
    rows([lift], [enter(0, 0), [1, { type: 'rolled', stepId: base.id, tightness, hasBarrier }], done(10)], bundle);
  expect(row(told('loosely', false), 'barrier')).toMatchObject({ actual: 'none', difference: 'No barrier was used' });
  expect(row(told('loosely', false), 'rolled')).toMatchObject({ actual: 'loosely', difference: null });
  expect(row(told(null, true), 'barrier')).toMatchObject({ actual: 'used', difference: null, seen: true });
  expect(row(told('loosely', null), 'barrier')).toMatchObject({ actual: 'not logged', seen: false });
  expect(row(rows([lift], [enter(0, 0), done(10)], bundle), 'barrier')).toMatchObject({ actual: 'not logged', seen: false });
  expect(row(rows([lift], [enter(0, 0), done(10)]), 'barrier')).toBeUndefined();
});
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

describe('pH beside its aim', () => {
  const read = (atMin: number, value: number): [number, RunFact] => [atMin, { type: 'reading', stepId: base.id, quantity: 'ph', value }];
  const ph = (reads: [number, RunFact][], phAim?: PlanStep['phAim']) => row(rows([lift], [enter(0, 0), ...reads, done(10)], { step: { phAim } }), 'pH');
  test('come to its aim is no difference', () =>
    expect(ph([read(1, 6.2), read(2, 4)], { low: 4, high: 5 })).toMatchObject({ planned: '4 to 5', actual: '6.2, then 4', difference: null, seen: true }));
  test('overshot at last is one', () => expect(ph([read(1, 3.4)], { low: 4, high: 5 })?.difference).toBe('The pH was 3.4 at last, not 4 to 5'));
  test('an aim that nobody measured is not as planned', () => expect(ph([], { low: 4, high: 5 })).toMatchObject({ actual: 'not measured', seen: false }));
  test('read without an aim, it is only told', () => expect(ph([read(1, 7)])).toMatchObject({ planned: 'not planned', difference: null }));
  test('neither aimed nor read, there is no line', () => expect(ph([])).toBeUndefined());
});

describe('a bath planned as a range', () => {
  const water: PlannedAmount = {
    ...(base.water as PlannedAmount),
    overruled: { least: 6000, most: 8000 },
  };
  const bath = (readMl?: number) =>
    row(
      rows(
        [lift],
        [enter(0, 0), ...(readMl ? [[1, { type: 'reading', stepId: base.id, quantity: 'volumeMl', value: readMl }] as [number, RunFact]] : []), done(10)],
        {
          step: { water },
        },
      ),
      'bath',
    );
  test.each([
    [7000, null],
    [9000, '1 L more bath than planned'],
    [5000, '1 L less bath than planned'],
  ])('%d mL read: %s', (readMl, difference) => expect(bath(readMl)).toMatchObject({ planned: '6–8 L', difference, seen: true }));
  test('nobody read it: nothing is said of it', () => expect(bath()).toMatchObject({ planned: '6–8 L', actual: 'not measured', seen: false }));
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
      difference: expect.stringMatching(/min above the ceiling of 95 °C$/),
    }));
  test('with no reading it went by the clock, and that is said', () =>
    expect(row(held(90, []), 'hold')).toMatchObject({
      actual: '1 h 30 by the clock, temperature not measured',
      difference: 'Held 30 min longer than planned',
    }));
  test.each([
    [84, 'Up to 96 °C, 6 °C hotter than the band', 96],
    [85, 'Up to 91 °C, 1 °C hotter than the band', 91],
    [85, null, 90.4],
    [85, 'Down to 70 °C, 10 °C cooler than the band', 70],
  ])('%d °C and once %s is said of the temperature', (c, difference, once) =>
    expect(row(held(60, [...at(0, 29, c), ...at(30, 30, once), ...at(31, 60, c)]), 'temperature')).toMatchObject({ planned: '80–90 °C', difference }),
  );
  test('a pause with the heat off is no hold, though the bath is still hot', () => {
    const paused = rows(
      [hold],
      [enter(0, 0), [20, { type: 'paused', stepId: base.id, reason: 'shop' }], [55, { type: 'resumed', stepId: base.id }], done(95)],
      { readings: at(0, 95, 85) },
    );
    expect(row(paused, 'hold')).toMatchObject({ actual: '1 h in band (35 min paused)', difference: null });
  });
  test('one late reading does not undo what nobody measured: it can not be told', () =>
    expect(row(held(161, at(160, 160, 85)), 'hold')).toMatchObject({ actual: expect.stringContaining('nobody measured'), difference: null, seen: false }));
  test('a hold that nobody set a length for is neither short nor long', () => {
    const open: Phase = { ...hold, minutes: { min: 1, typical: 60, max: 1440, open: true }, stirEveryMin: null };
    expect(row(rows([open], [enter(0, 0), done(7)], { readings: at(0, 7, 85) }), 'hold')).toMatchObject({ planned: 'not set at 80–90 °C', difference: null });
  });
  test('6–8 h: six and a half will do, five are an hour short of the least', () => {
    const long: Phase = { ...hold, minutes: { min: 360, typical: 420, max: 480 }, stirEveryMin: null };
    const of = (min: number) => row(rows([long], [enter(0, 0), done(min)], { readings: at(0, min, 85) }), 'hold');
    expect(of(390)).toMatchObject({ planned: '7 h (6 h to 8 h will do) at 80–90 °C', difference: null, seen: true });
    expect(of(300)?.difference).toBe('1 h short of the hold, 17 %');
    expect(of(540)?.difference).toBe('Held 1 h beyond the plan');
  });
  test.each([
    [[10, 20, 30, 40, 50], null],
    [[10, 20, 30, 40], 'Stirred once less than planned'],
    [[10], 'Stirred 4 times less than planned'],
    [[10, 20, 30, 40, 50, 55], 'Stirred once more than planned'],
  ])('T64: stirred at %j: %s', (stirs, difference) => expect(row(held(60, at(0, 60, 85), stirs), 'stirred')?.difference ?? null).toBe(difference));
});

describe('other phases', () => {
  test.each([
    [180, null],
    [185, null],
    [186, 'The dip ran 0:06 over'],
    [192, 'The dip ran 0:12 over'], // T57
    [227, 'The dip ran 0:47 over'],
    [8, 'The dip ran 2:52 short'],
    [360, 'The dip ran 3:00 over'], // T69
  ])('an exact dip of 3 min that took %d s: %s', (seconds, difference) =>
    expect(row(rows([{ kind: 'dip', exactMin: 3, act: 'In' }], [enter(0, 0), done(seconds / 60)]), 'the dip')).toMatchObject({ planned: '3:00', difference }),
  );
  test('a rest is measured against its least and most; the plan’s own length is said', () => {
    const rest: Phase = { kind: 'rest', minutes: { min: 60, typical: 480, max: 1440 }, overnightOk: true };
    const phaseTimes = [{ fromMs: 0, toMs: 840 * MIN }];
    const rested = (min: number) => row(rows([rest], [enter(0, 0), done(min)], { step: { phaseTimes } }), 'the rest');
    expect(rested(860)).toMatchObject({ planned: '14 h (1 h to 1 d will do)', difference: null });
    expect(rested(1000)?.difference).toBeNull();
    expect(rested(1600)?.difference).toBe('The rest took 2 h 40 more than the most');
    expect(rested(10)?.difference).toBe('The rest took 50 min less than the least');
  });
  test('a wait that still goes on is compared with nothing', () => {
    const until: Phase = { kind: 'until', minutes: { min: 4320, typical: 5760, max: 7200 }, checkEveryMin: 1440, criterion: 'dark' };
    expect(row(rows([until], [enter(0, 0)]), 'the wait')).toMatchObject({ actual: '16 h 40 so far', difference: null, seen: false });
  });
  test('looks that were due and missed are said', () => {
    const until: Phase = { kind: 'until', minutes: { min: 4320, typical: 7200, max: 7200 }, checkEveryMin: 1440, criterion: 'dark' };
    const look = (atMin: number): [number, RunFact] => [atMin, { type: 'checked', stepId: base.id, finding: '' }];
    expect(row(rows([until], [enter(0, 0), look(1440), look(4320), look(5760), done(7200)]), 'looks')).toMatchObject({
      planned: 'daily, 5 days',
      actual: 'on days 1, 3, 4',
      difference: '2 days missed: days 2, 5',
    });
  });
  test('a phase that nobody entered is not called anything', () =>
    expect(row(rows([hold, lift], [enter(0, 0), done(60)], { readings: at(0, 60, 85) }), 'lifting')).toMatchObject({
      actual: 'not logged',
      difference: null,
      seen: false,
    }));
  test('a step that was ended without being begun is not called anything', () =>
    expect(rows([lift], [done(5)])).toMatchObject([{ what: 'step', difference: null, seen: false }]));
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
      difference: 'baking soda added beyond the plan, 3 g',
    }));
});
