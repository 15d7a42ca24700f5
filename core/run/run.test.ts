import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { foldPassport, type Treatment } from '../fibre/passport';
import { knownValue } from '../figure';
import type { Reading } from '../hold/credit';
import { buildPlan } from '../plan/buildPlan';
import { amountOf } from '../plan/plan';
import { HEAD, input, planned, step, wool } from '../plan/plan.fixture';
import { STARTER } from '../shelf/library';
import { draftAgain } from './again';
import { stepClock } from './clock';
import { compareStep } from './deviations';
import type { RunEvent, RunFact } from './events';
import { foldRun, standingEvents } from './fold';
import { plannedStirsMin, runNudges } from './nudges';
import { treatmentsOf } from './treatments';

const MIN = 60_000;
let serial = 0;
const ev = (atMin: number, fact: RunFact, id = `e${++serial}`): RunEvent => ({ ...fact, id, atMs: atMin * MIN, recordedAtMs: atMin * MIN + serial });
const plan = planned([wool('a', 100)]);
const dye = step(plan, 'dye');
const mordant = step(plan, 'mordant');
const steady = (fromMin: number, toMin: number, c: number): Reading[] =>
  Array.from({ length: toMin - fromMin + 1 }, (_, i) => ({ atMs: (fromMin + i) * MIN, bathC: c }));

describe('prompts (T64, T66, T67)', () => {
  test.each([
    [60, 10, [10, 20, 30, 40, 50]],
    [240, 30, [30, 60, 90, 120, 150, 180, 210]],
    [120, 15, [15, 30, 45, 60, 75, 90, 105]],
  ])('%d min, every %d', (hold, every, at) => expect(plannedStirsMin(hold, every)).toEqual(at));
});

describe('the fold', () => {
  const events = [
    ev(0, { type: 'started', planVersion: 1 }),
    ev(1, { type: 'phaseEntered', stepId: dye.id, phaseIndex: 0 }),
    ev(12, { type: 'phaseEntered', stepId: dye.id, phaseIndex: 1 }),
    ev(40, { type: 'phaseEntered', stepId: dye.id, phaseIndex: 2 }),
    ev(50, { type: 'stirred', stepId: dye.id }, 'stir1'),
    ev(100, { type: 'stepFinished', stepId: dye.id }),
  ];
  test('a log becomes a state', () => {
    const state = foldRun(plan.steps, events);
    expect(state.phase).toBe('running');
    expect(state.steps[dye.id]).toMatchObject({ status: 'done', endedAtMs: 100 * MIN, stirredAtMs: [50 * MIN] });
    expect(state.steps[mordant.id]?.status).toBe('waiting');
  });
  test('order of arrival does not matter, only when it happened', () => expect(foldRun(plan.steps, events.toReversed())).toEqual(foldRun(plan.steps, events)));
  test('a withdrawn act is gone, and withdrawing the withdrawal brings it back', () => {
    const undone = [...events, ev(101, { type: 'amended', targetId: 'stir1', change: { kind: 'withdrawn', reason: 'wrong pot' } }, 'am1')];
    expect(foldRun(plan.steps, undone).steps[dye.id]?.stirredAtMs).toEqual([]);
    const redone = [...undone, ev(102, { type: 'amended', targetId: 'am1', change: { kind: 'withdrawn', reason: 'right pot after all' } })];
    // Somebody was there meanwhile: that stands.
    expect(foldRun(plan.steps, redone)).toEqual({ ...foldRun(plan.steps, events), touchedMs: expect.any(Number) });
  });
  test('an act may be set back in time', () => {
    const retimed = [...events, ev(103, { type: 'amended', targetId: 'stir1', change: { kind: 'retimed', atMs: 45 * MIN } })];
    expect(foldRun(plan.steps, retimed).steps[dye.id]?.stirredAtMs).toEqual([45 * MIN]);
  });
  test('an event of a step nobody knows changes nothing', () =>
    expect(foldRun(plan.steps, [...events, ev(60, { type: 'stirred', stepId: 'ghost' })])).toEqual(foldRun(plan.steps, events)));
  test('it is total: any shuffled, cut log folds without a fault and keeps its amended order', () =>
    fc.assert(
      fc.property(fc.shuffledSubarray(events), (some) => {
        const state = foldRun(plan.steps, some);
        expect(['notStarted', 'running']).toContain(state.phase);
        expect(standingEvents(some).map((e) => e.atMs)).toEqual(some.map((e) => e.atMs).toSorted((a, b) => a - b));
      }),
      { seed: 5 },
    ));
});

describe('timers are computed, never stored', () => {
  const begin = [ev(0, { type: 'started', planVersion: 1 }), ev(0, { type: 'phaseEntered', stepId: dye.id, phaseIndex: 1 })];
  const clockAt = (events: RunEvent[], readings: Reading[], nowMin: number) =>
    stepClock(dye, foldRun(plan.steps, events).steps[dye.id] as never, readings, nowMin * MIN);

  test('the hold starts when the readings reach the band, without a tap', () => {
    const clock = clockAt(begin, [{ atMs: 0, bathC: 40 }, { atMs: 20 * MIN, bathC: 60 }, { atMs: 40 * MIN, bathC: 80 }, ...steady(41, 50, 76)], 50);
    expect(clock.current).toMatchObject({ index: 2, seenByReadings: true, enteredMs: 30 * MIN });
  });
  test('a tap for the hold wins over the readings', () => {
    const clock = clockAt(
      [...begin, ev(35, { type: 'phaseEntered', stepId: dye.id, phaseIndex: 2 })],
      [{ atMs: 0, bathC: 40 }, { atMs: 30 * MIN, bathC: 75 }, ...steady(31, 50, 76)],
      50,
    );
    expect(clock.current).toMatchObject({ index: 2, seenByReadings: false, enteredMs: 35 * MIN });
  });
  test('31 minutes in band leave 29 of 60', () => {
    const clock = clockAt([...begin, ev(10, { type: 'phaseEntered', stepId: dye.id, phaseIndex: 2 })], steady(10, 41, 76), 41);
    expect(clock.current?.leftMin).toBeCloseTo(29, 6);
  });
  test('cold minutes do not count: 20 of 31 at 60 °C leave 49 or so', () => {
    const clock = clockAt([...begin, ev(10, { type: 'phaseEntered', stepId: dye.id, phaseIndex: 2 })], [...steady(10, 20, 76), ...steady(21, 41, 60)], 41);
    expect(clock.current?.credit?.underMin).toBeGreaterThan(20);
    expect(clock.current?.leftMin).toBeGreaterThan(48);
  });
  test('without any reading the hold goes by the clock', () => {
    const clock = clockAt([...begin, ev(10, { type: 'phaseEntered', stepId: dye.id, phaseIndex: 2 })], [], 40);
    expect(clock.current?.leftMin).toBeCloseTo(30, 6);
  });
  test('a pause takes its minutes out of the elapsed time', () => {
    const paused = [...begin, ev(5, { type: 'paused', stepId: dye.id, reason: 'door' }), ev(15, { type: 'resumed', stepId: dye.id })];
    expect(clockAt(paused, [], 25).current?.elapsedMin).toBe(15);
  });
});

describe('calls for hands', () => {
  const nudgesAt = (events: RunEvent[], readings: Reading[], nowMin: number) => {
    const state = foldRun(plan.steps, events);
    const clocks = Object.fromEntries(plan.steps.map((s) => [s.id, stepClock(s, state.steps[s.id] as never, s.id === dye.id ? readings : [], nowMin * MIN)]));
    return runNudges(plan, state, clocks, nowMin * MIN).filter((n) => n.stepId === dye.id);
  };
  const holding = [ev(0, { type: 'started', planVersion: 1 }), ev(0, { type: 'phaseEntered', stepId: dye.id, phaseIndex: 2 })];
  test('stir ten minutes after the hold began, then ten after the last stir', () => {
    expect(nudgesAt(holding, steady(0, 12, 76), 12).find((n) => n.act === 'stir')?.dueMs).toBe(10 * MIN);
    expect(nudgesAt([...holding, ev(13, { type: 'stirred', stepId: dye.id })], steady(0, 14, 76), 14).find((n) => n.act === 'stir')?.dueMs).toBe(23 * MIN);
  });
  test('no stir at the very end', () =>
    expect(nudgesAt([...holding, ev(50, { type: 'stirred', stepId: dye.id })], steady(0, 52, 76), 52).some((n) => n.act === 'stir')).toBe(false));
  test('above the ceiling is a stop and comes first', () =>
    expect(nudgesAt(holding, [...steady(0, 5, 76), { atMs: 6 * MIN, bathC: 84 }], 6)[0]).toMatchObject({ act: 'tooHot', stop: true }));
  test('a step asks to begin only when what it follows is over', () => {
    const state = foldRun(plan.steps, [ev(0, { type: 'started', planVersion: 1 })]);
    const begins = runNudges(plan, state, {}, 0).map((n) => n.stepId);
    expect(begins).toContain(step(plan, 'scour').id);
    expect(begins).not.toContain(mordant.id);
  });
});

describe('a weight that becomes known on the way', () => {
  const unweighed = planned([wool('a', null)]);
  const own = step(unweighed, 'mordant');
  const charging = [ev(0, { type: 'started', planVersion: 1 }), ev(0, { type: 'phaseEntered', stepId: own.id, phaseIndex: 0 })];
  const addCall = (events: RunEvent[]) => {
    const state = foldRun(unweighed.steps, events);
    const clocks = { [own.id]: stepClock(own, state.steps[own.id] as never, [], MIN) };
    return runNudges(unweighed, state, clocks, MIN).find((n) => n.act === 'add')?.text;
  };
  test('until then the call asks how much went in; then it names the dose: 10 % of 152 g', () => {
    expect(addCall(charging)).toBe('Add the potash alum and log how much');
    expect(addCall([...charging, ev(0.5, { type: 'lotWeighed', lotId: 'a', dryWeightG: 152 })])).toBe('Add 15.2 g potash alum');
  });
});

describe('the record', () => {
  const alum = mordant.additions[0];
  if (!alum) throw new Error('no alum');
  const log = [
    ev(0, { type: 'started', planVersion: 1 }),
    ev(0, { type: 'phaseEntered', stepId: mordant.id, phaseIndex: 0 }),
    ev(3, { type: 'addition', stepId: mordant.id, additionId: alum.id, substance: 'alum', amount: { state: 'measured', value: 12 }, unit: 'g' }),
    ev(15, { type: 'phaseEntered', stepId: mordant.id, phaseIndex: 1 }),
    ev(80, { type: 'phaseEntered', stepId: mordant.id, phaseIndex: 2 }),
    ev(122, { type: 'phaseEntered', stepId: mordant.id, phaseIndex: 3 }),
    ev(127, { type: 'stepFinished', stepId: mordant.id }),
  ];
  const state = foldRun(plan.steps, log);
  const clock = stepClock(mordant, state.steps[mordant.id] as never, steady(80, 122, 85), 200 * MIN);
  test('planned beside actual, differences in words', () => {
    const rows = compareStep(mordant, state.steps[mordant.id] as never, clock, String, STARTER.nameOf);
    expect(rows.find((r) => r.what === 'hold')).toMatchObject({ actual: '42 min in band', difference: '18 min short of the hold, 30 %' });
    expect(rows.find((r) => r.what === 'potash alum')).toMatchObject({ planned: '10 g', actual: '12 g', difference: '2 g more potash alum than planned' });
  });
  test('T62: planned 90 minutes on heat, 99 really: nine longer', () => {
    const odd = { ...mordant, phases: [{ kind: 'lift' as const, minutes: 90, act: '' }], phaseTimes: [] };
    const did = foldRun([odd], [ev(0, { type: 'phaseEntered', stepId: odd.id, phaseIndex: 0 }), ev(99, { type: 'stepFinished', stepId: odd.id })]).steps[
      odd.id
    ] as never;
    expect(compareStep(odd, did, stepClock(odd, did, [], 0), String, STARTER.nameOf).find((r) => r.what === 'lifting')?.difference).toBe(
      'Lifting took 9 min longer than planned',
    );
  });
  test('the passport carries the percentage that was used, 12 %, not the 10 % of the plan', () => {
    const [treatment] = treatmentsOf(plan, 'r1', state, 'a');
    expect(treatment).toMatchObject({ kind: 'mordant', certainty: 'known', substance: 'potash alum' });
    expect(treatment && knownValue(treatment.wofPct)).toBeCloseTo(12, 9);
  });
  test('an amount nobody measured stays unknown in the passport', () => {
    const unknown = log.map((e) => (e.type === 'addition' ? { ...e, amount: { state: 'unknown' as const } } : e));
    expect(treatmentsOf(plan, 'r1', foldRun(plan.steps, unknown), 'a')[0]?.wofPct).toEqual({ state: 'unknown' });
  });
  test('do it again asks for what was really done, scaled to the new weight', () => {
    const clocks = { [mordant.id]: clock };
    const lots = [wool('b', 250)];
    const again = draftAgain(plan, state, clocks, { name: 'Again', startMs: plan.draft.startMs, lotIds: ['b'] });
    const built = buildPlan({ ...input(lots), draft: again }, HEAD).plan;
    const second = built?.steps.find((s) => s.kind === 'mordant');
    expect(second?.additions[0] && amountOf(second.additions[0])).toBeCloseTo(30, 9); // 12 % of 250 g
    const hold = second?.phases.find((p) => p.kind === 'hold');
    expect(hold?.kind === 'hold' && hold.minutes.typical).toBe(42);
  });
});

describe('the passport', () => {
  const entry = (kind: Treatment['kind'], certainty: Treatment['certainty'], atMs: number | null, id = `${kind}${atMs}`): Treatment => ({
    id,
    kind,
    certainty,
    substance: null,
    wofPct: { state: 'unknown' },
    atMs,
    note: '',
    from: { hand: true },
  });
  test('nothing known is unknown, not none', () => expect(foldPassport([]).state.mordant).toBe('unknown'));
  test('none on purpose is a statement of its own', () => expect(foldPassport([entry('mordant', 'noneOnPurpose', 1)]).state.mordant).toBe('noneOnPurpose'));
  test('a belief never overrules what was seen done', () =>
    expect(foldPassport([entry('mordant', 'known', 1), entry('mordant', 'believed', 2)]).state.mordant).toBe('known'));
  test('a later certainty replaces a belief', () =>
    expect(foldPassport([entry('mordant', 'believed', 1), entry('mordant', 'known', 2)]).state.mordant).toBe('known'));
  test('undated entries come first', () =>
    expect(foldPassport([entry('dye', 'known', 5), entry('scour', 'believed', null)]).treatments.map((t) => t.kind)).toEqual(['scour', 'dye']));
});
