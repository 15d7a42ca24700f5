import { describe, expect, test } from 'vitest';
import { estimated, measured, UNKNOWN } from '../figure';
import type { ChainItem } from '../plan/draft';
import { planned, wool } from '../plan/plan.fixture';
import type { RunEvent, RunFact } from './events';
import { foldRun } from './fold';
import { treatmentsOf } from './treatments';
import { weightOf } from './weightOf';

/** What a run leaves in a lot's passport: only what was finished, only as much as was seen. */

let n = 0;
const ev = (fact: RunFact): RunEvent => ({ ...fact, id: `e${++n}`, atMs: n * 1000, recordedAtMs: n * 1000 });
const item = (id: string, methodId: string, more: Partial<ChainItem> = {}): ChainItem => ({ id, methodId, params: {}, dyestuffId: null, ...more });
const add = (
  stepId: string,
  additionId: string | null,
  substance: string,
  amount: { state: 'measured' | 'estimated'; value: number } | { state: 'unknown' },
  unit: 'g' | 'mL' = 'g',
) => ev({ type: 'addition', stepId, additionId, substance, amount, unit });
const finish = (...ids: string[]) => ids.map((stepId) => ev({ type: 'stepFinished', stepId }));

describe('one lot, mordanted and dyed', () => {
  const plan = planned([wool('a', 200)]);
  const of = (...facts: RunEvent[]) => treatmentsOf(plan, 'r', foldRun(plan.steps, [ev({ type: 'started', planVersion: 1 }), ...facts]), 'a');
  test('a step that was not finished leaves nothing', () => expect(of(add('c2-mordant', 'alum', 'alum', measured(20)))).toEqual([]));
  test('finished, it says what and how much of its weight', () =>
    expect(of(add('c2-mordant', 'alum', 'alum', measured(20)), ...finish('c2-mordant'))).toMatchObject([
      { kind: 'mordant', certainty: 'known', substance: 'potash alum', wofPct: measured(10), from: { run: 'r', stepId: 'c2-mordant' } },
    ]));
  test('a guess stays a guess, an unknown stays unknown', () => {
    expect(of(add('c2-mordant', 'alum', 'alum', estimated(20)), ...finish('c2-mordant'))[0]?.wofPct).toEqual(estimated(10));
    expect(of(add('c2-mordant', 'alum', 'alum', UNKNOWN), ...finish('c2-mordant'))[0]?.wofPct).toEqual(UNKNOWN);
  });
  test('two salts are two entries; a splash by volume in a mordant is none', () =>
    expect(
      of(
        add('c2-mordant', 'alum', 'alum', measured(20)),
        add('c2-mordant', null, 'creamOfTartar', measured(10)),
        add('c2-mordant', null, 'vinegar', measured(5), 'mL'),
        ...finish('c2-mordant'),
      ).map((treatment) => treatment.substance),
    ).toEqual(['potash alum', 'cream of tartar']));
  test('finished with nothing logged it was done, nobody knows with what', () =>
    expect(of(...finish('c2-mordant'))).toMatchObject([{ kind: 'mordant', substance: null, wofPct: UNKNOWN }]));
  test('a dyebath names its plant, whose weight went into the extraction', () =>
    expect(of(...finish('c5-dye'))).toMatchObject([{ kind: 'dye', substance: 'weld', wofPct: UNKNOWN }]));
  test('a skipped step is no treatment', () => expect(of(ev({ type: 'skipped', stepId: 'c2-mordant', reason: 'no alum' }))).toEqual([]));
  test('an addition taken back does not count', () => {
    const poured = add('c2-mordant', 'alum', 'alum', measured(20));
    const undone = ev({ type: 'amended', targetId: poured.id, change: { kind: 'withdrawn', reason: 'wrong pot' } });
    expect(of(poured, undone, ...finish('c2-mordant'))).toMatchObject([{ substance: null }]);
  });
  test('a lot that was not in this session has no part in it', () =>
    expect(treatmentsOf(plan, 'r', foldRun(plan.steps, finish('c2-mordant')), 'somebody else')).toEqual([]));
});

describe('several lots', () => {
  const chain = [item('al', 'alum-10', { lotIds: ['a'] }), item('fe', 'iron-mordant', { lotIds: ['b'] }), item('r', 'rinse')];
  const plan = planned([wool('a', 100), wool('b', 50)], { chain });
  const stepOf = (prefix: string) => plan.steps.find((step) => step.id.startsWith(`${prefix}-`))?.id ?? '';
  const state = foldRun(plan.steps, [
    add(stepOf('al'), 'alum', 'alum', measured(10)),
    add(stepOf('fe'), plan.steps.find((step) => step.id === stepOf('fe'))?.additions[0]?.id ?? null, 'ironSulfate', measured(3)),
    ...finish(...plan.steps.map((step) => step.id)),
  ]);
  const kinds = (lotId: string) => treatmentsOf(plan, 'r', state, lotId).map((one) => [one.kind, one.substance, one.wofPct]);
  test('each has its own mordant, each as a share of its own weight', () => {
    expect(kinds('a')[0]).toEqual(['mordant', 'potash alum', measured(10)]);
    expect(kinds('b')[0]).toEqual([expect.stringMatching(/mordant|iron/), 'ferrous sulfate', measured(6)]);
  });
  test('both were rinsed', () => expect([kinds('a').at(-1)?.[0], kinds('b').at(-1)?.[0]]).toEqual(['rinse', 'rinse']));
});

describe('the weight of a lot', () => {
  const plan = planned([wool('a', 100), wool('b', null)]);
  test.each([
    ['as planned', 'a', {}, measured(100)],
    ['weighed on the way', 'a', { a: 97 }, measured(97)],
    ['unknown in the plan', 'b', {}, UNKNOWN],
    ['unknown in the plan, weighed on the way', 'b', { b: 152 }, measured(152)],
    ['a lot nobody planned with', 'ghost', {}, UNKNOWN],
  ])('%s', (_what, id, lotWeightsG, weight) => expect(weightOf(plan, { lotWeightsG }, id)).toEqual(weight));
});
