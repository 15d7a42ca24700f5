import { describe, expect, test } from 'vitest';
import { measured, oneOf, UNKNOWN } from '../figure';
import { scaleFor } from '../kitchen/scale';
import type { RunEvent } from '../run/events';
import { foldRun } from '../run/fold';
import { treatmentsOf } from '../run/treatments';
import { buildPlan } from './buildPlan';
import type { ChainItem } from './draft';
import { amountOf, type Plan, type PlanStep } from './plan';
import { CHAIN, HEAD, home, input, keptLiquor, planned, step, wool } from './plan.fixture';
import { usualMordant, withMordant } from './questions';
import { weighOut } from './weighOut';
import { standingTicks } from './weighTicks';

const item = (id: string, methodId: string, more: Partial<ChainItem> = {}): ChainItem => ({ id, methodId, params: {}, dyestuffId: null, ...more });
const byId = (plan: Plan, id: string): PlanStep => {
  const found = plan.steps.find((one) => one.id === id);
  if (!found) throw new Error(id);
  return found;
};
const amount = (one: PlanStep, id: string) => {
  const found = one.additions.find((addition) => addition.id === id);
  return found ? amountOf(found) : undefined;
};

describe('steps for some of the lots', () => {
  // Trade handbook section 12: three colours from one bath
  const chain = [
    item('al', 'alum-10', { lotIds: ['a'] }),
    item('fe', 'iron-mordant', { lotIds: ['b'] }),
    item('ex', 'extract-fresh', { dyestuffId: 'weld' }),
    item('st', 'strain'),
    item('dy', 'dyebath'),
  ];
  const plan = planned([wool('a', 100), wool('b', 50), wool('c', 30)], { chain, labels: { ironSulfate: 'hepta' } });
  test('each mordant is dosed for its own lot', () =>
    expect([amount(byId(plan, 'al-mordant'), 'alum'), amount(byId(plan, 'fe-mordant'), 'iron')]).toEqual([10, 3]));
  test('the dyebath waits for both mordants and takes all three in', () => {
    const dye = byId(plan, 'dy-dye');
    expect(dye.after).toEqual(expect.arrayContaining(['al-mordant', 'fe-mordant', 'st-strain']));
    expect(dye.lotIds).toEqual(['a', 'b', 'c']);
  });
  test('the extraction is sized by all of them', () => expect(amount(byId(plan, 'ex-extract'), 'dyestuff')).toBe(1800));
  test('a rest needs all its lots in one bath', () => {
    const bad = [item('al', 'alum-10', { lotIds: ['a'] }), item('fe', 'iron-mordant', { lotIds: ['b'] }), item('re', 'rest-overnight')];
    expect(buildPlan(input([wool('a', 100), wool('b', 50)], { chain: bad }), HEAD).problems.map((p) => p.message)).toContain(
      'Rest in bath needs a bath: add an extraction before it, or bring out a kept liquor.',
    );
  });
  test('an item for lots of another session is said', () =>
    expect(buildPlan(input([wool('a', 100)], { chain: [item('al', 'alum-10', { lotIds: ['z'] })] }), HEAD).problems[0]?.message).toContain(
      'is for no lot of this session',
    ));
});

describe('a part of a lot', () => {
  const chain = [
    item('ex', 'extract-fresh', { dyestuffId: 'weld' }),
    item('st', 'strain'),
    item('dip', 'partial-dip', { part: { label: 'tips', sharePct: 30 } }),
  ];
  const plan = planned([wool('a', 100)], { chain });
  test('the step says which part', () =>
    expect(byId(plan, 'dip-dip')).toMatchObject({ title: 'Dip a part, weld (tips)', part: { label: 'tips', sharePct: 30 } }));
  test('doses count the part only', () => {
    const dosed = planned([wool('a', 100)], { chain: [item('al', 'alum-10', { part: { label: 'half', sharePct: 50 } })] });
    expect(amount(byId(dosed, 'al-mordant'), 'alum')).toBe(5);
    const unsure = planned([wool('a', 100)], { chain: [item('al', 'alum-10', { part: { label: 'half', sharePct: null } })] });
    expect(amount(byId(unsure, 'al-mordant'), 'alum')).toBeNull();
  });
  test('the passport keeps the part, and it answers nothing for the whole', () => {
    const events: RunEvent[] = [
      { id: 's', type: 'started', planVersion: 1, atMs: 0, recordedAtMs: 0 },
      { id: 'b', type: 'phaseEntered', stepId: 'dip-dip', phaseIndex: 0, atMs: 1, recordedAtMs: 1 },
      { id: 'e', type: 'stepFinished', stepId: 'dip-dip', atMs: 2, recordedAtMs: 2 },
    ];
    expect(treatmentsOf(plan, 'r', foldRun(plan.steps, events), 'a')).toMatchObject([{ kind: 'dye', substance: 'weld', part: 'tips' }]);
  });
});

describe('left out on purpose', () => {
  test('“no mordant” and “not scoured” go into the passport as such', () => {
    const plan = planned([wool('a', 100)], { chain: [item('s', 'scour-skip'), item('n', 'no-mordant')] });
    const done = plan.steps.map((one, i): RunEvent => ({ id: `e${i}`, type: 'stepFinished', stepId: one.id, atMs: i, recordedAtMs: i }));
    const state = foldRun(plan.steps, [{ id: 's', type: 'started', planVersion: 1, atMs: 0, recordedAtMs: 0 }, ...done]);
    expect(treatmentsOf(plan, 'r', state, 'a').map((t) => [t.kind, t.certainty])).toEqual([
      ['scour', 'noneOnPurpose'],
      ['mordant', 'noneOnPurpose'],
    ]);
  });
});

describe('a dyebath on a lot whose mordant is not sure', () => {
  const bath = CHAIN.filter((one) => one.methodId !== 'alum-10' && one.methodId !== 'scour-protein');
  const ask = (mordant: 'known' | 'believed' | 'unknown' | 'noneOnPurpose', more: object = {}) =>
    buildPlan({ ...input([wool('a', 100)], { chain: bath, ...more }), mordants: { a: mordant } }, HEAD).plan;
  test.each([
    ['known', 0],
    ['noneOnPurpose', 0],
    ['believed', 1],
    ['unknown', 1],
  ] as const)('%s: %d questions', (state, count) => expect(ask(state)?.questions).toHaveLength(count));
  test('it says what either case gives', () =>
    expect(ask('believed')?.questions[0]).toMatchObject({
      lotId: 'a',
      ifMordanted: expect.stringContaining('(weld) takes'),
      ifNot: expect.stringContaining('pale'),
    }));
  test('a mordant earlier in the plan answers it', () => expect(planned([wool('a', 100)]).questions).toEqual([]));
  test('a dye that holds by itself does not ask', () => {
    const nut = bath.map((one) => (one.dyestuffId ? { ...one, dyestuffId: 'walnutBlack' } : one));
    expect(ask('unknown', { chain: nut })?.questions).toEqual([]);
  });
  test('“look early” calls for a look a quarter of an hour into the hold', () =>
    expect(step(ask('believed', { answers: { a: 'lookEarly' } }) as Plan, 'dye').lookAtMin).toBe(15));
  test('a test strip takes a quarter of an hour of its own before the goods go in', () => {
    const first = step(ask('believed', { answers: { a: 'testStrip' } }) as Plan, 'dye').phases[0];
    expect(first).toMatchObject({ kind: 'charge', minutes: 15, act: expect.stringContaining('Test strip') });
  });
  test('“mordant anyway” puts a mordant for this lot before the dyebath, and the question is gone', () => {
    const plan = ask('believed');
    const question = plan?.questions[0];
    if (!plan || !question) throw new Error('no question');
    const draft = withMordant(plan.draft, question, 'alum-10', 'c9');
    const again = buildPlan({ ...input([wool('a', 100)]), draft, mordants: { a: 'believed' } }, HEAD).plan;
    expect(again?.questions).toEqual([]);
    expect(again?.steps.map((one) => one.kind).indexOf('mordant')).toBeLessThan(again?.steps.map((one) => one.kind).indexOf('dye') ?? 0);
  });
  test('plant fibre is offered acetate, hair and blends with it alum', () => {
    expect(usualMordant([{ fibre: 'linen', pct: 100 }])).toBe('al-acetate');
    expect(
      usualMordant([
        { fibre: 'linen', pct: 50 },
        { fibre: 'silk', pct: 50 },
      ]),
    ).toBe('alum-10');
    expect(usualMordant([])).toBe('alum-10');
  });
});

describe('a dyestuff changes the usual figures', () => {
  test('madder keeps every extraction under 65.6 °C', () => {
    const plan = planned([wool('a', 100)], { chain: [item('ex', 'extract-dried', { dyestuffId: 'madder' })] });
    const hold = byId(plan, 'ex-extract').phases.find((phase) => phase.kind === 'hold');
    expect(hold).toMatchObject({ ceilingC: 65.6, bandC: [57.599999999999994, 63.599999999999994] });
  });
  test('T6: dried ocotillo goes at 2 : 1, though dried leaf is 1 : 1', () =>
    expect(amount(byId(planned([wool('a', 33)], { chain: [item('ex', 'extract-dried', { dyestuffId: 'ocotillo' })] }), 'ex-extract'), 'dyestuff')).toBe(66));
  test('high up no band lies above the boil', () => {
    const high = { ...home, altitudeM: 2500 };
    const plan = buildPlan({ ...input([wool('a', 100)], { chain: [item('ex', 'extract-hull', { dyestuffId: 'butternut' })] }), home: high }, HEAD).plan;
    const hold = plan?.steps[0]?.phases.find((phase) => phase.kind === 'hold');
    expect(hold?.kind === 'hold' && hold.bandC?.[0]).toBeLessThan(91.6);
  });
});

describe('the weigh-out list', () => {
  const plan = planned([wool('a', 11)], { chain: [item('al', 'alum-16'), item('fe', 'iron-mordant')], labels: { ironSulfate: 'hepta' } });
  const lines = weighOut(plan);
  test('in the order of use, water last within a step', () =>
    expect(lines.map((line) => line.key)).toEqual(['al-mordant/alum', 'al-mordant/water', 'fe-mordant/iron', 'fe-mordant/water']));
  test('T16, T17: 1.76 g alum and 0.66 g iron on 11 g', () =>
    expect(lines.map((line) => oneOf(line.planned)).filter((g) => g !== null && g < 5)).toEqual([1.76, 0.66]));
  test('what the scale cannot weigh comes as a stock solution', () => {
    expect(lines[2]?.stock).toMatchObject({ wvPct: 1, measureMl: 66 });
    expect(lines[0]?.stock).toBeNull();
  });
  test('the aim is what the scale shows', () => expect(lines[0]?.aim).toBeCloseTo(1.8, 9));
  test('spoons are offered with how far they may be off', () => expect(lines[0]?.spoon).toMatchObject({ text: '3/8 tsp (metric)', plusMinusPct: 16 }));
  test('a bath told in all is poured as its water: a quarter vinegar leaves three quarters', () => {
    const soak = weighOut(planned([wool('a', 100)], { chain: [{ id: 'v', methodId: 'vinegar-presoak', params: {}, dyestuffId: null }] }));
    const of = (name: string) => soak.find((line) => line.name === name)?.planned;
    expect(of('white vinegar') ?? of('vinegar')).toBe(250);
    expect(of('water')).toBe(750);
  });
  test('unknown stays unknown', () => expect(weighOut(planned([wool('a', null)]))[0]).toMatchObject({ planned: null, aim: null, stock: null }));
  test('T11: no figure, no number; its words are kept', () => {
    const tea = planned([wool('a', 100)], { chain: [item('b', 'bundle-cold', { dyestuffId: 'madder' })] });
    expect(weighOut(tea)[0]).toMatchObject({ planned: null, words: expect.stringContaining('as laid') });
  });
  test('the newest tick of a key stands, and may be taken back', () => {
    const tick = (id: string, atMs: number, g: number | null) => ({ id, key: 'k', unit: 'g' as const, atMs, amount: g === null ? null : measured(g) });
    expect(standingTicks([tick('1', 1, 5), tick('2', 2, 6)]).get('k')?.amount).toEqual(measured(6));
    expect(standingTicks([tick('1', 1, 5), tick('2', 2, null)]).size).toBe(0);
    expect(standingTicks([tick('2', 2, null), tick('3', 3, 4), tick('1', 1, 5)]).get('k')?.id).toBe('3');
  });
});

test('the finest scale that carries the mass weighs it', () => {
  const scales = [
    { id: 'a', name: 'kitchen', readsToG: 1, mostG: 5000 },
    { id: 'b', name: 'pocket', readsToG: 0.01, mostG: 200 },
  ];
  expect([scaleFor(scales, 5)?.id, scaleFor(scales, 500)?.id, scaleFor(scales, 9000), scaleFor([], 1)]).toEqual(['b', 'a', null, null]);
});

describe('very small and very large lots', () => {
  test.each([
    [0.5, 0.05],
    [50_000, 5000],
  ])('%f g take %f g alum at 10 %%', (g, alum) => expect(amount(step(planned([wool('a', g)]), 'mordant'), 'alum')).toBeCloseTo(alum, 9));
  test('half a gram is planned and weighed as a stock solution', () =>
    expect(weighOut(planned([wool('a', 0.5)])).find((line) => line.substance === 'alum')?.stock).not.toBeNull());
  test('fifty kilograms are a stop by the vessel, with by how much', () => {
    const plan = planned([wool('a', 50_000)]);
    expect(step(plan, 'mordant').findings[0]).toMatchObject({ rule: 'R12', severity: 'stop' });
    expect(step(plan, 'mordant').fit?.overMl).toBeGreaterThan(1_000_000);
  });
  test('a vessel too small by a little is a stop near the brim, not past it', () => {
    const plan = planned([wool('a', 350)], { vessels: { 'c2-mordant': 'steel12' } });
    expect(step(plan, 'mordant').fit?.fillPct).toBeGreaterThan(89);
    expect(step(plan, 'mordant').findings.find((finding) => finding.rule === 'R12')).toMatchObject({ severity: 'caution' });
  });
});

describe('a kept liquor brings its own volume', () => {
  const liquor = { ...keptLiquor, name: 'Weld, second', volumeMl: measured(2400) };
  const chain = [item('k', 'kept-liquor', { liquorId: liquor.id }), item('d', 'exhaust-bath')];
  test('the bath is what was kept, not a sum', () => {
    const plan = buildPlan({ ...input([wool('a', 100)], { chain }), liquors: [liquor] }, HEAD).plan;
    expect(plan?.steps.map((one) => [one.title, Math.round(one.fit?.filledMl ?? 0)])).toEqual([
      ['Kept liquor, Weld, second', 2400],
      ['Dye, exhaust, weld', 2471],
    ]);
  });
  test('of unknown volume it is planned, and the fit is unknown', () =>
    expect(buildPlan({ ...input([wool('a', 100)], { chain }), liquors: [{ ...liquor, volumeMl: UNKNOWN }] }, HEAD).plan?.steps[0]?.fit).toBeNull());
  test('none chosen is said', () =>
    expect(buildPlan(input([wool('a', 100)], { chain: [item('k', 'kept-liquor')] }), HEAD).problems[0]?.message).toBe(
      'Choose which kept liquor to bring out.',
    ));
});

// Trade handbook T25, T26, T61-T68, T70 (common practice, no source): lengths of chains, heating-up times left out
describe('how long it takes', () => {
  const minutes = (chain: ChainItem[], kinds: readonly string[]) =>
    planned([wool('a', 100)], { chain })
      .steps.flatMap((one) => one.phases)
      .filter((phase) => kinds.includes(phase.kind))
      .reduce((sum, phase) => sum + ('minutes' in phase && typeof phase.minutes === 'object' ? (phase.minutes.usual ?? phase.minutes.typical) : 0), 0);
  const day = [item('s', 'scour-protein'), item('t', 'tannin-simmer', { dyestuffId: 'avocadoPit' }), item('m', 'alum-tartar', { params: { holdMin: 1 } })];
  test('T25: scour 60 + tannin 60 + soak 60 + stand 24 h are 27 h', () => expect(Math.round(minutes(day, ['hold', 'soak', 'rest']) / 60)).toBe(27));
  test('T26: with a 12 h tannin soak 38 h', () => {
    const long = day.map((one) => (one.id === 't' ? { ...one, params: { soakMin: 720 } } : one));
    expect(Math.round(minutes(long, ['hold', 'soak', 'rest']) / 60)).toBe(38);
  });
  test.each([
    ['T61', 'extract-fresh', 'dyebath', 120],
    ['T62', 'extract-hull', 'dyebath', 105],
    ['T63', 'extract-waxy', 'dyebath', 480],
    ['T68', 'extract-hard', 'dyebath-long', 420],
  ])('%s: %s and %s hold %d min', (_t, extract, dye, total) =>
    expect(minutes([item('e', extract, { dyestuffId: 'weld' }), item('d', dye)], ['hold'])).toBe(total),
  );
  test('T70: overnight 10 h and a cold soak of 48 h are 58 h', () =>
    expect(minutes([item('e', 'extract-cold', { dyestuffId: 'blackBean' }), item('d', 'cold-soak')], ['soak', 'until']) / 60).toBe(58));
});
