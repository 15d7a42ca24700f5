import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { between, type Figure, measured, UNKNOWN } from '../figure';
import type { AmountUnit } from '../measure/print';
import { buildPlan } from '../plan/buildPlan';
import { amountOf, type Plan, plannedKnown } from '../plan/plan';
import { CHAIN, HEAD, input, planned, wool } from '../plan/plan.fixture';
import { beyondPlan, draftAgain } from './again';
import { stepClock } from './clock';
import type { RunEvent, RunFact } from './events';
import { foldRun } from './fold';

/** "Do it again": what was really done, scaled to other fibre. */

let n = 0;
const ev = (fact: RunFact, atMs = ++n): RunEvent => ({ ...fact, id: `e${++n}`, atMs, recordedAtMs: atMs });

/** A run that poured exactly this much of the alum and was otherwise finished step by step. */
function again(plan: Plan, more: RunEvent[], lotIds = ['b']) {
  const state = foldRun(plan.steps, [ev({ type: 'started', planVersion: 1 }), ...more]);
  const clocks = Object.fromEntries(
    plan.steps.flatMap((step) => {
      const own = state.steps[step.id];
      return own ? [[step.id, stepClock(step, own, [], 1e9)]] : [];
    }),
  );
  return draftAgain(plan, state, clocks, { name: 'Again', startMs: plan.draft.startMs, lotIds });
}
const alumLogged = (g: number | null): RunEvent =>
  ev({ type: 'addition', stepId: 'c2-mordant', additionId: 'alum', substance: 'alum', amount: g === null ? UNKNOWN : measured(g), unit: 'g' });
const alumOf = (draft: Plan['draft'], dryG: number) => {
  const built = buildPlan({ ...input([wool('b', dryG)]), draft }, HEAD).plan;
  const alum = built?.steps.find((step) => step.kind === 'mordant')?.additions.find((addition) => addition.id === 'alum');
  return alum ? amountOf(alum) : undefined;
};

test('any dose on any lot comes back in proportion to the new weight', () =>
  fc.assert(
    fc.property(fc.integer({ min: 20, max: 2000 }), fc.integer({ min: 1, max: 30 }), fc.integer({ min: 20, max: 2000 }), (firstG, pct, nextG) => {
      const plan = planned([wool('a', firstG)]);
      const draft = again(plan, [alumLogged((firstG * pct) / 100)]);
      expect(alumOf(draft, nextG)).toBeCloseTo((nextG * pct) / 100, 6);
    }),
    { seed: 11, numRuns: 40 },
  ));

describe('where the run cannot tell, the plan stands', () => {
  const plan = planned([wool('a', 100)]);
  test('an amount nobody measured', () => expect(alumOf(again(plan, [alumLogged(null)]), 200)).toBeCloseTo(20, 9));
  test('nothing logged', () => expect(alumOf(again(plan, []), 200)).toBeCloseTo(20, 9));
  test('a lot nobody weighed: the percentage of the plan', () => {
    const unweighed = planned([wool('a', null)]);
    expect(alumOf(again(unweighed, [alumLogged(15)]), 200)).toBeCloseTo(20, 9);
  });
  test('weighed on the way it can', () => {
    const unweighed = planned([wool('a', null)]);
    const draft = again(unweighed, [ev({ type: 'lotWeighed', lotId: 'a', dryWeightG: 100 }), alumLogged(15)]);
    expect(alumOf(draft, 200)).toBeCloseTo(30, 9);
  });
});

describe('the chain', () => {
  const plan = planned([wool('a', 100)]);
  test('keeps its order and its dyestuff', () => {
    const draft = again(plan, []);
    expect(draft.chain.map((item) => item.methodId)).toEqual(plan.draft.chain.map((item) => item.methodId));
    expect(draft.chain[2]?.dyestuffId).toBe('weld');
  });
  test('a skipped step drops out', () => {
    const draft = again(plan, [ev({ type: 'skipped', stepId: 'c1-scour', reason: 'clean already' })]);
    expect(draft.chain.map((item) => item.id)).not.toContain('c1');
  });
  test('pins, overrules and reasons belong to that day, and stay there', () => {
    const set = planned([wool('a', 100)], { overrules: { 'c2-mordant/alum': 18 }, reasons: {} });
    const draft = again(set, []);
    expect([draft.overrules, draft.pins, draft.reasons, draft.vessels]).toEqual([{}, {}, {}, {}]);
  });
  test('a hold that ran by the clock for 75 minutes is asked for with 75', () => {
    const dye = plan.steps.find((step) => step.kind === 'dye');
    if (!dye) throw new Error('no dye');
    const hold = dye.phases.findIndex((phase) => phase.kind === 'hold');
    const draft = again(plan, [
      ev({ type: 'phaseEntered', stepId: dye.id, phaseIndex: hold }, 1000),
      ev({ type: 'stepFinished', stepId: dye.id }, 1000 + 75 * 60_000),
    ]);
    expect(Object.values(draft.chain.find((item) => dye.id.startsWith(`${item.id}-`))?.params ?? {})).toContain(75);
  });
  test('the label that was on the packet goes along, and the dose is not counted by it twice', () => {
    const mono = planned([wool('a', 100)], { labels: { alum: 'burnt' } });
    const planned10 = mono.steps.find((step) => step.kind === 'mordant')?.additions[0];
    expect(planned10 && amountOf(planned10)).toBeCloseTo(5.44, 9);
    const draft = again(mono, [alumLogged(5.44)]);
    expect(draft.labels).toEqual({ alum: 'burnt' });
    expect(alumOf(draft, 100)).toBeCloseTo(5.44, 9);
  });
});

describe('what went in beside the plan', () => {
  const plan = planned([wool('a', 100)]);
  const put = (substance: string, amount: Figure, unit: AmountUnit, additionId: string | null = null): RunEvent =>
    ev({ type: 'addition', stepId: 'c5-dye', additionId, substance, amount, unit });
  const dyeOf = (draft: Plan['draft'], dryG: number) => {
    const built = buildPlan({ ...input([wool('b', dryG)]), draft }, HEAD).plan;
    return built?.steps.find((step) => step.kind === 'dye')?.additions.map((one) => [one.substance, plannedKnown(one)]);
  };
  test('is in the new plan, scaled by the fibre where it was weighed, as much as last time where it was poured', () => {
    const draft = again(plan, [put('bakingSoda', measured(3), 'g'), put('vinegar', measured(20), 'mL')]);
    expect(draft.extras?.['c5-dye']).toEqual([
      { id: 'extra-1', substance: 'bakingSoda', wofPct: 3 },
      { id: 'extra-2', substance: 'vinegar', wofPct: null },
    ]);
    expect(dyeOf(draft, 250)).toEqual([
      ['bakingSoda', 7.5],
      ['vinegar', 20],
    ]);
  });
  test('twice of the same is one, a range stays a range, an unknown amount stays open', () => {
    const draft = again(plan, [put('bakingSoda', measured(3), 'g'), put('bakingSoda', between(1, 2), 'g'), put('chalk', UNKNOWN, 'g')]);
    expect(dyeOf(draft, 100)).toEqual([
      ['bakingSoda', { least: 4, most: 5 }],
      ['chalk', null],
    ]);
  });
  test('what stood in the plan beside its methods is asked for again as it was used', () => {
    const with2 = planned([wool('a', 100)], { extras: { 'c5-dye': [{ id: 'extra-1', substance: 'bakingSoda', wofPct: 2 }] } });
    expect(dyeOf(again(with2, []), 200)).toEqual([['bakingSoda', 4]]);
    expect(dyeOf(again(with2, [put('bakingSoda', measured(5), 'g', 'extra-1')]), 200)).toEqual([['bakingSoda', 10]]);
  });
  test('what the shelf does not know is told, the rest is not', () => {
    const stranger = put('a pinch of rust', UNKNOWN, 'g');
    expect(beyondPlan(plan, foldRun(plan.steps, [alumLogged(10), put('bakingSoda', measured(3), 'g'), stranger]))).toEqual(['Dye, weld: a pinch of rust']);
  });
});

test('plants beside the first come again in proportion, and those by the cup as many as last time', () => {
  const chain = CHAIN.map((item) =>
    item.id === 'c3'
      ? {
          ...item,
          morePlants: [
            { id: 'dyestuff-2', dyestuffId: 'madder' },
            { id: 'dyestuff-3', dyestuffId: 'heather' },
          ],
        }
      : item,
  );
  const plan = planned([wool('a', 100)], { chain });
  const put = (additionId: string, substance: string, amount: Figure, unit: AmountUnit): RunEvent =>
    ev({ type: 'addition', stepId: 'c3-extract', additionId, substance, amount, unit });
  const draft = again(plan, [
    put('dyestuff', 'weld', measured(500), 'g'),
    put('dyestuff-2', 'madder', measured(20), 'g'),
    put('dyestuff-3', 'heather', measured(750), 'mL'),
  ]);
  const built = buildPlan({ ...input([wool('b', 200)]), draft }, HEAD).plan;
  expect(built?.steps.find((step) => step.kind === 'extract')?.additions.map((one) => [one.name, one.unit, plannedKnown(one)])).toEqual([
    ['weld', 'g', 1000],
    ['madder', 'g', 40],
    ['heather', 'mL', 750],
  ]);
});

test('measured soaks and dips are asked for again, not only holds', () => {
  const plan = planned([wool('a', 100)], {
    chain: [
      { id: 'w', methodId: 'wet-out', params: {}, dyestuffId: null },
      { id: 'm', methodId: 'mod-chalk-after', params: {}, dyestuffId: null },
    ],
  });
  const MIN = 60_000;
  const enter = (stepId: string, phaseIndex: number, atMin: number) => ev({ type: 'phaseEntered', stepId, phaseIndex }, atMin * MIN);
  const draft = again(plan, [
    enter('w-wetOut', 1, 10),
    enter('w-wetOut', 2, 105),
    enter('m-modify', 1, 200),
    enter('m-modify', 2, 202.5),
    ev({ type: 'stepFinished', stepId: 'm-modify' }, 204 * MIN),
  ]);
  expect(draft.chain.find((item) => item.id === 'w')?.params.soakMin).toBe(95);
  expect(draft.chain.find((item) => item.id === 'm')?.params.dipMin).toBe(2.5);
});
