import { describe, expect, test } from 'vitest';
import { estimated, type Figure, measured, UNKNOWN } from '../figure';
import type { AmountUnit } from '../measure/print';
import type { ChainItem } from '../plan/draft';
import { planned, wool } from '../plan/plan.fixture';
import type { RunEvent, RunFact } from './events';
import { foldRun } from './fold';
import { measuredIn, treatmentsOf } from './treatments';
import { weightOf } from './weightOf';

/** What a run leaves in a lot's passport: only what was finished, only as much as was seen. */

let n = 0;
const ev = (fact: RunFact): RunEvent => ({ ...fact, id: `e${++n}`, atMs: n * 1000, recordedAtMs: n * 1000 });
const item = (id: string, methodId: string, more: Partial<ChainItem> = {}): ChainItem => ({ id, methodId, params: {}, dyestuffId: null, ...more });
const add = (stepId: string, additionId: string | null, substance: string, amount: Figure, unit: AmountUnit = 'g') =>
  ev({ type: 'addition', stepId, additionId, substance, amount, unit });
const enter = (stepId: string, phaseIndex = 0) => ev({ type: 'phaseEntered', stepId, phaseIndex });
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
  test('what was measured of its bath goes with it: the hottest, the last pH, the last volume, and minutes in the band', () => {
    const facts = [
      ev({ type: 'started', planVersion: 1 }),
      enter('c5-dye', 2),
      ev({ type: 'reading', stepId: 'c5-dye', quantity: 'ph', value: 6.8 }),
      ev({ type: 'reading', stepId: 'c5-dye', quantity: 'bathC', value: 71.26 }),
      ev({ type: 'reading', stepId: 'c5-dye', quantity: 'ph', value: 7.2 }),
      ev({ type: 'reading', stepId: 'c5-dye', quantity: 'volumeMl', value: 3600 }),
      ...finish('c5-dye'),
    ];
    const state = foldRun(plan.steps, facts);
    const how = (probed: Parameters<typeof measuredIn>[2] | null) => treatmentsOf(plan, 'r', state, 'a', probed && measuredIn(plan, state, probed))[0]?.how;
    const atMs = facts[3]?.atMs ?? 0;
    expect(how({})).toMatchObject({ hottestC: 71.3, ph: 7.2, bathMl: 3600 });
    const vesselId = plan.steps.find(({ id }) => id === 'c5-dye')?.vesselId ?? '';
    expect(how({ [vesselId]: [{ atMs, bathC: 84 }] })).toMatchObject({ hottestC: 84 });
    // Where nobody asked the probes, the hottest that was typed may not be the hottest.
    expect(how(null)).not.toHaveProperty('hottestC');
  });
  test('water poured in later goes with it; the water it was made with does not, and of a splash nobody measured nobody knows how much it was', () => {
    const how = (...facts: RunEvent[]) => of(...facts, enter('c5-dye'), ...finish('c5-dye')).at(-1)?.how;
    const made = add('c3-extract', 'water', 'water', measured(3000), 'mL');
    expect(how(made)).toMatchObject({ toppedUpMl: 0 });
    expect(how(made, add('c5-dye', null, 'water', measured(500), 'mL'), add('c5-dye', null, 'water', estimated(200), 'mL'))).toMatchObject({ toppedUpMl: 700 });
    expect(how(made, add('c5-dye', null, 'water', UNKNOWN, 'mL'))).not.toHaveProperty('toppedUpMl');
  });
  test('begun and ended with nothing put in, it is no known mordant', () =>
    expect(of(enter('c2-mordant'), ...finish('c2-mordant'))).toMatchObject([{ kind: 'mordant', certainty: 'unknown', substance: null, wofPct: UNKNOWN }]));
  test('ended without being begun, nobody saw it', () =>
    expect(of(...finish('c7-rinse'))).toMatchObject([{ kind: 'rinse', certainty: 'unknown', note: expect.stringContaining('nobody saw it begin') }]));
  test('a dyebath names the plant that was logged into its bath; one that was only planned is believed', () => {
    expect(of(add('c3-extract', 'dyestuff', 'weld', measured(400)), enter('c5-dye'), ...finish('c5-dye'))).toMatchObject([
      { kind: 'dye', certainty: 'known', substance: 'weld', wofPct: measured(200) },
    ]);
    expect(of(enter('c5-dye'), ...finish('c5-dye'))).toMatchObject([{ kind: 'dye', certainty: 'believed', substance: 'weld', wofPct: UNKNOWN }]);
  });
  test('every plant that went in is kept, also those logged on another step', () => {
    const all = of(
      add('c3-extract', 'dyestuff', 'weld', measured(400)),
      add('c5-dye', null, 'madder', measured(20)),
      enter('c5-dye'),
      add('c6-rest', null, 'teaBlack', measured(2), 'piece'),
      ...finish('c5-dye', 'c6-rest'),
    );
    expect(all.filter((one) => one.kind === 'dye').map((one) => one.substance)).toEqual(['weld', 'madder', 'tea, black']);
  });
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
