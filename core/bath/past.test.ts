import { expect, test } from 'vitest';
import type { Treatment } from '../fibre/passport';
import { measured, UNKNOWN } from '../figure';
import { planned, SATURDAY_9, step, wool } from '../plan/plan.fixture';
import { foldRun } from '../run/fold';
import { heldLast } from '../run/heldLast';
import { STARTER } from '../shelf/library';
import { heldSince, type Past, pastOf, stillIn } from './past';

const HOUR = 3_600_000;
const NEW = { sessionId: 'new', runId: null };
const did = (kind: Treatment['kind'], substance: string | null, pct: number | null, more: Partial<Treatment> = {}): Treatment => ({
  id: `${kind}/${substance}`,
  kind,
  certainty: 'known',
  substance,
  wofPct: pct === null ? UNKNOWN : measured(pct),
  atMs: 1,
  note: '',
  from: { run: 'r1', stepId: 's' },
  ...more,
});
const IRON = STARTER.nameOf('ironSulfate');
const carried = (...treatments: Treatment[]) => pastOf([], [['a', { treatments }]], NEW, STARTER).carried.a;
const held = (sessionId: string, doneAtMs: number, ...substances: string[]) => ({ sessionId, vesselId: 'steel12', substances, doneAtMs });

test('iron stays on goods through every rinse; what was not rinsed out is there', () => {
  expect(carried(did('iron', IRON, 2), did('rinse', null, null))).toEqual({ unrinsed: [], ironPct: 2 });
  expect(carried(did('iron', IRON, 2, { id: '1' }), did('iron', IRON, 1.5, { id: '2' }))?.ironPct).toBe(3.5);
  expect(carried(did('mordant', IRON, 6), did('rinse', null, null))).toEqual({ unrinsed: [], ironPct: 6 });
  expect(carried(did('mordant', STARTER.nameOf('alum'), 16), did('rinse', null, null))).toBeUndefined();
  expect(carried(did('iron', IRON, null))).toEqual({ unrinsed: ['ironSulfate'], ironPct: 0 });
  expect(carried(did('modifier', STARTER.nameOf('vinegar'), null))).toEqual({ unrinsed: ['vinegar'], ironPct: null });
});
test('what nobody knows of, what was left out, and what a run did itself are no past', () => {
  expect(carried(did('iron', IRON, 2, { certainty: 'noneOnPurpose' }))).toBeUndefined();
  expect(carried(did('iron', IRON, 2, { certainty: 'unknown' }))).toBeUndefined();
  expect(pastOf([], [['a', { treatments: [did('iron', IRON, 2)] }]], { sessionId: 's', runId: 'r1' }, STARTER).carried).toEqual({});
});
test('a vessel tells of its last bath, of another session', () => {
  const all = [held('old', 1, 'ironSulfate'), held('older', 0, 'alum'), held('new', 9, 'vinegar')];
  expect(pastOf(all, [], NEW, STARTER).held.map(({ sessionId }) => sessionId)).toEqual(['old']);
});
test('iron clings; an acid is washed out the next day', () => {
  const past: Past = { held: [held('old', 0, 'ironSulfate', 'vinegar')], carried: {} };
  const at = (ms: number) => stillIn(past, 'steel12', ms, STARTER).map(({ substance }) => substance);
  expect(at(24 * HOUR)).toEqual(['ironSulfate', 'vinegar']);
  expect(at(24 * HOUR + 1)).toEqual(['ironSulfate']);
  expect(stillIn(past, 'enamel8', 1, STARTER)).toEqual([]);
});

const rulesOf = (past: Past, lots = [wool('a', 100)]) =>
  planned(lots, { vessels: { 'c1-mordant': 'enamel8' } }, { past }).steps.flatMap((one) =>
    one.findings.filter(({ rule }) => rule === 'apart').map(({ text }) => `${one.id}: ${text}`),
  );
const inEnamel = { sessionId: 'old', vesselId: 'enamel8', substances: ['ironSulfate'], doneAtMs: SATURDAY_9 - 30 * 24 * HOUR };

test('a plan says that its pot last held iron a month ago, at the first bath in it and not at the next', () => {
  expect(rulesOf({ held: [], carried: {} })).toEqual([]);
  const said = rulesOf({ held: [inEnamel], carried: {} });
  expect(said).toHaveLength(1);
  expect(said[0]).toContain('last held iron');
});
test('a skein that was ironed last year is parted from its neighbours in a wetting bath', () => {
  const said = rulesOf({ held: [], carried: { a: { unrinsed: [], ironPct: 2 } } }, [wool('a', 100), wool('b', 100)]);
  expect(said.some((text) => text.includes('Goods with iron and goods without'))).toBe(true);
  // Both carry it: nothing to part.
  const both = { a: { unrinsed: [], ironPct: 2 }, b: { unrinsed: [], ironPct: 2 } };
  expect(rulesOf({ held: [], carried: both }, [wool('a', 100), wool('b', 100)]).some((text) => text.includes('Goods with iron'))).toBe(false);
});
test('the plan keeps what meets it, and nothing else', () => {
  const past = { held: [inEnamel, { ...inEnamel, vesselId: 'elsewhere' }], carried: { z: { unrinsed: [], ironPct: 2 } } };
  expect(planned([wool('a', 100)], { vessels: { 'c1-mordant': 'enamel8' } }, { past }).past).toEqual({ held: [inEnamel], carried: {} });
  expect(planned([wool('a', 100)]).past).toBeUndefined();
});

test('a run tells what each vessel held last: what was logged, not what was planned', () => {
  const plan = planned([wool('a', 100)]);
  const mordant = step(plan, 'mordant');
  const at = (id: string, ms: number) => ({ id, atMs: ms, recordedAtMs: ms });
  const state = foldRun(plan.steps, [
    { type: 'started', planVersion: 1, ...at('s', 0) },
    { type: 'phaseEntered', stepId: mordant.id, phaseIndex: 0, ...at('e', 1) },
    { type: 'addition', stepId: mordant.id, substance: 'ironSulfate', amount: measured(2), unit: 'g', additionId: null, ...at('a', 2) },
    { type: 'stepFinished', stepId: mordant.id, ...at('f', 3) },
  ]);
  expect(heldLast(plan, state)).toEqual([{ sessionId: plan.sessionId, vesselId: mordant.vesselId, substances: ['ironSulfate'], doneAtMs: 3 }]);
  expect(heldLast(plan, foldRun(plan.steps, []))).toEqual([]);
});

test('what a vessel held after the plan was made is told, as long as it is still in there when it is used', () => {
  const now = 10 * HOUR;
  const plan = { sessionId: 'new', past: { held: [held('old', 1, 'alum')], carried: {} }, steps: [{ vesselId: 'steel12', startMs: 12 * HOUR }] };
  const since = (...all: ReturnType<typeof held>[]) => heldSince(plan, all, now, STARTER).map(({ substances }) => substances);
  expect(since(held('old', 1, 'alum'))).toEqual([]);
  expect(since(held('old', 1, 'alum'), held('other', 9 * HOUR, 'ironSulfate'))).toEqual([['ironSulfate']]);
  // Its own work is no past; what is not in it any more does not matter; nor does another pot.
  expect(since(held('new', 9 * HOUR, 'ironSulfate'))).toEqual([]);
  expect(heldSince({ ...plan, steps: [{ vesselId: 'steel12', startMs: 60 * HOUR }] }, [held('other', 9 * HOUR, 'weld')], now, STARTER)).toEqual([]);
  expect(heldSince({ ...plan, steps: [{ vesselId: 'enamel8', startMs: now }] }, [held('other', 9 * HOUR, 'ironSulfate')], now, STARTER)).toEqual([]);
});
