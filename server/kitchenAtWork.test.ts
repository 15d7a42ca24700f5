import { afterAll, beforeAll, expect, test } from 'vitest';
import type { LotView, RunView } from '@/contract/views';
import type { Home } from '@/core/kitchen/home';
import type { Plan } from '@/core/plan/plan';
import { draft, SATURDAY_9, vessels } from '@/core/plan/plan.fixture';
import type { Stay } from '@/core/plan/stays';
import { furnishedApp, type TestApp } from './testApp.fixture';

/** A run that is worked on while another is planned, through the real door. */
let t: TestApp;
let plan: Plan;
const MIN = 60_000;
const lot = (id: string, dryWeightG: object) => ({
  id,
  name: `Wool ${id}`,
  form: 'skein',
  composition: [{ fibre: 'wool', pct: 100 }],
  dryWeightG,
  pieces: 1,
  baseHex: null,
  note: '',
});
const log = (id: string, fact: object) => t.ask('recordEvent', '/runs/r1/events', { id, ...fact });
const step = (kind: string) => {
  const found = plan.steps.find((one) => one.kind === kind);
  if (!found) throw new Error(kind);
  return found;
};

beforeAll(async () => {
  t = await furnishedApp(SATURDAY_9);
  await t.ask('createLot', '/lots', lot('a', { state: 'unknown' }));
  await t.ask('createLot', '/lots', lot('b', { state: 'measured', value: 100 }));
  plan = await t.ask<Plan>('createSession', '/sessions', { id: 's1', draft: draft(['a'], { name: 'First' }) });
  await t.ask('startRun', '/sessions/s1/runs', { id: 'r1', eventId: 'r1s', planVersion: 1 });
});
afterAll(() => t.close());

test('a weight found at the stove reaches the lot, and a weight given by hand is not overwritten', async () => {
  await log('w1', { type: 'lotWeighed', lotId: 'a', dryWeightG: 152 });
  const first = await t.ask<LotView>('getLot', '/lots/a');
  expect(first).toMatchObject({ dryWeightG: { state: 'measured', value: 152 }, revision: 2 });
  await log('w2', { type: 'lotWeighed', lotId: 'a', dryWeightG: 99 });
  expect((await t.ask<LotView>('getLot', '/lots/a')).dryWeightG).toEqual({ state: 'measured', value: 152 });
});
test('what the run still takes of the kitchen is told, and the next plan is moved out of its way', async () => {
  const stays = await t.ask<Stay[]>('stays', '/stays');
  expect(stays.filter((stay) => stay.sessionId === 's1' && stay.running)).toHaveLength(plan.steps.length);
  const { revision: _r, ...pot } = vessels[1] as (typeof vessels)[number];
  await t.ask('createVessel', '/vessels', { ...pot, id: 'third', name: 'Third pot' });
  const second = (await t.ask<{ plan: Plan }>('previewPlan', '/plans/preview', draft(['b'], { name: '' }))).plan;
  expect(second.steps.find((one) => one.kind === 'scour')?.vesselId).toBe('third');
});
test('an act is not set before the run began, and the start not years back: each is refused in words', async () => {
  t.clock.nowMs = SATURDAY_9 + 10 * MIN;
  await log('s0', { type: 'phaseEntered', stepId: step('scour').id, phaseIndex: 0 });
  const retime = (targetId: string, atMs: number) =>
    t.send('POST', '/runs/r1/events', { id: `re-${targetId}-${atMs}`, type: 'amended', targetId, change: { kind: 'retimed', atMs } });
  expect(await retime('s0', SATURDAY_9 - 30 * MIN)).toMatchObject({
    status: 422,
    body: { detail: expect.stringContaining('Set “run begun” in the log further back first') },
  });
  expect(await retime('r1s', Date.UTC(2000, 0, 1))).toMatchObject({ status: 422, body: { detail: expect.stringContaining('No run began so long before') } });
  expect((await retime('r1s', SATURDAY_9 - 60 * MIN)).status).toBe(200);
  expect((await retime('s0', SATURDAY_9 - 30 * MIN)).status).toBe(200);
});
test('a step that began early or late takes its vessel from when it really began', async () => {
  const stay = (await t.ask<Stay[]>('stays', '/stays')).find((one) => one.stepId === step('scour').id);
  const lengthMs = step('scour').endMs - step('scour').startMs;
  expect(stay).toMatchObject({ fromMs: SATURDAY_9 - 30 * MIN, toMs: Math.max(SATURDAY_9 - 30 * MIN + lengthMs, t.clock.nowMs + MIN) });
});
test('a replan once a dye before its rest is finished: the rest follows as soon as it can', async () => {
  t.clock.nowMs = SATURDAY_9 + 600 * MIN;
  for (const kind of ['scour', 'mordant', 'extract', 'strain', 'dye']) {
    const { id: stepId } = step(kind);
    await log(`b-${kind}`, { type: 'phaseEntered', stepId, phaseIndex: 0 });
    await log(`f-${kind}`, { type: 'stepFinished', stepId });
  }
  t.clock.nowMs += 25 * MIN;
  const view = await t.ask<RunView>('replan', '/runs/r1/replan', { eventId: 're1', reason: 'late' });
  const rest = view.plan.steps.find((one) => one.kind === 'rest');
  expect(rest?.startMs).toBeGreaterThanOrEqual(t.clock.nowMs);
});
test('a run under way calls as the home says now; what it was planned with stays as it was', async () => {
  const before = (await t.ask<RunView>('getRun', '/runs/r1')).plan.home.attendMin;
  const had = await t.ask<Home>('getHome', '/home');
  await t.ask('putHome', '/home', { ...had, attendMin: 17, lookAt: '18:30' });
  const view = await t.ask<RunView>('getRun', '/runs/r1');
  expect([view.plan.home.attendMin, view.plan.home.lookAt]).toEqual([17, '18:30']);
  expect(before).not.toBe(17);
  // The plan itself is a record.
  expect((await t.ask<{ plan: Plan }>('getSession', '/sessions/s1')).plan.home.attendMin).toBe(before);
});
