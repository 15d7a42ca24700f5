import { afterAll, beforeAll, expect, test } from 'vitest';
import type { HeldLast } from '@/core/bath/past';
import type { Plan } from '@/core/plan/plan';
import { draft, SATURDAY_9 } from '@/core/plan/plan.fixture';
import { furnishedApp, type TestApp } from './testApp.fixture';

/** What one session left in a pot and on a skein, told to the next, through the real door. */
let t: TestApp;
const MIN = 60_000;
const DAY = 24 * 60 * MIN;
const skein = (id: string) => ({
  id,
  name: `Wool ${id}`,
  form: 'skein',
  composition: [{ fibre: 'wool', pct: 100 }],
  dryWeightG: { state: 'measured', value: 100 },
  pieces: 1,
  baseHex: null,
  note: '',
});
const log = (fact: object) => t.ask('recordEvent', '/runs/r1/events', { id: `e${t.clock.nowMs}`, ...fact });
const preview = async (lots: string[]) => (await t.ask<{ plan: Plan }>('previewPlan', '/plans/preview', draft(lots, { startMs: t.clock.nowMs }))).plan;
const said = (plan: Plan) => plan.steps.flatMap(({ findings }) => findings).filter(({ rule }) => rule === 'apart');

beforeAll(async () => {
  t = await furnishedApp(SATURDAY_9);
  for (const id of ['a', 'b']) await t.ask('createLot', '/lots', skein(id));
  const plan = await t.ask<Plan>('createSession', '/sessions', { id: 's1', draft: draft(['a'], { name: 'With iron' }) });
  await t.ask('startRun', '/sessions/s1/runs', { id: 'r1', eventId: 'r1s', planVersion: 1 });
  const dye = plan.steps.find(({ kind }) => kind === 'dye');
  if (!dye) throw new Error('no dyebath');
  const acts = [
    { type: 'phaseEntered', stepId: dye.id, phaseIndex: 0 },
    { type: 'addition', stepId: dye.id, additionId: null, substance: 'ironSulfate', amount: { state: 'measured', value: 3 }, unit: 'g' },
    { type: 'stepFinished', stepId: dye.id },
  ];
  for (const act of acts) {
    t.clock.nowMs += 5 * MIN;
    await log(act);
  }
});
afterAll(() => t.close());

test('iron that was logged, though nobody planned it, is told of the pot and of the skein', async () => {
  const held = await t.ask<HeldLast[]>('heldInPots', '/pots/held');
  const withIron = held.filter(({ substances }) => substances.includes('ironSulfate'));
  expect(withIron).toHaveLength(1);
  t.clock.nowMs += 5 * MIN;
  await log({ type: 'finished' });
  t.clock.nowMs = SATURDAY_9 + 14 * DAY;
  const next = await preview(['b']);
  expect(next.past?.held.map(({ vesselId }) => vesselId)).toEqual([withIron[0]?.vesselId]);
  expect(said(next).map(({ text }) => text)).toEqual([expect.stringContaining('last held iron')]);
  // The skein brings 3 % of it along.
  const both = await preview(['a', 'b']);
  expect(both.past?.carried.a?.ironPct).toBe(3);
  expect(said(both).some(({ text }) => text.startsWith('Goods with iron and goods without'))).toBe(true);
});

test('a pot that stood in the cupboard while a dozen other sessions went on is still told of', async () => {
  for (let i = 0; i < 14; i++) {
    t.clock.nowMs += DAY;
    await t.ask('createSession', '/sessions', { id: `o${i}`, draft: draft(['b'], { name: `Another ${i}`, startMs: t.clock.nowMs }) });
    await t.ask('startRun', `/sessions/o${i}/runs`, { id: `ro${i}`, eventId: `ro${i}s`, planVersion: 1 });
    t.clock.nowMs += MIN;
    await t.ask('recordEvent', `/runs/ro${i}/events`, { id: `ro${i}f`, type: 'finished' });
  }
  const next = await preview(['b']);
  expect(said(next).map(({ text }) => text)).toEqual([expect.stringContaining('last held iron')]);
});
