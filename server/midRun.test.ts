import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { newSkein } from '@/contract/lot.fixture';
import type { LotView, RunRecord, RunView } from '@/contract/views';
import type { Draft } from '@/core/plan/draft';
import type { Plan, PlanStep } from '@/core/plan/plan';
import { amountOf } from '@/core/plan/plan';
import { CHAIN, draft, SATURDAY_9 } from '@/core/plan/plan.fixture';
import { withRescue } from '@/core/plan/rescue';
import { furnishedApp, type TestApp } from './testApp.fixture';

/** Three skeins in one weld bath; at the look after 12 minutes the third stays pale. */
let t: TestApp;
let plan: Plan;
const MIN = 60_000;
const lot = (id: string) => newSkein(id, `Skein ${id}`, 50);
const log = (id: string, fact: object) => t.ask('recordEvent', '/runs/r1/events', { id, ...fact });
const stepOf = (of: Plan, id: string): PlanStep => {
  const found = of.steps.find((one) => one.id === id);
  if (!found) throw new Error(id);
  return found;
};
const at = (min: number) => {
  t.clock.nowMs = SATURDAY_9 + min * MIN;
};
const chain = CHAIN.map((item) => (item.id === 'c2' ? { ...item, lotIds: ['a', 'b'] } : item));

beforeAll(async () => {
  t = await furnishedApp(SATURDAY_9);
  for (const id of ['a', 'b', 'c']) await t.ask('createLot', '/lots', lot(id));
  await t.ask('addTreatment', '/lots/c/treatments', {
    id: 'believed',
    kind: 'mordant',
    certainty: 'believed',
    substance: 'potash alum',
    wofPct: { state: 'unknown' },
    atMs: null,
    note: '',
  });
  plan = await t.ask<Plan>('createSession', '/sessions', { id: 's1', draft: draft(['a', 'b', 'c'], { name: 'Three', chain }) });
  await t.ask('startRun', '/sessions/s1/runs', { id: 'r1', eventId: 'r1s', planVersion: 1 });
});
afterAll(() => t.close());

test('at planning, only the one of which it is believed is asked about', () =>
  expect(plan.questions.map((one) => [one.lotId, one.state])).toEqual([['c', 'believed']]));

describe('the rest is changed while it runs', () => {
  const changed = (more: Partial<Draft>): Promise<{ status: number; body: { detail?: string; errors?: { message: string }[] } }> =>
    t.send('POST', '/runs/r1/replan', { eventId: `x${Math.random().toString(36).slice(2)}`, reason: 'other plans', draft: { ...plan.draft, ...more } });
  test('what has begun stays: it is neither changed nor left out, nor are its lots', async () => {
    at(10);
    await log('s0', { type: 'phaseEntered', stepId: 'c1-scour', phaseIndex: 0 });
    const faults = async (more: Partial<Draft>) => {
      const answer = await changed(more);
      expect(answer.status).toBe(422);
      return answer.body.errors?.map((one) => one.message).join(' ') ?? '';
    };
    expect(await faults({ chain: plan.draft.chain.slice(1) })).toContain('Scour has begun: it cannot be left out');
    expect(await faults({ chain: plan.draft.chain.map((item) => (item.id === 'c1' ? { ...item, params: { holdMin: 90 } } : item)) })).toContain(
      'it stays as it was planned',
    );
    expect(await faults({ lotIds: ['a', 'b'], chain: plan.draft.chain })).toContain('Skein c is in it already');
    expect(await faults({ overrules: { 'c1-scour/soap': 3 } })).toContain('its amounts and its cover stay as they were planned');
  });
  test('what is still to come may be changed, as a new version with its reason', async () => {
    const next = plan.draft.chain.map((item) => (item.id === 'c2' ? { ...item, params: { alumPct: 12 } } : item));
    const view = await t.ask<RunView>('replan', '/runs/r1/replan', { eventId: 'ch1', reason: 'a little more alum', draft: { ...plan.draft, chain: next } });
    expect(view.plan.version).toBe(2);
    const [alum] = stepOf(view.plan, 'c2-mordant').additions;
    expect(alum && amountOf(alum)).toBeCloseTo(12, 9);
    expect(stepOf(view.plan, 'c2-mordant').startMs).toBeGreaterThanOrEqual(t.clock.nowMs);
    plan = view.plan;
  });
});

describe('the pale skein', () => {
  test('all are lifted, the pale one goes into alum, all go back for the rest of the hold; a version with the reason', async () => {
    at(400);
    for (const id of ['c1-scour', 'c2-mordant', 'c3-extract', 'c4-strain']) {
      if (id !== 'c1-scour') await log(`b-${id}`, { type: 'phaseEntered', stepId: id, phaseIndex: 0 });
      await log(`f-${id}`, { type: 'stepFinished', stepId: id });
    }
    const dye = stepOf(plan, 'c5-dye');
    const hold = dye.phases.findIndex((phase) => phase.kind === 'hold');
    await log('d0', { type: 'phaseEntered', stepId: dye.id, phaseIndex: hold });
    at(412);
    await log('d1', { type: 'checked', stepId: dye.id, finding: 'Skein c stays pale' });
    await log('d2', { type: 'stepFinished', stepId: dye.id });
    const next = withRescue(plan.draft, plan, dye, ['c'], 12, ['c9', 'c10']);
    const view = await t.ask<RunView>('replan', '/runs/r1/replan', { eventId: 'resc', reason: 'Skein c stays pale after 12 min', draft: next });
    plan = view.plan;
    const mordant = plan.steps.find((step) => step.id.startsWith('c9-'));
    expect(mordant?.lotIds).toEqual(['c']);
    const [alum] = mordant?.additions ?? [];
    expect(alum && amountOf(alum)).toBe(5);
    expect(mordant?.phases.find((phase) => phase.kind === 'hold')).toMatchObject({ minutes: { min: 60, max: 90 } });
    const back = plan.steps.find((step) => step.id.startsWith('c10-'));
    expect(back?.lotIds).toEqual(['a', 'b', 'c']);
    expect(back?.bathId).toBe(dye.bathId);
    expect(back?.phases.find((phase) => phase.kind === 'hold')).toMatchObject({ minutes: { typical: 45 } });
    expect(back?.startMs).toBeGreaterThanOrEqual(mordant?.endMs ?? 0);
    expect([plan.version, plan.reason]).toEqual([3, 'Skein c stays pale after 12 min']);
    expect(stepOf(plan, 'c6-rest').startMs).toBeGreaterThanOrEqual(back?.endMs ?? 0);
  });
  test('minutes in the bath: 12 and 45 for each; a lot that is lifted alone has its own', async () => {
    const [mordant, back] = [plan.steps.find((step) => step.id.startsWith('c9-')), plan.steps.find((step) => step.id.startsWith('c10-'))];
    if (!mordant || !back) throw new Error('no rescue');
    at(420);
    await log('m0', { type: 'phaseEntered', stepId: mordant.id, phaseIndex: 0 });
    await log('m2', { type: 'addition', stepId: mordant.id, additionId: 'alum', substance: 'alum', amount: { state: 'measured', value: 5 }, unit: 'g' });
    at(500);
    await log('m1', { type: 'stepFinished', stepId: mordant.id });
    const hold = back.phases.findIndex((phase) => phase.kind === 'hold');
    await log('k0', { type: 'phaseEntered', stepId: back.id, phaseIndex: hold });
    at(530);
    await log('k1', { type: 'lotOut', stepId: back.id, lotId: 'b' });
    at(545);
    await log('k2', { type: 'stepFinished', stepId: back.id });
    const record = await t.ask<RunRecord>('runRecord', '/runs/r1/record');
    const held = (stepId: string) => record.comparisons.find((row) => row.stepId === stepId && row.what === 'hold')?.actual;
    expect(held('c5-dye')).toContain('12 min');
    expect(held(back.id)).toContain('45 min');
    expect(record.comparisons.find((row) => row.stepId === back.id && row.what === 'Skein b')).toMatchObject({
      actual: '30 min in',
      difference: 'Skein b in 15 min less than the others',
    });
    const notes = async (id: string) =>
      (await t.ask<LotView>('getLot', `/lots/${id}`)).passport.treatments.filter((one) => one.kind === 'dye').map((one) => one.note);
    expect((await notes('b')).join()).toContain('lifted alone: 30 min in');
    expect((await notes('a')).join()).not.toContain('alone');
    const hows = (await t.ask<LotView>('getLot', '/lots/a')).passport.treatments
      .filter((one) => one.kind === 'dye')
      .map((one) => [one.how?.draw, one.how?.inMin]);
    expect(hows).toEqual([
      [1, 12],
      [2, 45],
    ]);
    expect((await t.ask<LotView>('getLot', '/lots/c')).passport.state.mordant).toBe('known');
  });
  test('a lot of another session is refused', async () =>
    expect((await t.send('POST', '/runs/r1/events', { id: 'no', type: 'lotOut', stepId: 'c6-rest', lotId: 'zz' })).status).toBe(422));
});
