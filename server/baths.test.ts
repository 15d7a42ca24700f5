import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { BathPage, BathView } from '@/contract/baths';
import type { LotView } from '@/contract/views';
import { labOf } from '@/core/colour/lab';
import { measured } from '@/core/figure';
import type { Plan } from '@/core/plan/plan';
import { draft, SATURDAY_9, wool, writtenLiquor } from '@/core/plan/plan.fixture';
import { runningApp, type TestApp } from './testApp.fixture';

const MIN = 60_000;
let t: TestApp;
let n = 0;
beforeAll(async () => {
  t = await runningApp(SATURDAY_9);
});
afterAll(() => t.close());

const bath = (id: string) => t.ask<BathPage>('getBath', `/baths/${id}`);
const act = (liquorId: string, fact: object, more: object = {}) =>
  t.ask<{ id: string }>('addBathAct', `/liquors/${liquorId}/acts`, { id: `act-${++n}`, fact, ...more });
const keep = (id: string, more: object = {}) => t.ask('createLiquor', '/liquors', { ...writtenLiquor, id, name: id, ...more });
const log = (runId: string, fact: object) => t.ask('recordEvent', `/runs/${runId}/events`, { id: `e-${++n}`, ...fact });

describe('a master pot', () => {
  test('three draws of one root are blended, three portions drawn: 8 L, then 3.5 L, each with a number of its own', async () => {
    await keep('pot', { dyestuffId: 'dockRoot', volumeMl: { state: 'unknown' }, uses: 0 });
    for (const [draw, mL] of [
      [1, 3000],
      [2, 2600],
      [3, 2400],
    ] as const)
      await act('pot', { kind: 'pouredIn', what: 'dock root', mL: measured(mL), draw });
    expect((await bath('pot')).now.volumeMl).toEqual(measured(8000));
    for (const trial of ['A', 'B', 'C']) await act('pot', { kind: 'drawn', what: `trial ${trial}`, mL: measured(1500), toId: null });
    const page = await bath('pot');
    expect(page.now.volumeMl).toEqual(measured(3500));
    expect(page.draws.map(({ n: nth, what }) => `${nth} ${what}`)).toEqual(['1 trial A', '2 trial B', '3 trial C']);
    expect(page.lines[1]?.text).toBe('dock root, draw 2 poured in');
    expect(page.strength?.says).toContain('gives about 47–74 % of the depth that the first draw alone would give');
  });
  test('drawn into a jar of its own, the jar has it; taken back, it has not', async () => {
    await keep('small jar', { id: 'small', volumeMl: { state: 'unknown' }, uses: 0 });
    await act('pot', { kind: 'put', substance: 'alum', amount: measured(7), unit: 'g' });
    const { id } = await act('pot', { kind: 'drawn', what: 'to the cellar', mL: measured(500), toId: 'small' });
    expect(await bath('small')).toMatchObject({
      now: { volumeMl: measured(500) },
      touched: ['potash alum'],
      solutes: [{ substance: 'alum', left: expect.closeTo(1, 6) }],
    });
    await t.ask('withdrawBathAct', `/bath-acts/${id}/withdraw`, { reason: 'it stayed in the pot', revision: 1 });
    expect((await bath('small')).now.volumeMl).toEqual({ state: 'unknown' });
    expect(await t.send('POST', `/bath-acts/${id}/withdraw`, { reason: 'again', revision: 2 })).toMatchObject({ status: 409 });
  });
});

describe('what cannot be', () => {
  test('a bath that is not there, one drawn into itself, a time to come, a reading of nothing: refused in words', async () => {
    const fact = { kind: 'water', mL: measured(100) };
    expect(await t.send('POST', '/liquors/nowhere/acts', { id: 'x1', fact })).toMatchObject({ status: 404 });
    expect(await t.send('POST', '/liquors/pot/acts', { id: 'x2', fact: { kind: 'drawn', what: 'x', mL: measured(1), toId: 'pot' } })).toMatchObject({
      status: 422,
    });
    expect(await t.send('POST', '/liquors/pot/acts', { id: 'x5', fact: { kind: 'drawn', what: 'x', mL: { state: 'unknown' }, toId: null } })).toMatchObject({
      status: 422,
    });
    expect(await t.send('POST', '/liquors/pot/acts', { id: 'x3', fact, atMs: SATURDAY_9 + 10 * MIN })).toMatchObject({ status: 422 });
    expect(await t.send('POST', '/liquors/pot/acts', { id: 'x4', fact: { kind: 'read', ph: null, mL: null } })).toMatchObject({ status: 422 });
  });
  test('the same act twice is one; its id for another is a conflict', async () => {
    const fact = { kind: 'water', mL: measured(100) };
    await t.ask('addBathAct', '/liquors/pot/acts', { id: 'once', fact });
    await t.ask('addBathAct', '/liquors/pot/acts', { id: 'once', fact });
    expect((await bath('pot')).lines.filter(({ actId }) => actId === 'once')).toHaveLength(1);
    expect(await t.send('POST', '/liquors/pot/acts', { id: 'once', fact: { kind: 'water', mL: measured(200) } })).toMatchObject({ status: 409 });
  });
});

describe('a bath that a session left', () => {
  test('knows what was put in, counts what is dyed in it next, and says what is left', async () => {
    const steps = (await t.ask<{ plan: Plan }>('getSession', '/sessions/s')).plan.steps;
    expect(steps.map(({ id }) => id)).toContain('c5-dye');
    await log('r', { type: 'phaseEntered', stepId: 'c3-extract', phaseIndex: 0 });
    await log('r', { type: 'addition', stepId: 'c3-extract', additionId: 'dyestuff', substance: 'weld', amount: measured(100), unit: 'g' });
    await log('r', { type: 'addition', stepId: 'c3-extract', additionId: null, substance: 'chalk', amount: measured(3), unit: 'g' });
    for (const stepId of ['c3-extract', 'c4-strain']) await log('r', { type: 'stepFinished', stepId });
    await log('r', { type: 'phaseEntered', stepId: 'c5-dye', phaseIndex: 0 });
    await log('r', { type: 'stepFinished', stepId: 'c5-dye' });
    t.clock.nowMs += 60 * MIN;
    await keep('left', { volumeMl: measured(2500), madeAtMs: t.clock.nowMs, from: { runId: 'r', stepId: 'c5-dye' } });
    const page = await bath('left');
    expect(page.solutes).toMatchObject([{ substance: 'chalk', left: expect.closeTo(2.5, 0) }]);
    expect(page.strength).toMatchObject({ pairs: 0, firstG: 100, says: expect.stringContaining('a wide guess') });
    expect(page.strength?.enoughG).toEqual({ low: expect.closeTo(20, 6), likely: expect.closeTo(40, 6), high: expect.closeTo(60, 6) });

    // The next session dyes in it: a use that nobody counted by hand, linked both ways.
    const { createdAtMs: _c, revision: _v, from: _f, ended: _e, ...lot } = wool('b', 25);
    await t.ask('createLot', '/lots', lot);
    const chain = [
      { id: 'k', methodId: 'kept-liquor', params: {}, dyestuffId: null, liquorId: 'left' },
      { id: 'd', methodId: 'exhaust-bath', params: {}, dyestuffId: null },
    ];
    const second = await t.ask<Plan>('createSession', '/sessions', { id: 's2', draft: draft(['b'], { chain, name: 'Second load' }) });
    expect(second.steps[0]?.water).toMatchObject({ name: 'left', substance: 'keptBath', proposed: { result: 2500 } });
    expect((await t.ask<BathView[]>('listBaths', '/baths')).find(({ liquor }) => liquor.id === 'left')?.plannedIn).toEqual([
      { sessionId: 's2', name: 'Second load' },
    ]);
    await t.ask('startRun', '/sessions/s2/runs', { id: 'r2', eventId: 'r2-0', planVersion: 1 });
    const dye = second.steps.find(({ treatment }) => treatment === 'dye')?.id ?? '';
    await log('r2', { type: 'phaseEntered', stepId: second.steps[0]?.id, phaseIndex: 0 });
    await log('r2', { type: 'stepFinished', stepId: second.steps[0]?.id });
    // Brought out it is no longer on the shelf, though nothing is dyed in it yet.
    expect((await bath('left')).now).toMatchObject({ uses: 1, volumeMl: { value: 0 } });
    await log('r2', { type: 'phaseEntered', stepId: dye, phaseIndex: 0 });
    t.clock.nowMs += 60 * MIN;
    await log('r2', { type: 'stepFinished', stepId: dye });
    const used = await bath('left');
    // Its passport says the second use, over both sessions.
    const { passport } = await t.ask<LotView>('getLot', '/lots/b');
    expect(passport.treatments.find(({ kind }) => kind === 'dye')?.how?.draw).toBe(2);
    expect(used).toMatchObject({ now: { uses: 2, volumeMl: { value: 0 } }, plannedIn: [], uses: [{ n: 1, what: 'Second load', fibreG: 25, runId: 'r2' }] });
    const from = { runId: 'r2', stepId: dye };
    await act('left', { kind: 'pouredIn', what: 'back from the pot', mL: measured(2300), draw: null, from });
    expect((await bath('left')).gotFrom).toEqual([from]);
    expect((await bath('left')).now.volumeMl).toEqual(measured(2300));
  });
  test('first and second load read dry: what is left is learnt from them', async () => {
    const look = { part: null, liquorId: null, at: null, state: 'dry', light: 'daylight', pictures: [], verdict: {}, note: '' };
    await t.ask('addLook', '/looks', { ...look, id: 'first', lotIds: ['a'], colour: { lab: labOf('#b8961f'), by: { kind: 'typed' } } });
    await t.ask('addLook', '/looks', { ...look, id: 'second', lotIds: ['b'], colour: { lab: labOf('#d9c87a'), by: { kind: 'typed' } } });
    const { strength } = await bath('left');
    expect(strength).toMatchObject({ pairs: 1, says: expect.stringContaining('by 1 pair of first and second baths of yours') });
    expect(strength?.colours?.likely).toMatch(/^#[\da-f]{6}$/);
  });
});

test('poured away it is off the shelf, and a slip brings it back', async () => {
  await keep('gone');
  const { id } = await act('gone', { kind: 'pouredAway', how: 'cooled, to the drain' });
  expect((await t.ask<BathView[]>('listBaths', '/baths')).map(({ liquor }) => liquor.id)).not.toContain('gone');
  expect(await bath('gone')).toMatchObject({ isGone: true, now: { volumeMl: { value: 0 } } });
  expect(await t.send('POST', '/liquors/gone/acts', { id: 'late', fact: { kind: 'water', mL: measured(100) } })).toMatchObject({ status: 409 });
  await t.ask('withdrawBathAct', `/bath-acts/${id}/withdraw`, { reason: 'the other jar', revision: 1 });
  expect((await t.ask<BathView[]>('listBaths', '/baths')).map(({ liquor }) => liquor.id)).toContain('gone');
});
