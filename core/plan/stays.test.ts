import { expect, test } from 'vitest';
import { buildPlan } from './buildPlan';
import { heatShared } from './heatShared';
import { HEAD, home, input, planned, vessels, wool } from './plan.fixture';
import { clashes, type Stay, staysOf, takenVessels } from './stays';

const plan = planned([wool('a', 100)]);
const own = staysOf({ sessionId: 'mine', name: 'Mine', running: false }, plan.steps, plan.vessels);
const names = { vessel: (id: string) => id, heat: (id: string) => id, lot: (id: string) => id, time: String };
const other = (more: Partial<Stay>): Stay => ({
  sessionId: 'jar',
  session: 'Jar on the sill',
  running: true,
  stepId: 's',
  title: 'Sun',
  vesselId: null,
  heatSourceId: null,
  lotIds: [],
  fromMs: 0,
  toMs: Number.MAX_SAFE_INTEGER,
  heat: [],
  ...more,
});
const pot = own.find((stay) => stay.heat.length > 0);
if (!pot) throw new Error('nothing is heated');

test('one pot in two sessions at one time is said once, with whose it is', () => {
  const said = clashes(own, [other({ vesselId: pot.vesselId })], names);
  expect(said).toHaveLength(1);
  expect(said[0]).toMatchObject({ severity: 'caution', text: expect.stringContaining('“Sun” of “Jar on the sill”') });
});
test('before or after each other they share it in peace; so do two on the line', () => {
  expect(clashes(own, [other({ vesselId: pot.vesselId, toMs: plan.steps[0]?.startMs ?? 0 })], names)).toEqual([]);
  expect(clashes(own, [other({ vesselId: 'line' })], names)).toEqual([]);
});
test('one plate under two pots, and one lot in two plans', () => {
  expect(clashes(own, [other({ vesselId: 'elsewhere', heatSourceId: pot.heatSourceId, heat: pot.heat })], names)[0]?.text).toContain('one plate heats one pot');
  expect(clashes(own, [other({ lotIds: ['a'] })], names)[0]?.text).toContain('is also in “Jar on the sill”, which is running');
});
test('a session does not get in its own way', () => expect(clashes(own, [{ ...other({ vesselId: pot.vesselId }), sessionId: 'mine' }], names)).toEqual([]));
test('the second plan takes the free pot by itself', () => {
  const first = plan.steps.find((step) => step.kind === 'scour');
  const taken = other({ vesselId: first?.vesselId ?? null, fromMs: plan.draft.startMs, toMs: plan.draft.startMs + 86_400_000 });
  expect(takenVessels([taken], { fromMs: plan.draft.startMs, toMs: plan.draft.startMs + 1 })).toContain(first?.vesselId);
  const second = buildPlan({ ...input([wool('a', 100)]), others: [taken] }, HEAD).plan;
  expect(second?.steps.find((step) => step.kind === 'scour')?.vesselId).not.toBe(first?.vesselId);
});
test('two pots on one plate now', () => {
  const on = (id: string, heatSourceId: string | null) => ({ stepId: id, vessel: { name: id, heatSourceId } });
  expect(heatShared([on('a', 'heat1'), on('b', 'heat2')], (id) => id)).toEqual([]);
  expect(heatShared([on('a', 'heat1'), on('b', 'heat1')], (id) => id)).toHaveLength(1);
  expect(heatShared([on('a', null), on('b', null)], (id) => id)).toEqual([]);
});
test('reactive pots and other people’s are offered only when there is nothing else', () => {
  const copper = vessels.map((vessel) => (vessel.id === 'steel12' ? { ...vessel, material: 'copper' as const } : vessel));
  const built = buildPlan({ ...input([wool('a', 100)]), vessels: copper, home }, HEAD).plan;
  expect(built?.steps.filter((step) => step.vesselId === 'steel12' && step.kind === 'scour')).toEqual([]);
});
