import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { LotView, MethodView, RunView, WeighList } from '@/contract/views';
import type { Lot } from '@/core/fibre/lot';
import { LIBRARY } from '@/core/method/library';
import type { Method } from '@/core/method/method';
import type { Plan } from '@/core/plan/plan';
import { draft, SATURDAY_9, vessels, writtenLiquor } from '@/core/plan/plan.fixture';
import type { ShoppingLine, StockItem, StockLevel } from '@/core/shelf/stock';
import { furnishedApp, type TestApp } from './testApp.fixture';

let t: TestApp;
const MIN = 60_000;
const weighed = (g: number) => ({ state: 'measured', value: g });
const lotBody = (id: string, g: number | null, more: object = {}) => ({
  id,
  name: `Wool ${id}`,
  form: 'cone',
  composition: [{ fibre: 'wool', pct: 100 }],
  dryWeightG: g === null ? { state: 'unknown' } : weighed(g),
  pieces: 1,
  baseHex: '#e8e2d2',
  note: '',
  ...more,
});
const entry = (id: string, kind: string, certainty: string) => ({ id, kind, certainty, substance: null, wofPct: { state: 'unknown' }, atMs: null, note: '' });
const stockBody = (id: string, substance: string, g: number, more: object = {}) => ({
  id,
  substance,
  form: null,
  label: null,
  amount: weighed(g),
  unit: 'g',
  countedAtMs: SATURDAY_9 - 86_400_000,
  place: 'top shelf',
  source: '',
  pricePerUnit: null,
  ownBulkGPerMl: null,
  note: '',
  ...more,
});
const method = (id: string): Method => {
  const found = LIBRARY.find(id);
  if (!found) throw new Error(id);
  return found;
};
const inputOf = ({ id: _id, version: _version, ...rest }: Method) => rest;

beforeAll(async () => {
  t = await furnishedApp(SATURDAY_9);
});
afterAll(() => t.close());
const lot = (id: string) => t.ask<LotView>('getLot', `/lots/${id}`);
const part = (id: string, g: number | null) => ({ id, name: `Part ${id}`, dryWeightG: g === null ? { state: 'unknown' } : weighed(g), pieces: 1, note: '' });

describe('splitting and joining', () => {
  test('three skeins from one cone: weights add up, each carries the past of the whole', async () => {
    await t.ask('createLot', '/lots', lotBody('cone', 150));
    await t.ask('addTreatment', '/lots/cone/treatments', entry('h1', 'scour', 'known'));
    const split = { revision: 1, parts: [part('s1', 50), part('s2', 60), part('s3', 40)] };
    expect(await t.ask<Lot[]>('splitLot', '/lots/cone/split', split)).toHaveLength(3);
    // The same split sent again is answered as the first time.
    expect(await t.ask<Lot[]>('splitLot', '/lots/cone/split', split)).toHaveLength(3);
    expect((await lot('s2')).passport.state.scour).toBe('known');
    expect(await lot('cone')).toMatchObject({ ended: { how: 'split', into: ['s1', 's2', 's3'] } });
    const listed = await t.ask<LotView[]>('listLots', '/lots');
    expect(listed.map((one) => one.id)).toEqual(expect.arrayContaining(['s1', 's2', 's3']));
    expect(listed.some((one) => one.id === 'cone')).toBe(false);
  });
  test('parts that do not add up are refused with both weights, and nothing is stored', async () => {
    await t.ask('createLot', '/lots', lotBody('cone2', 150));
    const before = t.app.store.lastSeq;
    const refused = await t.send('POST', '/lots/cone2/split', { revision: 1, parts: [part('x1', 50), part('x2', 50)] });
    expect(refused).toMatchObject({ status: 422, body: { detail: expect.stringContaining('100 g together, the lot 150 g') } });
    expect(t.app.store.lastSeq).toBe(before);
  });
  test('a later treatment of one part is its own; joined, only what holds for all stands', async () => {
    await t.ask('addTreatment', '/lots/s1/treatments', { ...entry('h2', 'mordant', 'known'), atMs: SATURDAY_9 });
    expect((await lot('s2')).passport.state.mordant).toBe('unknown');
    const joined = await t.ask<Lot>('joinLots', '/lots/join', {
      id: 'j1',
      name: 'Two again',
      form: 'skein',
      lots: ['s1', 's2'].map((id) => ({ id, revision: 1 })),
    });
    expect(joined).toMatchObject({ dryWeightG: weighed(110), from: ['s1', 's2'] });
    expect((await lot('j1')).passport.state).toMatchObject({ scour: 'known', mordant: 'unknown' });
  });
  test('what is no more is not planned with: the plan says what it became of', async () => {
    const built = await t.ask<{ problems: { message: string }[] }>('previewPlan', '/plans/preview', draft(['cone']));
    expect(built.problems.map((problem) => problem.message)).toContain('Wool cone is no more: it was split. Choose what it became.');
  });
  test('a lot in a running session stays one until it is finished', async () => {
    await t.ask('createLot', '/lots', lotBody('busy', 100));
    await t.ask('createSession', '/sessions', { id: 'sb', draft: draft(['busy']) });
    await t.ask('startRun', '/sessions/sb/runs', { id: 'rb', eventId: 'rb0', planVersion: 1 });
    const refused = await t.send('POST', '/lots/busy/split', { revision: 1, parts: [part('b1', 50), part('b2', 50)] });
    expect(refused).toMatchObject({ status: 409, body: { detail: expect.stringContaining('is running with it') } });
    expect((await t.send('POST', '/lots/busy/retire', { revision: 1, retired: true })).status).toBe(409);
    await t.ask('recordEvent', '/runs/rb/events', { id: 'rbf', type: 'finished' });
  });
  test('a weight that was worked out must be what its sum gives', async () => {
    const cloth = { kind: 'cloth', widthCm: 20, lengthCm: 20, pieces: 2, gPerM2: 200 };
    expect(await t.ask<Lot>('createLot', '/lots', lotBody('cloth', 16, { weightFrom: cloth }))).toMatchObject({ weightFrom: cloth });
    expect(await t.send('POST', '/lots', lotBody('cloth2', 20, { weightFrom: cloth }))).toMatchObject({
      status: 422,
      body: { errors: [{ at: 'dryWeightG', message: 'The sum gives 16 g.' }] },
    });
  });
});

describe('what cannot be joined, split or written down', () => {
  const join = (lots: { id: string; revision: number }[], id = 'jx') => t.send('POST', '/lots/join', { id, name: 'Joined', form: 'skein', lots });
  test.each<[string, () => ReturnType<typeof join>, number, string]>([
    [
      'a lot nobody has',
      () =>
        join([
          { id: 's3', revision: 1 },
          { id: 'ghost', revision: 1 },
        ]),
      404,
      'ghost',
    ],
    [
      'a lot changed meanwhile',
      () =>
        join([
          { id: 's3', revision: 9 },
          { id: 'cone2', revision: 1 },
        ]),
      409,
      'nothing was overwritten',
    ],
    [
      'a lot that is no more',
      () =>
        join([
          { id: 's1', revision: 2 },
          { id: 's3', revision: 1 },
        ]),
      409,
      'is no more',
    ],
    [
      'under an id that is taken',
      () =>
        join(
          [
            { id: 's3', revision: 1 },
            { id: 'cone2', revision: 1 },
          ],
          's2',
        ),
      409,
      'already belongs to',
    ],
    [
      'a part under an id that is taken',
      () => t.send('POST', '/lots/cone2/split', { revision: 1, parts: [part('s3', 50), part('new', 100)] }),
      409,
      'is taken',
    ],
    ['what is no more, again', () => t.send('POST', '/lots/s1/split', { revision: 2, parts: [part('n1', 20), part('n2', 30)] }), 422, 'no more'],
    [
      'an entry of another lot’s past',
      () => t.send('POST', '/lots/cone2/treatments', entry('h1', 'scour', 'known')),
      409,
      'was sent before with something else',
    ],
    ['an entry for a lot nobody has', () => t.send('POST', '/lots/ghost/treatments', entry('h9', 'scour', 'known')), 404, 'ghost'],
  ])('%s', async (_what, send, status, says) => {
    const before = t.app.store.lastSeq;
    const refused = await send();
    expect([refused.status, JSON.stringify(refused.body)]).toEqual([status, expect.stringContaining(says)]);
    expect(t.app.store.lastSeq).toBe(before);
  });
  test('an entry sent twice is one', async () => {
    const twice = entry('h7', 'tannin', 'believed');
    await t.ask('addTreatment', '/lots/cone2/treatments', twice);
    expect((await t.ask<LotView>('addTreatment', '/lots/cone2/treatments', twice)).passport.treatments.filter((one) => one.id === 'h7')).toHaveLength(1);
  });
});

describe('nothing that a record names is deleted', () => {
  test('a lot that a past run used is put away: gone from the list, whole in the record, and may come back', async () => {
    const { revision } = await lot('busy');
    expect(await t.ask<Lot>('retireLot', '/lots/busy/retire', { revision, retired: true })).toMatchObject({ ended: { how: 'retired' } });
    expect((await t.ask<LotView[]>('listLots', '/lots')).some((one) => one.id === 'busy')).toBe(false);
    expect((await t.ask<LotView[]>('listLots', '/lots?ended=yes')).some((one) => one.id === 'busy')).toBe(true);
    expect((await t.ask<RunView>('getRun', '/runs/rb')).plan.lots[0]?.name).toBe('Wool busy');
    expect(await t.ask<Lot>('retireLot', '/lots/busy/retire', { revision: revision + 1, retired: false })).toMatchObject({ ended: null });
  });
  test('so is a vessel', async () => {
    await t.ask('createVessel', '/vessels', { ...vessels[0], revision: undefined, id: 'old', name: 'Old pot' });
    await t.ask('retireVessel', '/vessels/old/retire', { revision: 1, retired: true });
    expect((await t.ask<{ id: string }[]>('listVessels', '/vessels')).some((vessel) => vessel.id === 'old')).toBe(false);
    expect((await t.send('POST', '/vessels/old/retire', { revision: 1, retired: false })).status).toBe(409);
  });
});

describe('stock', () => {
  const level = async (id: string) => (await t.ask<StockLevel[]>('listStock', '/stock')).find((one) => one.item.id === id);
  let plan: Plan;
  test('what a plan lacks becomes a shopping list', async () => {
    await t.ask<StockItem>('createStock', '/stock', stockBody('k1', 'alum', 12, { label: 'crystals' }));
    await t.ask('createLot', '/lots', lotBody('w1', 200));
    plan = await t.ask<Plan>('createSession', '/sessions', { id: 'sk', draft: draft(['w1']) });
    const list = await t.ask<ShoppingLine[]>('shopping', '/sessions/sk/shopping');
    expect(list.find((line) => line.substance === 'alum')).toMatchObject({ amount: 20, lack: 8 });
    expect(list.find((line) => line.substance === 'weld')).toMatchObject({ amount: 2000, lack: 2000 });
    expect(list.some((line) => line.substance === 'water')).toBe(false);
  });
  test('the label on the shelf answers what the plan would ask', () =>
    expect(plan.findings.some((finding) => finding.rule === 'R5' && finding.text.includes('alum'))).toBe(false));
  test('it goes down when the run says it was used, and up again when that is taken back', async () => {
    await t.ask('startRun', '/sessions/sk/runs', { id: 'rk', eventId: 'rk0', planVersion: 1 });
    t.clock.nowMs = SATURDAY_9 + MIN;
    await t.ask('recordEvent', '/runs/rk/events', {
      id: 'use1',
      type: 'addition',
      stepId: 'c2-mordant',
      additionId: 'alum',
      substance: 'alum',
      amount: weighed(9.5),
      unit: 'g',
    });
    expect(await level('k1')).toMatchObject({ left: weighed(2.5), used: 9.5 });
    await t.ask('recordEvent', '/runs/rk/events', { id: 'use2', type: 'amended', targetId: 'use1', change: { kind: 'withdrawn', reason: 'spilt' } });
    expect(await level('k1')).toMatchObject({ left: weighed(12), used: 0 });
  });
  test('fresh leaf is taken from the fresh, not from the dried', async () => {
    await t.ask<StockItem>('createStock', '/stock', stockBody('wd', 'weld', 3000, { form: 'dried' }));
    await t.ask<StockItem>('createStock', '/stock', stockBody('wf', 'weld', 2500, { form: 'fresh' }));
    await t.ask('recordEvent', '/runs/rk/events', {
      id: 'use3',
      type: 'addition',
      stepId: 'c3-extract',
      additionId: 'dyestuff',
      substance: 'weld',
      amount: weighed(2000),
      unit: 'g',
    });
    expect(await level('wd')).toMatchObject({ left: weighed(3000) });
    expect(await level('wf')).toMatchObject({ left: weighed(500) });
    const lacking = (await t.ask<ShoppingLine[]>('shopping', '/sessions/sk/shopping')).find((line) => line.substance === 'weld');
    expect(lacking).toMatchObject({ form: 'fresh', have: { value: 500 }, lack: 1500 });
  });
  test.each<[string, object, string]>([
    ['an unknown substance', { substance: 'stardust' }, 'not on the shelf'],
    ['a plant without its form', { substance: 'weld' }, 'Say whether it is fresh'],
    ['a label it does not have', { label: 'mono' }, 'not one of its labels'],
    ['a negative amount', { amount: weighed(-1) }, 'not below 0'],
  ])('%s is said in its place', async (_what, more, says) => {
    const refused = await t.send('POST', '/stock', stockBody('bad', 'alum', 5, more));
    expect(refused.status).toBe(422);
    expect(JSON.stringify(refused.body.errors)).toContain(says);
  });
  test('two people count one tin: the second is told', async () => {
    const { id: _id, ...body } = stockBody('k1', 'alum', 40);
    await t.ask('putStock', '/stock/k1', { ...body, revision: 1 });
    expect(await t.send('PUT', '/stock/k1', { ...body, revision: 1 })).toMatchObject({
      status: 409,
      body: { detail: expect.stringContaining('nothing was overwritten') },
    });
  });
});

describe('own substances and kept liquors', () => {
  test('an own plant can be planned with, its name and its hazard row come along', async () => {
    const what = {
      kind: 'dyestuff',
      name: 'Garden broom',
      part: 'tops',
      chemistry: 'flavonol',
      mordant: 'needed',
      phSensitive: false,
      fugitive: 'no',
      maxC: 75,
      ratioFresh: 6,
      ratioDried: null,
      colour: 'yellow',
      expectedHex: '#d0c040',
    };
    await t.ask('createSubstance', '/substances', { id: 'broom', what });
    const chain = [{ id: 'e', methodId: 'extract-fresh', params: {}, dyestuffId: 'own-broom' }];
    const built = await t.ask<{ plan: Plan }>('previewPlan', '/plans/preview', draft(['w1'], { chain }));
    expect(built.plan.steps[0]).toMatchObject({ title: 'Extract, Garden broom' });
    expect(built.plan.steps[0]?.additions[0]?.proposed.result).toBe(1200);
    expect(built.plan.findings.some((finding) => finding.text.includes('alkaloids'))).toBe(true);
    expect(built.plan.own.dyestuffs.map((one) => one.name)).toEqual(['Garden broom']);
  });
  test('a blocked substance is not taken in', async () => {
    const what = { kind: 'assistant', name: 'Potassium dichromate', group: 'mordant', unit: 'g', usual: '', cautionAbovePct: null, inBrief: '' };
    expect(await t.send('POST', '/substances', { id: 'cr', what })).toMatchObject({
      status: 422,
      body: { detail: expect.stringContaining('not supported here') },
    });
  });
  test('a kept liquor brings its volume into a plan, and is poured away at last', async () => {
    const kept = { ...writtenLiquor, id: 'l1', ph: 6.5, madeAtMs: SATURDAY_9 };
    await t.ask('createLiquor', '/liquors', kept);
    const chain = [
      { id: 'k', methodId: 'kept-liquor', params: {}, dyestuffId: null, liquorId: 'l1' },
      { id: 'd', methodId: 'exhaust-bath', params: {}, dyestuffId: null },
    ];
    const built = await t.ask<{ plan: Plan }>('previewPlan', '/plans/preview', draft(['s3'], { chain }));
    expect(built.plan.steps[0]?.fit?.filledMl).toBe(3000);
    await t.ask('retireLiquor', '/liquors/l1/retire', { revision: 1, retired: true });
    expect(await t.ask<object[]>('listLiquors', '/liquors')).toEqual([]);
  });
});

describe('own methods', () => {
  const copy = { ...inputOf(method('alum-10')), name: 'Alum, my way', copyOf: { id: 'alum-10', version: 1 } };
  const twelve = { ...copy, params: copy.params.map((param) => (param.key === 'alumPct' ? { ...param, usual: 12 } : param)) };
  test('a copy is changed in versions; a session keeps the one it was planned with', async () => {
    await t.ask('createMethod', '/methods', { id: 'own1', ...copy });
    const chain = [{ id: 'm', methodId: 'own1', params: {}, dyestuffId: null }];
    const plan = await t.ask<Plan>('createSession', '/sessions', { id: 'so', draft: draft(['w1'], { chain }) });
    await t.ask('reviseMethod', '/methods/own1/versions', { ...twelve, expectedVersion: 1 });
    const alum = (one: Plan) => one.steps[0]?.additions[0]?.proposed.result;
    expect([alum(plan), plan.draft.chain[0]?.methodVersion]).toEqual([20, 1]);
    const again = await t.ask<{ plan: Plan }>('previewPlan', '/plans/preview', plan.draft);
    const newest = await t.ask<{ plan: Plan }>('previewPlan', '/plans/preview', draft(['w1'], { chain }));
    expect([alum(again.plan), alum(newest.plan)]).toEqual([20, 24]);
    expect((await t.ask<MethodView>('getMethod', '/methods/own1')).versions.map((one) => one.version)).toEqual([1, 2]);
  });
  test('a version made from an older one is refused', async () =>
    expect(await t.send('POST', '/methods/own1/versions', { ...twelve, expectedVersion: 1 })).toMatchObject({
      status: 409,
      body: { detail: expect.stringContaining('at version 2 already') },
    }));
  test('methods of the library are not changed', async () => {
    expect((await t.send('POST', '/methods/alum-10/versions', { ...twelve, expectedVersion: 1 })).status).toBe(409);
    expect((await t.send('POST', '/methods', { id: 'alum-10', ...copy })).status).toBe(409);
  });
  test('put away it is no longer offered; the session still has it', async () => {
    await t.ask('retireMethod', '/methods/own1/retire', { revision: 1, retired: true });
    expect((await t.ask<Method[]>('listMethods', '/methods')).some((one) => one.id === 'own1')).toBe(false);
    expect((await t.ask<{ plan: Plan }>('getSession', '/sessions/so')).plan.methods[0]?.id).toBe('own1');
  });
  test('out as a file and in again is the same method', async () => {
    const file = await t.ask('methodFile', '/methods/extract-blossom/file');
    const back = await t.ask<Method>('importMethod', '/methods/import', { id: 'back', file });
    expect(inputOf(back)).toEqual(inputOf(method('extract-blossom')));
  });
});

describe('method files of unknown making', () => {
  const file = (more: object = {}, change: object = {}) => ({
    format: 'hyndle-method',
    formatVersion: 1,
    method: { ...inputOf(method('alum-10')), ...change },
    ...more,
  });
  const steps = (addition: object) => method('alum-10').steps.map((step) => ({ ...step, additions: [addition] }));
  test.each<[string, unknown, string]>([
    ['no object', [1, 2], 'no JSON object'],
    ['another format', { format: 'recipe', formatVersion: 1 }, 'not a method file'],
    ['a newer version', file({ formatVersion: 2 }), 'newer version'],
    ['huge', file({}, { why: 'x'.repeat(300_000) }), 'at most 256 kB'],
    ['no steps', file({}, { steps: [] }), 'at least one step'],
    ['a field nobody knows', file({}, { colour: 'red' }), 'colour'],
    [
      'a phase nobody knows',
      file({}, { steps: method('alum-10').steps.map((step) => ({ ...step, phases: [{ kind: 'stare', minutes: 3 }] })) }),
      'steps.0.phases',
    ],
    ['a figure it does not have', file({}, { params: [] }), 'is not among the figures'],
    ['an unknown substance', file({}, { steps: steps({ id: 'x', substance: 'fooic acid', rule: 'wofPct', pct: 2 }) }), '“fooic acid” is not on the shelf'],
    ['nothing at all', null, 'no JSON object'],
  ])('%s is said, and nothing is stored', async (_what, bad, says) => {
    const before = t.app.store.lastSeq;
    const refused = await t.send('POST', '/methods/import', { id: 'bad', file: bad });
    expect(refused.status).toBe(422);
    expect(JSON.stringify(refused.body)).toContain(says);
    expect(t.app.store.lastSeq).toBe(before);
  });
  test('a blocked substance keeps its words, loses its dose, and its plan cannot start', async () => {
    const old = file({}, { name: 'Old recipe', steps: steps({ id: 'x', substance: 'Potassium dichromate, 3 %', rule: 'wofPct', pct: 3 }) });
    const taken = await t.ask<Method>('importMethod', '/methods/import', { id: 'oldie', file: old });
    expect(taken.steps[0]?.additions[0]).toEqual({ id: 'x', substance: 'blocked', rule: 'blocked', words: 'Potassium dichromate, 3 %' });
    const chain = [{ id: 'm', methodId: 'oldie', params: {}, dyestuffId: null }];
    const built = await t.ask<{ plan: Plan }>('previewPlan', '/plans/preview', draft(['w1'], { chain }));
    expect(built.plan.findings[0]).toMatchObject({ rule: 'R1', severity: 'stop' });
    expect(built.plan.steps[0]?.additions[0]?.proposed.result).toBeNull();
  });
  test('a substance written by its name is found', async () => {
    const named = file({}, { name: 'By name', steps: steps({ id: 'x', substance: 'Potash alum', rule: 'wofPct', pct: 9 }) });
    expect((await t.ask<Method>('importMethod', '/methods/import', { id: 'named', file: named })).steps[0]?.additions[0]).toMatchObject({ substance: 'alum' });
  });
});

describe('the weigh-out list', () => {
  const list = () => t.ask<WeighList>('weighOut', '/sessions/sk/weigh-out');
  const tick = (id: string, g: number | null, key = 'c2-mordant/alum') => ({ id, key, amount: g === null ? null : weighed(g), unit: 'g' });
  test('lines in the order of use; a tick sent twice is one; the newest stands', async () => {
    expect((await list()).lines.map((line) => line.stepTitle)[0]).toBe('Scour');
    await t.ask('tickWeighed', '/sessions/sk/weigh-out', tick('t1', 20.1));
    await t.ask('tickWeighed', '/sessions/sk/weigh-out', tick('t1', 20.1));
    t.clock.nowMs += MIN;
    await t.ask('tickWeighed', '/sessions/sk/weigh-out', tick('t2', null));
    expect((await list()).ticks.map((one) => one.id).sort()).toEqual(['t1', 't2']);
  });
  test('gloves are ticked too, where something on the list wants them (R31)', async () => {
    const wear = (id: string, stepId: string, value: number | null) => ({ ...tick(id, value, `${stepId}/wear`), unit: 'piece' });
    await t.ask('tickWeighed', '/sessions/sk/weigh-out', wear('w1', 'c2-mordant', 1));
    expect((await list()).ticks.find(({ id }) => id === 'w1')).toMatchObject({ key: 'c2-mordant/wear', amount: { value: 1 } });
    expect((await t.send('POST', '/sessions/sk/weigh-out', wear('w2', 'c8-dry', 1))).status).toBe(422);
  });
  test('a tick for nothing on the list is refused', async () => {
    expect((await t.send('POST', '/sessions/sk/weigh-out', tick('t3', 1, 'ghost/alum'))).status).toBe(422);
    expect((await t.send('POST', '/sessions/sk/weigh-out', { ...tick('t4', 1), unit: 'mL' })).status).toBe(422);
  });
});
