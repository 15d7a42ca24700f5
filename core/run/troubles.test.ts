import { describe, expect, test } from 'vitest';
import { measured } from '../figure';
import { mixedC } from '../heat/potModel';
import { METRIC } from '../measure/measures';
import { printer } from '../measure/printer';
import { CHAIN, planned, SATURDAY_9, step, wool, ZONE } from '../plan/plan.fixture';
import { TAP_C } from '../plan/resolvePhases';
import type { RunEvent, RunFact } from './events';
import { latenessMin } from './lateness';
import { type Moment, type SaidTrouble, troublesAt } from './otherwise';
import { runNow } from './runNow';
import { troubleSaid } from './troublesSaid';
import { troublesSeen } from './troublesSeen';

const MIN = 60_000;
const plan = planned([wool('a', 100)]);
const dye = step(plan, 'dye');
const mordant = step(plan, 'mordant');
const print = printer(METRIC, ZONE);
let serial = 0;

/** The dyebath as it stands so many minutes after its hold began at `fromMs`, read at `c`. */
function moment(heldMin: number, c: number | null, fromMs = dye.startMs, more: readonly RunFact[] = []): Moment {
  const at = (min: number, fact: RunFact): RunEvent => ({ ...fact, id: `e${++serial}`, atMs: fromMs + min * MIN, recordedAtMs: fromMs + min * MIN });
  const hold = dye.phases.findIndex(({ kind }) => kind === 'hold');
  const events = [
    at(-60, { type: 'started', planVersion: 1 }),
    ...plan.steps
      .filter((one) => one.startMs < dye.startMs)
      .flatMap(({ id }) => [at(-50, { type: 'phaseEntered', stepId: id, phaseIndex: 0 }), at(-40, { type: 'stepFinished', stepId: id })]),
    at(-20, { type: 'phaseEntered', stepId: dye.id, phaseIndex: 0 }),
    at(-19, { type: 'reading', stepId: dye.id, quantity: 'volumeMl', value: 3000 }),
    at(0, { type: 'phaseEntered', stepId: dye.id, phaseIndex: hold }),
    ...(c === null ? [] : [at(heldMin, { type: 'reading', stepId: dye.id, quantity: 'bathC', value: c })]),
    ...more.map((fact) => at(heldMin, fact)),
  ];
  const nowMs = fromMs + heldMin * MIN;
  const { state, clocks, heat } = runNow(plan, events, {}, nowMs);
  return { plan, state, clocks, heat, nowMs, lateMin: latenessMin(plan, state, clocks, nowMs), print };
}
const seen = (...of: Parameters<typeof moment>) => troublesSeen(moment(...of));
const titles = (trouble: SaidTrouble, of = dye) => troubleSaid(trouble, of, moment(10, 75)).choices.map(({ title }) => title);

describe('above the ceiling', () => {
  const [hot] = seen(10, 90);
  test('is put first, with what it reads and what its limit is', () => {
    expect(hot).toMatchObject({ trouble: 'tooHot', stepId: dye.id });
    expect(hot?.says).toBe('90 °C, above its limit of 82.2 °C.');
    expect(hot?.choices.map(({ title }) => title.replace(/about .* of/, 'about … of'))).toEqual([
      'Turn it down, lid off',
      'Pour in about … of cold water',
      'Lift the goods until it has come down',
    ]);
  });
  test('the water said does bring it to the middle of its band', () => {
    const pour = hot?.choices[1]?.does;
    const water = pour && 'log' in pour ? pour.log[0] : undefined;
    const mL = water?.type === 'addition' && water.amount.state === 'estimated' ? water.amount.value : Number.NaN;
    // Energy balance over both waters; 75 °C is the middle of 70 to 80.
    expect(Math.abs(mixedC(3000, 90, mL, TAP_C) - 75)).toBeLessThan(0.3);
    expect(hot?.choices[1]?.price).toContain(`${Math.round((mL / (3000 + mL)) * 100)} % thinner`);
    expect(hot?.choices[1]?.price).toContain('wool minds a sudden drop');
  });
  test('at the limit itself nothing is said', () => expect(seen(10, 82.2).some(({ trouble }) => trouble === 'tooHot')).toBe(false));
});

describe('short of time before bed', () => {
  const sleepMs = plan.absences[0]?.fromMs ?? Number.NaN;
  const bedIn = (min: number) => seen(20, 75, sleepMs - (20 + min) * MIN).filter(({ trouble }) => trouble === 'bedtime');
  test('the hold wants more than there is: heat off, enough, or staying up, each with its price', () => {
    const [bed] = bedIn(15);
    expect(bed?.says).toMatch(/^The hold wants \d+ min more, and you are there until 22:30\.$/);
    expect(bed?.choices.map(({ does }) => ('log' in does ? does.log[0]?.type : ''))).toEqual(['paused', 'stepFinished', 'note']);
    expect(bed?.choices[2]?.price).toMatch(/Costs you \d+ min/);
    expect(bed?.choices[0]?.price).toContain('heating up');
  });
  test('where it is done in time nothing is said', () => expect(bedIn(60)).toEqual([]));
});

test('late: what it costs to fit the rest, and to leave the plan', () => {
  const [late, ...others] = seen(80, 75, dye.startMs + 120 * MIN).filter(({ trouble }) => trouble === 'late');
  expect(others).toEqual([]);
  expect(late?.choices.map(({ title }) => title)).toEqual(['Fit the rest from now', 'Leave the plan']);
  expect(late?.choices[0]?.does).toMatchObject({ replan: expect.stringMatching(/behind the plan$/) });
  expect(seen(10, 75).some(({ trouble }) => trouble === 'late')).toBe(false);
});

describe('what a person says', () => {
  test('is asked only where it can be', () => {
    expect(troublesAt(dye)).toEqual(['boiledOver', 'nothingTakes', 'forgotten']);
    expect(troublesAt(mordant)).toEqual(['boiledOver', 'missing', 'forgotten']);
    expect(troublesAt({ ...dye, phases: [], treatment: 'dry' })).toEqual(['forgotten']);
  });
  test('each has two or three things to do, with a price', () => {
    for (const trouble of ['boiledOver', 'nothingTakes', 'missing', 'forgotten'] as const) {
      const { choices } = troubleSaid(trouble, dye, moment(10, 75));
      expect(choices.length).toBeGreaterThanOrEqual(2);
      for (const { price } of choices) expect(price).toMatch(/\.$/);
    }
  });
  test('nothing takes: the strip first; what cannot be mordanted in mid-bath is taken as it is', () => {
    expect(titles('nothingTakes')).toEqual(['Read a strip', '30 min longer, at the top of its band', 'Lift all, mordant them, and back in']);
    expect(titles('nothingTakes', mordant).at(-1)).toBe('Take it as it is');
  });
  test('half an hour longer puts off what ends the hold, to half an hour after its end', () => {
    const now = moment(10, 75);
    const { does } = troubleSaid('nothingTakes', dye, now).choices[1] ?? {};
    const leftMin = now.clocks[dye.id]?.current?.leftMin ?? Number.NaN;
    expect(leftMin).toBeGreaterThan(0);
    expect(does).toMatchObject({
      log: [{ type: 'checked' }, { type: 'callPutOff', call: 'finish', untilMs: Math.round(now.nowMs + (leftMin + 30) * MIN) }],
    });
  });
  test('what is missing is left out by name, and the log says so', () => {
    const fromMs = mordant.startMs;
    const event = (id: string, fact: RunFact): RunEvent => ({ ...fact, id, atMs: fromMs, recordedAtMs: fromMs });
    const events = [event('s', { type: 'started', planVersion: 1 }), event('m', { type: 'phaseEntered', stepId: mordant.id, phaseIndex: 0 })];
    const { state, clocks, heat } = runNow(plan, events, {}, fromMs + MIN);
    const now: Moment = { plan, state, clocks, heat, nowMs: fromMs + MIN, lateMin: 0, print };
    const [first] = troubleSaid('missing', mordant, now).choices;
    expect(first?.title).toBe('Go on without potash alum');
    expect(first?.price).toContain('pale and wash out');
    expect(first?.does).toMatchObject({ log: [{ type: 'addition', substance: 'alum', amount: measured(0) }] });
  });
  test('what boiled over is topped up by nobody knows how much', () => {
    const [first] = troubleSaid('boiledOver', dye, moment(10, 75)).choices;
    expect(first?.does).toMatchObject({ log: [{ type: 'checked' }, { type: 'addition', substance: 'water', amount: { state: 'unknown' } }] });
  });
});

describe('before a modifier', () => {
  const chain = (methodId: string) => [...CHAIN.slice(0, 5), { id: 'm', methodId, params: {}, dyestuffId: null }];
  const at = (methodId: string, ...more: readonly string[]) => {
    const own = planned([wool('a', 100)], { chain: chain(methodId) });
    const dip = step(own, 'modifier');
    const event = (id: string, fact: RunFact, ms = 0): RunEvent => ({ ...fact, id, atMs: dip.startMs + ms, recordedAtMs: dip.startMs + ms });
    const events = [
      event('s', { type: 'started', planVersion: 1 }),
      event('m', { type: 'phaseEntered', stepId: dip.id, phaseIndex: 0 }),
      ...more.map((finding, i) => event(`c${i}`, { type: 'checked', stepId: dip.id, finding }, i + 1)),
    ];
    const nowMs = dip.startMs + MIN;
    const { state, clocks, heat } = runNow(own, events, {}, nowMs);
    return troublesSeen({ plan: own, state, clocks, heat, nowMs, lateMin: 0, print });
  };
  const log = (found: ReturnType<typeof at>, nth: number) => {
    const does = found[0]?.choices[nth]?.does;
    const fact = does && 'log' in does ? does.log[0] : undefined;
    return fact?.type === 'checked' ? fact.finding : '';
  };
  test('in the dyebath both schools are put side by side; then a control is asked for; answered, nothing more is', () => {
    const first = at('mod-alkali-bath');
    expect(first.map(({ trouble }) => trouble)).toEqual(['school']);
    expect(first[0]?.choices.map(({ title }) => title)).toEqual(['Into the dyebath', 'As an after-bath']);
    const second = at('mod-alkali-bath', log(first, 0));
    expect(second.map(({ trouble }) => trouble)).toEqual(['control']);
    for (const nth of [0, 1, 2]) expect(at('mod-alkali-bath', log(first, 0), log(second, nth))).toEqual([]);
  });
  test('a bath of its own is asked for its control alone', () => expect(at('mod-acid-after').map(({ trouble }) => trouble)).toEqual(['control']));
});

test('at nine in the morning, all well: nothing is put before anybody', () => expect(seen(10, 75, SATURDAY_9)).toEqual([]));
