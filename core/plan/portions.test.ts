import { describe, expect, test } from 'vitest';
import { compareStep } from '../run/deviations';
import type { RunEvent } from '../run/events';
import { runNow } from '../run/runNow';
import type { ChainItem } from './draft';
import { plannedKnown } from './plan';
import { planned, step, wool } from './plan.fixture';
import { planTotals } from './totals';
import { weighOut } from './weighOut';

const amounts = (dryG: number, methodId: string, params: Record<string, number> = {}) => {
  const plan = planned([wool('a', dryG)], { chain: [{ id: 'c', methodId, params, dyestuffId: methodId === 'dye-low-immersion' ? 'marigold' : null }] });
  const [first] = plan.steps;
  return Object.fromEntries([...(first?.additions ?? []), ...(first?.water ? [first.water] : [])].map((one) => [one.id, plannedKnown(one)]));
};

describe('a tea in a cup: so much to a cup, cups whole', () => {
  test('T41: 4 g are one US cup; 100 g are 25 bags, 5.9 L, 25 teaspoons (123 mL) of vinegar', () => {
    expect(amounts(4, 'tea-microwave')).toMatchObject({ bags: 1, vinegar: 4.93, water: 236.6 });
    const hundred = amounts(100, 'tea-microwave');
    expect(hundred.bags).toBe(25);
    expect(Number(hundred.water) / 1000).toBeCloseTo(5.9, 1);
    expect(Number(hundred.vinegar)).toBeCloseTo(123, 0);
  });
  test('5 g to a metric cup of 250 mL with a teaspoon of 5 mL: 100 g are 20 cups, 5 L, 100 mL', () =>
    expect(amounts(100, 'tea-microwave', { cupG: 5, cupMl: 250, vinegarMlPerCup: 5 })).toMatchObject({ bags: 20, water: 5000, vinegar: 100 }));
  test('the plan counts the cups, whatever is measured into them', () => {
    const cups = (dryG: number | null) =>
      planned([wool('a', dryG)], { chain: [{ id: 'c', methodId: 'tea-microwave', params: {}, dyestuffId: null }] }).steps.find((one) => one.water)?.water
        ?.portions;
    expect([cups(4), cups(100), cups(null)]).toEqual([1, 25, undefined]);
  });
  test('a gram more is one more cup, a speck of float is none', () => {
    expect(amounts(4.1, 'tea-microwave').bags).toBe(2);
    expect(amounts(0.3 / 0.1, 'tea-microwave', { cupG: 3 }).bags).toBe(1);
  });
});

describe('low immersion: what comes later is called later', () => {
  const plan = planned([wool('a', 200)], { chain: [{ id: 'c', methodId: 'dye-low-immersion', params: {}, dyestuffId: 'marigold' }] });
  const dye = step(plan, 'dye');
  test('200 g: 8 cups (1893 mL), then 4 cups (946 mL) and 4 tablespoons of vinegar (59 mL): 14.5 to 1 in all', () => {
    const { water, waterLater, vinegar } = amounts(200, 'dye-low-immersion');
    expect(Number(water)).toBeCloseTo(1893, 0);
    expect(Number(waterLater)).toBeCloseTo(946, 0);
    expect(Number(vinegar)).toBeCloseTo(59.1, 1);
    expect((Number(water) + Number(waterLater) + Number(vinegar)) / 200).toBeCloseTo(14.5, 1);
  });
  test('the pan holds both waters', () => expect(dye.fit === null || dye.fit.filledMl >= 2839).toBe(true));
  test('both waters are on the list', () => expect(weighOut(plan).filter((line) => line.substance === 'water')).toHaveLength(2));
  const called = (phaseIndex: number): string[] => {
    const events: RunEvent[] = [
      { type: 'started', planVersion: 1, id: 'e0', atMs: dye.startMs, recordedAtMs: 0 },
      { type: 'phaseEntered', stepId: dye.id, phaseIndex, id: 'e1', atMs: dye.startMs, recordedAtMs: 1 },
    ];
    return runNow(plan, events, {}, dye.startMs + 60_000)
      .nudges.filter((one) => one.act === 'add')
      .map((one) => one.text);
  };
  test('at the start only the flowers are called for; vinegar and water when their turn comes', () => {
    expect(called(0)).toEqual([expect.stringContaining('marigold')]);
    expect(called(2).join()).toMatch(/59.1 mL white vinegar/);
    expect(called(2).join()).toMatch(/946 mL water/);
  });
});

test('a cup in the microwave: “it boils” is a tap, and 7 minutes against 3 are told as 4 over', () => {
  const plan = planned([wool('a', 4)], { chain: [{ id: 'c', methodId: 'tea-microwave', params: {}, dyestuffId: null }] });
  const [cup] = plan.steps;
  if (!cup) throw new Error('no cup');
  const hold = cup.phases.findIndex((phase) => phase.kind === 'hold');
  const events = [
    [0, { type: 'started', planVersion: 1 }],
    [0, { type: 'phaseEntered', stepId: cup.id, phaseIndex: hold }],
    [7, { type: 'phaseEntered', stepId: cup.id, phaseIndex: hold + 1 }],
  ] as const;
  const at = (min: number) =>
    runNow(
      plan,
      events.filter(([when]) => when <= min).map(([when, fact], i): RunEvent => ({ ...fact, id: `e${i}`, atMs: cup.startMs + when * 60_000, recordedAtMs: i })),
      {},
      cup.startMs + min * 60_000,
    );
  expect(at(4).nudges.find((one) => one.act === 'nextPhase')?.text).toBe('It boils? Tap when it does');
  const { state, clocks } = at(10);
  const [own, clock] = [state.steps[cup.id], clocks[cup.id]];
  if (!own || !clock) throw new Error('no step');
  expect(compareStep(cup, own, clock, String, String).find((row) => row.what === 'hold')?.difference).toBe('Held 4 min longer than planned');
});

test.each([
  [60, 27],
  [720, 38],
])('T25, T26: scour, tannin with a soak of %d min and a day in the acetate are %d h of holds and waits', (soakMin, hours) => {
  const chain: ChainItem[] = [
    { id: 's', methodId: 'scour-cellulose', params: { holdMin: 60 }, dyestuffId: null },
    { id: 't', methodId: 'tannin-simmer', params: { holdMin: 60, soakMin }, dyestuffId: 'oakGall' },
    { id: 'm', methodId: 'al-acetate', params: { soakMin: 1440 }, dyestuffId: null },
  ];
  expect(planTotals(planned([{ ...wool('a', 300), composition: [{ fibre: 'cotton', pct: 100 }] }], { chain })).holdsMin).toBe(hours * 60);
});
