import { describe, expect, test } from 'vitest';
import { findLots, indexLots } from '../fibre/findLots';
import { foldPassport } from '../fibre/passport';
import { estimated, type Figure, knownText, measured } from '../figure';
import { printAmount } from '../measure/print';
import type { ChainItem } from '../plan/draft';
import { gapsOf } from '../plan/gaps';
import { type PlannedAmount, plannedKnown } from '../plan/plan';
import { CHAIN, planned, step, wool } from '../plan/plan.fixture';
import { parsePlantAmount } from '../plan/plant';
import { weighOut } from '../plan/weighOut';
import { compareStep } from './deviations';
import type { RunEvent, RunFact } from './events';
import { runNow } from './runNow';
import { treatmentsOf } from './treatments';

/** Several plants in one bath, jar or bundle, by weight, volume or count, from the draft to the passport. */

const said = (amount: PlannedAmount | undefined) => {
  const known = amount ? plannedKnown(amount) : null;
  return known === null ? 'unknown' : knownText(known, (value) => printAmount(value, amount?.unit ?? 'g'));
};
const lot = wool('a', 100);
const weldChain = (more: Partial<ChainItem>): ChainItem[] => CHAIN.map((item) => (item.id === 'c3' ? { ...item, ...more } : item));

describe('what people say of a plant', () => {
  test.each([
    ['200 g', { by: 'amount', unit: 'g', known: 200, about: false }],
    ['3–4 cups', { by: 'amount', unit: 'mL', known: { least: 750, most: 1000 }, about: false }],
    ['2 handfuls', { by: 'amount', unit: 'handful', known: 2, about: false }],
    ['about a handful', { by: 'amount', unit: 'handful', known: 1, about: true }],
    ['12 bags', { by: 'amount', unit: 'piece', known: 12, about: false }],
    ['2 : 1', { by: 'ratio', ratio: 2, guessed: false }],
    ['2:1', { by: 'ratio', ratio: 2, guessed: false }],
    ['about 10 to 1', { by: 'ratio', ratio: 10, guessed: true }],
    ['8–10 : 1', { by: 'ratio', ratio: { least: 8, most: 10 }, guessed: false }],
  ])('%s', (text, expected) => expect(parsePlantAmount(text, 'metric')).toEqual({ ok: true, value: expected }));
  test.each(['', 'some', '5 bushels'])('“%s” is pointed out', (text) => expect(parsePlantAmount(text).ok).toBe(false));
});

describe('two plants in one bath', () => {
  const chain = weldChain({ morePlants: [{ id: 'dyestuff-2', dyestuffId: 'madder' }] });
  test('the second is as much as somebody says, and a gap until then', () => {
    const plan = planned([lot], { chain });
    const extract = step(plan, 'extract');
    expect(extract.additions.map((one) => [one.id, one.name, said(one)])).toEqual([
      ['dyestuff', 'weld', '1 kg'],
      ['dyestuff-2', 'madder', 'unknown'],
    ]);
    expect(gapsOf(plan).map((gap) => gap.key)).toContain('amount/c3-extract/dyestuff-2');
    const told = planned([lot], { chain, plantAmounts: { 'c3-extract/dyestuff-2': { by: 'amount', unit: 'g', known: 20, about: false } } });
    expect(said(step(told, 'extract').additions[1])).toBe('20 g');
    expect(weighOut(told).map((line) => line.key)).toContain('c3-extract/dyestuff-2');
  });
  test('both are named, and the lower heat limit of the two wins: madder, 65.6 °C (trade handbook)', () => {
    const plan = planned([lot], { chain });
    const extract = step(plan, 'extract');
    expect(extract.title).toBe('Extract, weld and madder');
    expect(step(plan, 'dye').title).toBe('Dye, weld and madder');
    expect(extract.phases.find((phase) => phase.kind === 'hold')).toMatchObject({ ceilingC: 65.6 });
    expect(step(plan, 'dye').phases.find((phase) => phase.kind === 'hold')).toMatchObject({ ceilingC: 65.6 });
  });
});

test('3–4 cups, never weighed: nothing turns them into grams', () => {
  const plantAmounts = { 'c3-extract/dyestuff': { by: 'amount', unit: 'mL', known: { least: 750, most: 1000 }, about: false } } as const;
  const detail = { form: 'fresh', preparation: 'chopped', source: 'picked', season: 'June' } as const;
  const plan = planned([lot], { chain: weldChain({ plantDetails: { dyestuff: detail } }), plantAmounts });
  const [leaf] = step(plan, 'extract').additions;
  expect(leaf).toMatchObject({ unit: 'mL', detail, proposed: { unit: 'g', result: 1000 } });
  expect(said(leaf)).toBe('750 mL – 1 L');
  expect(weighOut(plan).find((line) => line.key === 'c3-extract/dyestuff')).toMatchObject({ unit: 'mL', aim: null, detail: 'fresh, chopped, picked, June' });
});

describe('a bundle of five, one left out', () => {
  const plants = ['heather', 'weld', 'hollyhock', 'dockRoot', 'bracken'];
  const [first = '', ...others] = plants;
  const bundle: ChainItem = {
    id: 'b',
    methodId: 'bundle-steam',
    params: {},
    dyestuffId: first,
    morePlants: others.map((dyestuffId, i) => ({ id: `dyestuff-${i + 2}`, dyestuffId })),
  };
  const handful = (known: number) => ({ by: 'amount', unit: 'handful', known, about: false }) as const;
  const plan = planned([lot], { chain: [bundle], plantAmounts: { 'b-roll/dyestuff': handful(1), 'b-roll/dyestuff-2': handful(2) } });
  const roll = plan.steps.find((one) => one.id === 'b-roll');
  const steam = plan.steps.find((one) => one.id === 'b-steam');
  if (!roll || !steam) throw new Error('no bundle');
  const put = (i: number, amount: Figure): [number, RunFact] => [
    i + 2,
    { type: 'addition', stepId: 'b-roll', additionId: i === 0 ? 'dyestuff' : `dyestuff-${i + 1}`, substance: plants[i] ?? '', amount, unit: 'handful' },
  ];
  const facts: [number, RunFact][] = [
    [0, { type: 'started', planVersion: 1 }],
    [1, { type: 'phaseEntered', stepId: 'b-roll', phaseIndex: 0 }],
    put(0, measured(1)),
    put(1, estimated(2)),
    put(2, measured(1)),
    put(3, measured(1)),
    put(4, measured(0)),
    [20, { type: 'stepFinished', stepId: 'b-roll' }],
  ];
  const steamed: [number, RunFact][] = [
    ...facts,
    [30, { type: 'phaseEntered', stepId: 'b-steam', phaseIndex: 0 }],
    [120, { type: 'stepFinished', stepId: 'b-steam' }],
  ];
  const now = (of: readonly [number, RunFact][]) =>
    runNow(
      plan,
      of.map(([min, fact], i): RunEvent => ({ ...fact, id: `e${i}`, atMs: roll.startMs + min * 60_000, recordedAtMs: i })),
      {},
      roll.startMs + 200 * 60_000,
    );
  const passport = (of: readonly [number, RunFact][]) => treatmentsOf(plan, 'r', now(of).state, 'a').filter((one) => one.kind === 'dye');

  test('how it was rolled goes with what it was steamed to', () => {
    const rolled: [number, RunFact] = [19, { type: 'rolled', stepId: 'b-roll', tightness: 'tightly', hasBarrier: false }];
    expect(passport([...facts, rolled, ...steamed.slice(facts.length)].toSorted((a, b) => a[0] - b[0]))[0]?.how).toMatchObject({
      rolled: 'tightly',
      barrier: 'none',
    });
    expect(passport(steamed)[0]?.how).not.toHaveProperty('rolled');
  });
  test('planned by the handful, the others as laid', () =>
    expect(roll.additions.map((one) => (plannedKnown(one) === null ? one.words : said(one)))).toEqual([
      '1 handful',
      '2 handfuls',
      ...Array(3).fill('as laid; a picture of the layout replaces weights'),
    ]));
  test('used four: all four known in the passport, once each, and the fifth left out on purpose', () => {
    expect(passport(steamed).map((one) => [one.substance, one.certainty])).toEqual([
      ['heather', 'known'],
      ['weld', 'known'],
      ['hollyhock petals', 'known'],
      ['dock root', 'known'],
      ['bracken', 'noneOnPurpose'],
    ]);
    expect(passport(steamed)[1]?.note).toContain('about 2 handfuls');
    expect(foldPassport(passport(steamed)).state.dye).toBe('known');
  });
  test('rolled and never steamed, what was laid is told all the same', () =>
    expect(
      passport(facts)
        .filter((one) => one.certainty === 'known')
        .map((one) => one.substance),
    ).toHaveLength(4));
  test('the record says what was left out, and claims nothing of what was laid by eye', () => {
    const { state, clocks } = now(steamed);
    const [own, clock] = [state.steps['b-roll'], clocks['b-roll']];
    if (!own || !clock) throw new Error('no step');
    const rows = compareStep(roll, own, clock, String, String);
    expect(rows.find((row) => row.what === 'bracken')).toMatchObject({ actual: 'left out', difference: 'Bracken left out' });
    expect(rows.find((row) => row.what === 'heather')).toMatchObject({ planned: '1 handful', actual: '1 handful', difference: null, seen: true });
    expect(rows.find((row) => row.what === 'dock root')).toMatchObject({ planned: 'unknown', actual: '1 handful', seen: false });
  });
  test('a lot is found by any of them', () => {
    const found = { ...lot, passport: foldPassport(passport(steamed)) };
    expect(findLots(indexLots([found]), { text: 'hollyhock', form: null, mordant: null })).toHaveLength(1);
    expect(findLots(indexLots([found]), { text: 'madder', form: null, mordant: null })).toHaveLength(0);
  });
});
