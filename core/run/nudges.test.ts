import { describe, expect, test } from 'vitest';
import type { Reading } from '../hold/credit';
import type { Phase } from '../plan/phase';
import type { PlanStep } from '../plan/plan';
import { planned, step, wool } from '../plan/plan.fixture';
import type { Diary } from '../schedule/diary';
import { stepClock } from './clock';
import type { RunEvent, RunFact } from './events';
import { foldRun } from './fold';
import { type Nudge, runNudges } from './nudges';

/** Which calls each kind of phase makes, and when. Minutes from the start of the phase. */

const MIN = 60_000;
const plan = planned([wool('a', 100)]);
const span = (min: number, typical: number, max: number) => ({ min, typical, max });
const lift: Phase = { kind: 'lift', minutes: 10, act: 'Lift out' };
const ev = (atMin: number, fact: RunFact, id: string): RunEvent => ({ ...fact, id, atMs: atMin * MIN, recordedAtMs: atMin * MIN });

/** The calls of a step made of these phases, in its first one, `nowMin` after it began. */
const ALWAYS: Diary = { zone: 'UTC', wakeAt: '00:00', sleepAt: '24:00', away: [] };

function callsIn(
  phases: Phase[],
  nowMin: number,
  more: { step?: Partial<PlanStep>; facts?: [number, RunFact][]; readings?: Reading[]; diary?: Diary } = {},
): Nudge[] {
  const base = step(plan, 'dye');
  const own: PlanStep = { ...base, additions: [], after: [], lookAtMin: null, phaseTimes: [], ...more.step, phases };
  const log = [
    ev(0, { type: 'started', planVersion: 1 }, 'start'),
    ev(0, { type: 'phaseEntered', stepId: own.id, phaseIndex: 0 }, 'enter'),
    ...(more.facts ?? []).map(([atMin, fact], i) => ev(atMin, fact, `f${i}`)),
  ];
  const state = foldRun([own], log);
  const ownState = state.steps[own.id];
  if (!ownState) throw new Error('no state');
  const clocks = { [own.id]: stepClock(own, ownState, more.readings ?? [], nowMin * MIN) };
  return runNudges({ steps: [own], lots: plan.lots, draft: plan.draft, home: { ...plan.home, diary: more.diary ?? ALWAYS } }, state, clocks, nowMin * MIN);
}
const call = (calls: readonly Nudge[], act: Nudge['act']) => calls.find((one) => one.act === act);
const stepId = step(plan, 'dye').id;

describe('setting up', () => {
  const alum = step(plan, 'mordant').additions[0];
  if (!alum) throw new Error('no alum');
  const phases: Phase[] = [{ kind: 'charge', minutes: 10, act: 'In' }, lift];
  test('what is not in yet is called for at once, with its dose', () =>
    expect(call(callsIn(phases, 1, { step: { additions: [alum] } }), 'add')).toMatchObject({ dueMs: 0, text: 'Add 10 g potash alum', stop: false }));
  test('two that are due at once are two calls, each about its own', () => {
    const calls = callsIn(phases, 1, { step: { additions: [alum, { ...alum, id: 'second', name: 'cream of tartar' }] } }).filter(({ act }) => act === 'add');
    expect(calls.map(({ additionId }) => additionId)).toEqual([alum.id, 'second']);
    expect(new Set(calls.map(({ key }) => key)).size).toBe(2);
  });
  test('logged, it is not called for again', () => {
    const logged: RunFact = { type: 'addition', stepId, additionId: alum.id, substance: 'alum', amount: { state: 'unknown' }, unit: 'g' };
    expect(call(callsIn(phases, 2, { step: { additions: [alum] }, facts: [[1, logged]] }), 'add')).toBeUndefined();
  });
  test('then comes the next act in its own words', () => expect(call(callsIn(phases, 1), 'nextPhase')).toMatchObject({ dueMs: 10 * MIN, text: 'Lift out' }));
  test('alone it ends the step', () => expect(call(callsIn([{ kind: 'charge', minutes: 10, act: 'In' }], 1), 'finish')?.dueMs).toBe(10 * MIN));
});

describe('a pH that shall be somewhere', () => {
  const phases: Phase[] = [{ kind: 'charge', minutes: 20, act: 'In' }, lift];
  const aim = { phAim: { low: 4, high: 5 } };
  const read = (value: number): RunFact => ({ type: 'reading', stepId, quantity: 'ph', value });
  const vinegar: RunFact = { type: 'addition', stepId, additionId: null, substance: 'vinegar', amount: { state: 'estimated', value: 2.46 }, unit: 'mL' };
  const ph = (facts: [number, RunFact][], more: Phase[] = phases) => call(callsIn(more, 9, { step: aim, facts }), 'ph');
  test('it is called for before anything goes in', () => expect(ph([])).toMatchObject({ dueMs: 0, text: 'Measure the pH: aim 4 to 5', stop: false }));
  test('6.2 is not yet there, and what to do about it is said', () =>
    expect(ph([[2, read(6.2)]])).toMatchObject({ dueMs: 2 * MIN, text: expect.stringMatching(/^pH 6.2, not yet 4 to 5/) }));
  test('after an addition it is measured again', () =>
    expect(
      ph([
        [2, read(6.2)],
        [4, vinegar],
      ]),
    ).toMatchObject({ dueMs: 4 * MIN, text: 'Measure the pH again: aim 4 to 5' }));
  test('a reading a second ahead of this clock is due now', () => expect(ph([[9.01, read(3.4)]])?.dueMs).toBe(9 * MIN));
  test('by a clock that has not ticked since the step began, what is to go in comes before what the reading said', () => {
    const alum = step(plan, 'mordant').additions[0];
    if (!alum) throw new Error('no alum');
    const calls = callsIn(phases, -0.01, { step: { ...aim, additions: [alum] }, facts: [[0.005, read(6.2)]] });
    expect(calls.map(({ act }) => act).slice(0, 2)).toEqual(['add', 'ph']);
  });
  test('3.4 is overshot', () => expect(ph([[5, read(3.4)]])?.text).toContain('overshot'));
  test('4.0 is in range: nothing more is asked', () => expect(ph([[5, read(4)]])).toBeUndefined());
  test('who goes on is not asked any more', () => expect(ph([], [lift])).toBeUndefined());
  test('where no aim is set nobody asks', () => expect(call(callsIn(phases, 9), 'ph')).toBeUndefined());
});

test('a steamer’s water is called as often as the plan says, not every twenty minutes', () => {
  const steam: Phase = { kind: 'hold', bandC: [95, 102], ceilingC: 105, minutes: span(60, 60, 60), stirEveryMin: null, flipAtMin: 30 };
  expect(call(callsIn([steam, lift], 1, { step: { lookInMin: 12 } }), 'check')).toMatchObject({
    dueMs: 12 * MIN,
    text: 'Look at the steamer’s water: top it up hot',
  });
  expect(call(callsIn([steam, lift], 1), 'check')?.dueMs).toBe(20 * MIN);
  expect(
    planned([wool('a', 30)], { chain: [{ id: 'b', methodId: 'bundle-steam', params: {}, dyestuffId: 'weld' }] }).steps.map((one) => one.lookInMin ?? null),
  ).toEqual([null, expect.any(Number), null]);
});

describe('heating up', () => {
  const hold: Phase = { kind: 'hold', bandC: [70, 80], ceilingC: 82, minutes: span(60, 60, 60), stirEveryMin: 10, flipAtMin: 30 };
  test('when the probe is silent it asks for a look at the planned time', () =>
    expect(call(callsIn([{ kind: 'raise', toC: 75, maxRateCPerMin: 1, minutes: 55 }, hold], 5), 'nextPhase')).toMatchObject({
      dueMs: 55 * MIN,
      text: 'Should be at 75 °C: read it, start the hold',
    }));
  test('with no temperature anybody knows it asks the hand', () =>
    expect(call(callsIn([{ kind: 'raise', toC: null, maxRateCPerMin: null, minutes: 20 }, hold], 5), 'nextPhase')?.text).toBe('Hot enough? Start the hold'));

  describe('the hold', () => {
    const at = (c: number): Reading[] => Array.from({ length: 21 }, (_, i) => ({ atMs: i * MIN, bathC: c }));
    test('the load is turned over once, at its minute', () => {
      expect(call(callsIn([hold, lift], 20, { readings: at(75) }), 'flip')?.dueMs).toBe(30 * MIN);
      expect(call(callsIn([hold, lift], 20, { readings: at(75), facts: [[15, { type: 'flipped', stepId }]] }), 'flip')).toBeUndefined();
    });
    test('an early look is asked for until somebody looked', () => {
      expect(call(callsIn([hold], 5, { step: { lookAtMin: 15 } }), 'check')).toMatchObject({ dueMs: 15 * MIN, stop: false });
      const looked: RunFact = { type: 'checked', stepId, finding: 'takes well' };
      expect(call(callsIn([hold], 16, { step: { lookAtMin: 15 }, facts: [[15, looked]] }), 'check')).toBeUndefined();
    });
    test('too hot is red and first; warm is not', () => {
      expect(callsIn([hold], 20, { readings: at(83) })[0]).toMatchObject({ act: 'tooHot', stop: true });
      expect(call(callsIn([hold], 20, { readings: at(80) }), 'tooHot')).toBeUndefined();
    });
    test('cold minutes push its end away', () => {
      const warm = call(callsIn([hold], 20, { readings: at(75) }), 'finish')?.dueMs ?? 0;
      const cold = call(callsIn([hold], 20, { readings: at(50) }), 'finish')?.dueMs ?? 0;
      expect(cold - warm).toBeCloseTo(20 * MIN, -3);
    });
    test('at its end the heat goes off', () => expect(call(callsIn([hold], 20), 'finish')?.text).toBe('Hold is full: heat off'));
  });
});

describe('a dip is exact', () => {
  const dip: Phase[] = [{ kind: 'dip', exactMin: 3, act: 'Into the iron' }];
  test.each([
    [2.9, false],
    [3, false],
    [3.1, true],
  ])('at %d min: red %s', (nowMin, stop) => expect(call(callsIn(dip, nowMin), 'dip')).toMatchObject({ dueMs: 3 * MIN, text: 'Lift now', stop }));
});

describe('soaks, waits and rests', () => {
  test('a soak is looked at every so often, counted from the last look', () => {
    const soak: Phase[] = [{ kind: 'soak', minutes: span(60, 120, 1440), checkEveryMin: 30 }];
    expect(call(callsIn(soak, 10), 'check')?.dueMs).toBe(30 * MIN);
    expect(call(callsIn(soak, 40, { facts: [[35, { type: 'checked', stepId, finding: 'paler' }]] }), 'check')?.dueMs).toBe(65 * MIN);
  });
  test('a soak nobody needs to look at does not call', () =>
    expect(call(callsIn([{ kind: 'soak', minutes: span(60, 120, 1440), checkEveryMin: null }], 10), 'check')).toBeUndefined());
  test('a wait asks whether it is so far; a jar opened daily says how to open it', () => {
    const wait: Phase[] = [{ kind: 'until', minutes: span(1440, 7200, 20_160), checkEveryMin: 1440, criterion: 'two shades darker than wanted' }];
    expect(call(callsIn(wait, 10), 'check')).toMatchObject({ dueMs: 1440 * MIN, text: 'Look: two shades darker than wanted?' });
    expect(call(callsIn(wait, 10, { step: { lid: 'openedDaily' } }), 'check')?.text).toMatch(/^Open it away from your face\./);
  });
  test('T71: looks at 48 h and 72 h do not end a cold bundle', () => {
    const bundle: Phase[] = [{ kind: 'until', minutes: span(1440, 5880, 20_160), checkEveryMin: 1440, criterion: 'dark enough' }];
    const peek = (h: number): [number, RunFact] => [h * 60, { type: 'checked', stepId, finding: 'not yet' }];
    const calls = callsIn(bundle, 73 * 60, { facts: [peek(48), peek(72)] });
    expect(call(calls, 'check')?.dueMs).toBe(96 * 60 * MIN);
    expect(call(calls, 'finish')).toBeDefined();
  });
  // Minute 0 is midnight in UTC; whatever the plan had wished, the rest is reckoned from when it really began.
  test.each([
    ['its usual time after it began', [60, 480, 1440], ['00:00', '24:00'], 480],
    ['the morning after its usual time, within its most', [60, 300, 1440], ['07:00', '22:00'], 420],
    ['before they go to bed, when the morning would be too late', [30, 90, 120], ['23:00', '01:00'], 60],
    ['its usual time, when nobody can be there between least and most', [60, 90, 120], ['07:00', '22:00'], 90],
  ] as const)('a rest ends at %s', (_what, [min, typical, max], [wakeAt, sleepAt], dueMin) => {
    const rest: Phase[] = [{ kind: 'rest', minutes: span(min, typical, max), overnightOk: true }];
    const phaseTimes = [{ fromMs: 0, toMs: 5000 * MIN }];
    expect(call(callsIn(rest, 10, { step: { phaseTimes }, diary: { ...ALWAYS, wakeAt, sleepAt } }), 'finish')?.dueMs).toBe(dueMin * MIN);
  });
  test('on the heat somebody is called to look in every 20 min, when stirring does not', () => {
    const hold: Phase[] = [{ kind: 'hold', bandC: null, ceilingC: null, minutes: span(90, 90, 90), stirEveryMin: null, flipAtMin: null }];
    expect(call(callsIn(hold, 5), 'check')).toMatchObject({ dueMs: 20 * MIN, text: expect.stringContaining('Look in') });
    expect(call(callsIn(hold, 30, { facts: [[22, { type: 'checked', stepId, finding: '' }]] }), 'check')?.dueMs).toBe(42 * MIN);
    expect(call(callsIn([{ ...hold[0], stirEveryMin: 10 } as Phase], 5), 'check')).toBeUndefined();
  });
});

describe('what comes next is said as an act', () => {
  const charge: Phase = { kind: 'charge', minutes: 5, act: 'In' };
  test.each<[Phase, string]>([
    [{ kind: 'raise', toC: 85, maxRateCPerMin: 1, minutes: 60 }, 'Heat on, up to 85 °C'],
    [{ kind: 'raise', toC: null, maxRateCPerMin: null, minutes: 60 }, 'Heat on'],
    [{ kind: 'hold', bandC: null, ceilingC: null, minutes: span(1, 1, 1), stirEveryMin: null, flipAtMin: null }, 'Start the hold'],
    [{ kind: 'soak', minutes: span(1, 1, 1), checkEveryMin: null }, 'Leave it to soak'],
    [{ kind: 'rest', minutes: span(1, 1, 1), overnightOk: true }, 'Heat off and unplugged, leave it to rest'],
    [{ kind: 'dip', exactMin: 3, act: 'Into the iron' }, 'Into the iron'],
  ])('%j', (next, text) => expect(call(callsIn([charge, next], 1), 'nextPhase')?.text).toBe(text));
});

test('a run that has not begun, and one that is over, call nobody', () => {
  const own = step(plan, 'scour');
  expect(runNudges(plan, foldRun(plan.steps, []), {}, 0)).toEqual([]);
  const over = [
    ev(0, { type: 'started', planVersion: 1 }, 'a'),
    ev(1, { type: 'phaseEntered', stepId: own.id, phaseIndex: 0 }, 'b'),
    ev(2, { type: 'finished' }, 'c'),
  ];
  expect(runNudges(plan, foldRun(plan.steps, over), {}, 3 * MIN)).toEqual([]);
});

describe('heat on, and nobody there', () => {
  const dye = step(plan, 'dye');
  const hold = dye.phases.findIndex(({ kind }) => kind === 'hold');
  const log = [ev(0, { type: 'started', planVersion: 1 }, 's'), ev(1, { type: 'phaseEntered', stepId: dye.id, phaseIndex: hold }, 'h')];
  const asked = (events: RunEvent[], nowMin: number, home = plan.home) => {
    const state = foldRun(plan.steps, events);
    const clocks = Object.fromEntries(
      plan.steps.flatMap((one) => {
        const own = state.steps[one.id];
        return own ? [[one.id, stepClock(one, own, [], nowMin * MIN)] as const] : [];
      }),
    );
    return runNudges({ ...plan, home }, state, clocks, nowMin * MIN).find(({ act }) => act === 'attend');
  };
  test('asked after 45 min without a touch, louder after half as long again', () => {
    expect(asked(log, 45)).toBeUndefined();
    expect(asked(log, 46)).toMatchObject({ stop: false, dueMs: 46 * MIN, text: expect.stringContaining('Turn it off if you leave') });
    expect(asked(log, 69)).toMatchObject({ stop: true });
  });
  test('any act is a touch, also one that is set back or taken back', () => {
    const note: RunEvent = { ...ev(10, { type: 'note', stepId: null, text: 'x' }, 'n'), recordedAtMs: 40 * MIN };
    expect(asked([...log, note], 60)).toBeUndefined();
    expect(asked([...log, note], 85)).toBeDefined();
  });
  test('as long as the dyer chose, or never; not with the heat off', () => {
    expect(asked(log, 22, { ...plan.home, attendMin: 20 })).toBeDefined();
    expect(asked(log, 300, { ...plan.home, attendMin: null })).toBeUndefined();
    expect(asked([...log, ev(2, { type: 'paused', stepId: dye.id, reason: '' }, 'p')], 200)).toBeUndefined();
  });
});

test('the call of a dip comes when its countdown is over: a pause stands still in both', () => {
  const dip: Phase = { kind: 'dip', exactMin: 3, act: 'Goods in' };
  const facts: [number, RunFact][] = [
    [1, { type: 'paused', stepId: step(plan, 'dye').id, reason: 'door' }],
    [3, { type: 'resumed', stepId: step(plan, 'dye').id }],
  ];
  expect(callsIn([dip, lift], 4, { facts }).find(({ act }) => act === 'dip')).toMatchObject({ dueMs: 5 * MIN, stop: false });
});

describe('a call that waits', () => {
  const hold: Phase = { kind: 'hold', bandC: [70, 80], ceilingC: 90, minutes: span(60, 60, 60), stirEveryMin: 10, flipAtMin: 30 };
  const off = (atMin: number, which: 'stir' | 'flip' | 'nextPhase', untilMin: number): [number, RunFact] => [
    atMin,
    { type: 'callPutOff', stepId, call: which, untilMs: untilMin * MIN },
  ];
  const go = (atMin: number, which: 'stir' | 'flip' | 'check'): [number, RunFact] => [atMin, { type: 'callLetGo', stepId, call: which }];

  test('put off, it is due later under another name, so that it rings anew; once it was done the next is due at its own time', () => {
    const before = call(callsIn([hold, lift], 12), 'stir');
    const after = call(callsIn([hold, lift], 12, { facts: [off(11, 'stir', 16)] }), 'stir');
    expect([before?.dueMs, after?.dueMs]).toEqual([10 * MIN, 16 * MIN]);
    expect(after?.key).not.toBe(before?.key);
    expect(call(callsIn([hold, lift], 17, { facts: [off(11, 'stir', 16), [16, { type: 'stirred', stepId }]] }), 'stir')?.dueMs).toBe(26 * MIN);
  });
  test('put off to a moment before it is due, nothing changes; the last word counts', () => {
    expect(call(callsIn([hold, lift], 12, { facts: [off(5, 'stir', 8)] }), 'stir')?.dueMs).toBe(10 * MIN);
    expect(call(callsIn([hold, lift], 14, { facts: [off(11, 'stir', 40), off(12, 'stir', 14)] }), 'stir')?.dueMs).toBe(14 * MIN);
  });
  test('let go, a stir comes round again, a turning does not, and nothing of it was done', () => {
    expect(call(callsIn([hold, lift], 12, { facts: [go(11, 'stir')] }), 'stir')?.dueMs).toBe(21 * MIN);
    expect(call(callsIn([hold, lift], 32), 'flip')?.dueMs).toBe(30 * MIN);
    expect(call(callsIn([hold, lift], 32, { facts: [go(31, 'flip')] }), 'flip')).toBeUndefined();
    const soak: Phase = { kind: 'soak', minutes: span(600, 600, 900), checkEveryMin: 60 };
    expect(call(callsIn([soak, lift], 65, { facts: [go(62, 'check')] }), 'check')?.dueMs).toBe(122 * MIN);
  });
  test('what stops is not put off, whatever the log says of its like', () => {
    const hot = {
      readings: [{ atMs: 20 * MIN, bathC: 95 }],
      facts: [[20, { type: 'callPutOff', stepId, call: 'nextPhase', untilMs: 500 * MIN }] as [number, RunFact]],
    };
    expect(call(callsIn([hold, lift], 21, hot), 'tooHot')).toMatchObject({ dueMs: 20 * MIN, stop: true });
  });
});

test('what steeps for days is looked at at the hour the dyer likes', () => {
  const steep: Phase[] = [{ kind: 'until', minutes: span(1440, 7200, 43_200), checkEveryMin: 1440, criterion: 'no deeper than yesterday' }, lift];
  const home = { ...plan.home, lookAt: '18:00', diary: { ...ALWAYS } };
  const own: PlanStep = { ...step(plan, 'dye'), additions: [], after: [], lookAtMin: null, phaseTimes: [], phases: steep };
  // Begun at three in the afternoon of the first day of 1970, UTC.
  const atMs = 15 * 60 * MIN;
  const log = [ev(900, { type: 'started', planVersion: 1 }, 's'), ev(900, { type: 'phaseEntered', stepId: own.id, phaseIndex: 0 }, 'e')];
  const state = foldRun([own], log);
  const clock = { [own.id]: stepClock(own, state.steps[own.id] as NonNullable<(typeof state.steps)[string]>, [], atMs) };
  const looks = (of: typeof home) => call(runNudges({ steps: [own], lots: plan.lots, draft: plan.draft, home: of }, state, clock, atMs), 'check')?.dueMs;
  expect(looks(home)).toBe((24 + 18) * 60 * MIN);
  expect(looks({ ...home, lookAt: null } as unknown as typeof home)).toBe((24 + 15) * 60 * MIN);
});

describe('a paste', () => {
  const mix: Phase = { kind: 'charge', minutes: 20, act: 'Mix' };
  const at = (bathC: number) => callsIn([mix], 5, { step: { kind: 'paste' }, readings: [{ atMs: 4 * MIN, bathC }] }).filter(({ act }) => act === 'tooHot');
  test('is never heated, and on a hot day it is warm', () => {
    expect(at(35)).toEqual([]);
    expect(at(60)).toMatchObject([{ text: '60 °C: a paste is never heated. Let it cool' }]);
  });
});
