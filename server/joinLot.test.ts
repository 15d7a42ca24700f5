import { afterAll, beforeAll, expect, test } from 'vitest';
import { newSkein } from '@/contract/lot.fixture';
import type { LotView, RunRecord, RunView } from '@/contract/views';
import { withJoined } from '@/core/plan/joinLot';
import type { Plan, PlanStep } from '@/core/plan/plan';
import { amountOf } from '@/core/plan/plan';
import { CHAIN, draft, SATURDAY_9 } from '@/core/plan/plan.fixture';
import { foldRun } from '@/core/run/fold';
import { begunItems } from '@/core/run/theRest';
import { furnishedApp, type TestApp } from './testApp.fixture';

/** A skein is in the dyebath; after twelve minutes a scrap goes in too. */
let t: TestApp;
let plan: Plan;
let dye: PlanStep;
const log = (id: string, fact: object) => t.ask('recordEvent', '/runs/r1/events', { id, ...fact });
const at = (min: number) => {
  t.clock.nowMs = SATURDAY_9 + min * 60_000;
};

beforeAll(async () => {
  t = await furnishedApp(SATURDAY_9);
  // The one that was planned has all of it.
  for (const id of ['a', 'scrap']) await t.ask('createLot', '/lots', newSkein(id, `Skein ${id}`, 50));
  plan = await t.ask<Plan>('createSession', '/sessions', { id: 's1', draft: draft(['a'], { name: 'One', chain: CHAIN }) });
  await t.ask('startRun', '/sessions/s1/runs', { id: 'r1', eventId: 'r1s', planVersion: 1 });
  at(400);
  for (const id of ['c1-scour', 'c2-mordant', 'c3-extract', 'c4-strain']) {
    await log(`b-${id}`, { type: 'phaseEntered', stepId: id, phaseIndex: 0 });
    await log(`f-${id}`, { type: 'stepFinished', stepId: id });
  }
  dye = plan.steps.find(({ id }) => id === 'c5-dye') as PlanStep;
  await log('d0', { type: 'phaseEntered', stepId: dye.id, phaseIndex: dye.phases.findIndex(({ kind }) => kind === 'hold') });
  at(412);
});
afterAll(() => t.close());

test('into what is over nothing comes, into what is under way it does: with a version, its reason and its own time', async () => {
  const view = await t.ask<RunView>('getRun', '/runs/r1');
  const begun = begunItems(plan, foldRun(plan.steps, view.events));
  const everywhere = { ...plan.draft, lotIds: ['a', 'scrap'] };
  const refused = await t.send('POST', '/runs/r1/replan', { eventId: 'no', reason: 'a scrap', draft: everywhere });
  expect(refused.status).toBe(422);
  expect(JSON.stringify(refused.body.errors)).toContain('Scour is over: what comes later was not in it.');

  const next = withJoined(plan.draft, dye, begun, 'scrap');
  const joined = await t.ask<RunView>('replan', '/runs/r1/replan', { eventId: 'join', reason: 'Skein scrap added later', draft: next });
  const lotsOf = (id: string) => joined.plan.steps.find((step) => step.id === id)?.lotIds;
  expect(['c1-scour', 'c2-mordant', 'c5-dye', 'c6-rest'].map(lotsOf)).toEqual([['a'], ['a'], ['a', 'scrap'], ['a', 'scrap']]);
  expect(joined.events.at(-1)).toMatchObject({ type: 'lotIn', joined: true, stepId: 'c5-dye', lotId: 'scrap', atMs: t.clock.nowMs });
  // What was weighed in for the one stays what was weighed in.
  const dose = (of: Plan) => of.steps.find(({ id }) => id === 'c3-extract')?.additions.map(amountOf);
  expect(dose(joined.plan)).toEqual(dose(plan));
  // Sent once more it is the same act.
  const again = await t.ask<RunView>('replan', '/runs/r1/replan', { eventId: 'join', reason: 'Skein scrap added later', draft: next });
  expect(again.events).toHaveLength(joined.events.length);
});

test('since when it is in can be set right, and not be taken back: it would count from the beginning', async () => {
  let tries = 0;
  const take = (change: object) => t.send('POST', '/runs/r1/events', { id: `am${++tries}`, type: 'amended', targetId: 'join-in0', change });
  const refused = await take({ kind: 'withdrawn', reason: 'a slip' });
  expect(refused.status).toBe(422);
  expect(JSON.stringify(refused.body)).toContain('Take it out alone instead');
  expect((await take({ kind: 'retimed', atMs: t.clock.nowMs - 60_000 })).status).toBe(200);
  expect((await take({ kind: 'retimed', atMs: t.clock.nowMs })).status).toBe(200);
});

test('it is in the record with its own minutes, and in its passport only what was done to it', async () => {
  at(445);
  await log('d1', { type: 'stepFinished', stepId: dye.id });
  const record = await t.ask<RunRecord>('runRecord', '/runs/r1/record');
  expect(record.comparisons.find((row) => row.what === 'Skein scrap')).toMatchObject({ planned: 'not planned', actual: 'added later, 33 min in' });
  const { passport } = await t.ask<LotView>('getLot', '/lots/scrap');
  expect(passport.treatments.map(({ kind }) => kind)).toEqual(['dye']);
  expect(passport.treatments.find(({ kind }) => kind === 'dye')?.note).toContain('added later: 33 min in');
  expect(passport.treatments.find(({ kind }) => kind === 'dye')?.how?.inMin).toBe(33);
  // The one that was planned has all of it.
  const first = await t.ask<LotView>('getLot', '/lots/a');
  expect(first.passport.treatments.map(({ kind }) => kind)).toEqual(['scour', 'mordant', 'dye']);
  expect(first.passport.treatments.find(({ kind }) => kind === 'dye')?.how?.inMin).toBe(45);
});

test('what hangs in another pot cannot go in as well', async () => {
  await t.ask('createLot', '/lots', newSkein('busy', 'Skein busy', 50));
  await t.ask('createSession', '/sessions', { id: 's2', draft: draft(['busy'], { name: 'Two', chain: CHAIN }) });
  await t.ask('startRun', '/sessions/s2/runs', { id: 'r2', eventId: 'r2s', planVersion: 1 });
  const view = await t.ask<RunView>('getRun', '/runs/r1');
  const next = { ...view.plan.draft, lotIds: [...view.plan.draft.lotIds, 'busy'], chain: view.plan.draft.chain };
  const refused = await t.send('POST', '/runs/r1/replan', { eventId: 'busy', reason: 'one more', draft: next });
  expect([refused.status, refused.body.detail]).toEqual([409, 'Skein busy: “Two” is running with it. Finish that run first.']);
});
