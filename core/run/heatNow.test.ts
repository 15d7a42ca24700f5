import { describe, expect, test } from 'vitest';
import { METRIC } from '../measure/measures';
import { printer } from '../measure/printer';
import { planned, step, wool } from '../plan/plan.fixture';
import type { RunEvent, RunFact } from './events';
import { foldRun } from './fold';
import { heatHistory, heatSettings } from './heatHistory';
import { heatLines, turnDownText } from './heatText';
import { runNow } from './runNow';

const MIN = 60_000;
const plan = planned([wool('a', 100)]);
const dye = step(plan, 'dye');
const vesselId = dye.vesselId ?? '';
const raise = dye.phases.findIndex(({ kind }) => kind === 'raise');
const hold = dye.phases.findIndex(({ kind }) => kind === 'hold');
const ev = (atMin: number, fact: RunFact): RunEvent => ({ ...fact, id: `${atMin} ${JSON.stringify(fact)}`, atMs: atMin * MIN, recordedAtMs: atMin * MIN });
const started = [ev(-1, { type: 'started', planVersion: 1 }), ev(0, { type: 'phaseEntered', stepId: dye.id, phaseIndex: raise })];
/** Newton's pot: from 20 °C towards `endC` with an hour's time constant. */
const rising = (toMin: number, endC: number) => ({
  [vesselId]: Array.from({ length: toMin * 2 + 1 }, (_, i) => ({ atMs: i * 0.5 * MIN, bathC: endC + (20 - endC) * Math.exp(-i / 120) })),
});
const at = (events: readonly RunEvent[], min: number, endC = 120) => runNow(plan, events, rising(min, endC), min * MIN);
const settings = (events: readonly RunEvent[]) => {
  const own = foldRun(plan.steps, events).steps[dye.id];
  const clock = runNow(plan, events, {}, 60 * MIN).clocks[dye.id];
  if (!own || !clock) throw new Error('no step');
  return heatSettings(dye, own, clock, [], 10).map(({ atMs, name, hasLid }) => [atMs / MIN, name, hasLid]);
};

describe('how a pot stood, from its log', () => {
  const lid = dye.lid !== 'none';
  test('heat comes with its phase, goes with a pause and comes again', () =>
    expect(settings([...started, ev(10, { type: 'paused', stepId: dye.id, reason: '' }), ev(20, { type: 'resumed', stepId: dye.id })])).toEqual([
      [0, 'raise', lid],
      [10, null, lid],
      [20, 'raise', lid],
    ]));
  test('a knob is a setting by its number, whatever the phase; nought is off; nobody’s number is a setting of its own', () =>
    expect(
      settings([
        ...started,
        ev(1, { type: 'heatSet', stepId: dye.id, knob: 9, hasLid: true }),
        ev(20, { type: 'phaseEntered', stepId: dye.id, phaseIndex: hold }),
        ev(21, { type: 'heatSet', stepId: dye.id, knob: null, hasLid: null }),
        ev(30, { type: 'heatSet', stepId: dye.id, knob: null, hasLid: false }),
        ev(40, { type: 'heatSet', stepId: dye.id, knob: 0, hasLid: null }),
      ]),
    ).toEqual([
      [0, 'raise', lid],
      [1, 'knob 9', true],
      [20, 'knob 9', true],
      [21, 'setting 1', true],
      [30, 'setting 1', false],
      [40, null, false],
    ]));
  test('without a word of the knob, a hold may have another heat than the way up', () =>
    expect(settings([...started, ev(20, { type: 'phaseEntered', stepId: dye.id, phaseIndex: hold })]).at(-1)).toEqual([20, 'hold', lid]));
});

describe('how full a pot is, by its balance', () => {
  const scour = step(plan, 'scour');
  const litresOf = (facts: readonly [number, RunFact][]) => {
    const log = [ev(-1, { type: 'started', planVersion: 1 }), ...facts.map(([min, fact]) => ev(min, fact))];
    const { state, clocks } = runNow(plan, log, {}, 60 * MIN);
    const [own, clock] = [state.steps[scour.id], clocks[scour.id]];
    const read = Array.from({ length: 10 }, (_, i) => ({ atMs: (10 + i) * MIN, bathC: 30 + i }));
    return own && clock ? heatHistory(plan, state, scour, own, clock, read, null, 60 * MIN)?.settings.map(({ litres }) => litres) : undefined;
  };
  const water = (additionId: string | null, mL: number): RunFact => ({
    type: 'addition',
    stepId: scour.id,
    additionId,
    substance: 'water',
    amount: { state: 'measured', value: mL },
    unit: 'mL',
  });
  const heated: [number, RunFact][] = [
    [0, { type: 'phaseEntered', stepId: scour.id, phaseIndex: 0 }],
    [5, { type: 'phaseEntered', stepId: scour.id, phaseIndex: scour.phases.findIndex(({ kind }) => kind === 'raise') }],
  ];
  test('the water of the plan, logged as it went in, is counted once', () => expect(litresOf([...heated, [1, water('water', 3000)]])?.at(-1)).toBe(3));
  test('a top-up is more, a reading is what it is', () => {
    expect(litresOf([...heated, [1, water('water', 3000)], [12, water(null, 500)]])?.at(-1)).toBeCloseTo(3.5, 1);
    expect(litresOf([...heated, [1, water('water', 3000)], [12, { type: 'reading', stepId: scour.id, quantity: 'volumeMl', value: 2600 }]])?.at(-1)).toBe(2.6);
  });
});

describe('what a pot will do', () => {
  test('too little was read: nothing is said', () => {
    expect(at(started, 1).heat).toEqual({});
    expect(runNow(plan, started, {}, 20 * MIN).heat).toEqual({});
  });
  test('on its way: when it is in the band, and when to turn down, which is called', () => {
    const now = at(started, 20);
    const heat = now.heat[dye.id];
    // 120 − 100 e^(−t/60) is 70 °C after 41.6 min: 21.6 from here.
    expect(heat?.toBand?.likely).toBeGreaterThan(19);
    expect(heat?.toBand?.likely).toBeLessThan(24);
    expect(heat?.toBand?.low).toBeLessThanOrEqual(heat?.toBand?.likely ?? 0);
    expect(heat?.turnDown?.inMin).toBeGreaterThan(15);
    expect(heat?.turnDown?.knob).toBeNull();
    const call = now.nudges.find(({ act }) => act === 'turnDown');
    expect(call?.dueMs).toBeCloseTo((20 + (heat?.turnDown?.inMin ?? 0)) * MIN, 0);
    expect(call?.text).toMatch(/^Turn down (?:to about .*of this heat|a little)$/);
    expect(call?.text).not.toMatch(/now|min/);
  });
  test('with a knob the call names a number, at least half a step less', () => {
    const heat = at([...started, ev(0, { type: 'heatSet', stepId: dye.id, knob: 9, hasLid: null })], 20).heat[dye.id];
    expect(heat?.turnDown?.knob).toBeLessThanOrEqual(8.5);
    expect(((heat?.turnDown?.knob ?? 0.3) * 2) % 1).toBe(0);
  });
  test('too weak a heat: it is said where it stops', () => {
    const { heat } = at(started, 60, 55);
    expect(heat[dye.id]?.toBand).toBeNull();
    expect(heat[dye.id]?.stopsAtC).toBeGreaterThan(50);
    expect(heat[dye.id]?.stopsAtC).toBeLessThan(62);
  });
  test('a reading of long ago foretells nothing', () => expect(runNow(plan, started, rising(20, 120), 60 * MIN).heat).toEqual({}));
});

describe('in words', () => {
  const print = printer(METRIC, 'UTC');
  const base = {
    asOfMs: 0,
    toBand: null,
    stopsAtC: null,
    hasLid: false,
    inTenC: { low: 74, likely: 75, high: 76 },
    turnDown: null,
    leaves: null,
    handWarm: null,
    gonePerHourMl: { low: 0, likely: 0, high: 0 },
    curve: [],
    isBadly: false,
  };
  const band = [70, 80] as const;
  test('time to the band counts from when it is read, with its range', () =>
    expect(heatLines({ ...base, toBand: { low: 10.2, likely: 12.4, high: 14.4 } }, band, print, 2 * MIN)).toEqual(['70 °C in about 10 min (8–12)']));
  test('a range without an end says its least', () =>
    expect(heatLines({ ...base, toBand: { low: 10, likely: 12, high: null } }, band, print, 0)).toEqual(['70 °C in about 12 min (10 at the least)']));
  test('in the band, and what leaves it', () => {
    expect(heatLines(base, band, print, 0)).toEqual(['Stays in its band like this']);
    expect(heatLines({ ...base, leaves: { where: 'below', inMin: { low: 20, likely: 25, high: 40 } } }, band, print, 0)[0]).toBe(
      'below 70 °C in about 25 min (20–40): a little more heat',
    );
  });
  test('water that goes is said in round figures, once it is worth a top-up', () => {
    const gone = (likely: number, hasLid: boolean) => heatLines({ ...base, hasLid, gonePerHourMl: { low: likely, likely, high: likely } }, band, print, 0);
    expect(gone(437, false)).toContain('About 400 mL an hour goes off as steam: a lid keeps most of it');
    expect(gone(437, true)).toContain('About 400 mL an hour goes off as steam');
    // 4 L, of which 0.4 L go off in 60 min at 400 mL an hour.
    const of = (bathMl: number | null, likely: number) =>
      heatLines({ ...base, hasLid: true, gonePerHourMl: { low: likely, likely, high: likely } }, band, print, 0, bathMl).at(-1);
    expect(of(4000, 400)).toBe('About 400 mL an hour goes off as steam: a tenth of the bath in about 1 h, top up hot by then');
    expect(of(40_000, 400)).toBe('About 400 mL an hour goes off as steam');
    expect(gone(99, false)).toEqual(['Stays in its band like this']);
  });
  test('a lid that is on is not asked for', () =>
    expect(heatLines({ ...base, stopsAtC: 61.4, hasLid: true }, band, print, 0)).toEqual(['It stops at about 61 °C like this: more heat']));
  test('where it stops, and where it is no lumped body', () =>
    expect(heatLines({ ...base, stopsAtC: 61.4, isBadly: true }, band, print, 0)).toEqual([
      'It stops at about 61 °C like this: more heat, or a lid',
      'It does not heat as one body: take this as a guess',
    ]));
  test.each([
    [{ knob: 3, toShare: 0.3 }, 'Turn down to 3'],
    [{ knob: 0, toShare: 0.02 }, 'Turn it off'],
    [{ knob: null, toShare: 0.35 }, 'Turn down to about a third of this heat'],
    [{ knob: null, toShare: 0.95 }, 'Turn down a little'],
  ])('%j: %s', (down, says) => expect(turnDownText(down)).toBe(says));
});
