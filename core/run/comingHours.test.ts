import { describe, expect, test } from 'vitest';
import { home, planned, step, wool } from '../plan/plan.fixture';
import { comingHours, comingSays, type LiveRun } from './comingHours';
import type { RunEvent, RunFact } from './events';
import { runNow } from './runNow';

const MIN = 60_000;
const plan = planned([wool('a', 100)]);
const dye = step(plan, 'dye');
const hold = dye.phases.findIndex(({ kind }) => kind === 'hold');
const ev = (atMs: number, fact: RunFact): RunEvent => ({ ...fact, id: `${atMs}${JSON.stringify(fact)}`, atMs, recordedAtMs: atMs });
const clock = (ms: number) => new Date(ms).toISOString().slice(11, 16);
const before = plan.steps.filter(({ endMs }) => endMs <= dye.startMs);
const log = [
  ev(plan.steps[0]?.startMs ?? 0, { type: 'started', planVersion: 1 }),
  ...before.flatMap(({ id, startMs, endMs }) => [
    ev(startMs, { type: 'phaseEntered', stepId: id, phaseIndex: 0 }),
    ev(endMs, { type: 'stepFinished', stepId: id }),
  ]),
  ev(dye.startMs, { type: 'phaseEntered', stepId: dye.id, phaseIndex: hold }),
];
const live = (events: readonly RunEvent[], nowMs: number, lateMin = 0): LiveRun => ({ id: 'r', plan, lateMin, ...runNow(plan, events, {}, nowMs) });

describe('the coming hours', () => {
  const nowMs = dye.startMs + 10 * MIN;
  const coming = comingHours([live(log, nowMs)], [], home.diary, nowMs, 14);
  const row = coming.rows.find(({ name }) => name === plan.vessels.find(({ id }) => id === dye.vesselId)?.name);
  test('what runs goes on from now for as long as it still takes, by its log', () => {
    const phase = dye.phases[hold];
    const typical = phase?.kind === 'hold' ? phase.minutes.typical : 0;
    expect(row?.stretches[0]).toMatchObject({ asks: 'heat', fromMs: nowMs, toMs: nowMs + (typical - 10) * MIN });
  });
  test('what waits comes as planned, and as much later as the run is behind', () => {
    const later = plan.steps.find(({ startMs, vesselId }) => startMs > nowMs && vesselId);
    const inRow = (of: ReturnType<typeof comingHours>) => of.rows.flatMap(({ stretches }) => stretches).find(({ title }) => title === later?.title);
    expect(inRow(coming)?.fromMs).toBe(later?.startMs);
    expect(inRow(comingHours([live(log, nowMs, 25)], [], home.diary, nowMs, 14))?.fromMs).toBe((later?.startMs ?? 0) + 25 * MIN);
  });
  test('a pause is drawn as what it is: no heat', () => {
    const paused = [...log, ev(nowMs - MIN, { type: 'paused', stepId: dye.id, reason: '' })];
    expect(comingHours([live(paused, nowMs)], [], home.diary, nowMs, 14).rows.flatMap(({ stretches }) => stretches)[0]?.asks).toBe('rest');
  });
  test('in words: when the heat is off, and what wants hands while nobody is there', () => {
    const [heat, ...away] = comingSays(coming, clock);
    expect(heat).toBe(
      `Heat off by ${clock(Math.max(...coming.rows.flatMap(({ stretches }) => stretches.flatMap(({ asks, toMs }) => (asks === 'heat' ? [toMs] : [])))))}.`,
    );
    expect(away).toHaveLength(coming.absences.length);
    expect(away.every((says) => /^Nobody there \d\d:\d\d–\d\d:\d\d: /.test(says))).toBe(true);
  });
  test('a planned session stands in it from its start; one whose time has passed, or is far off, does not', () => {
    const session = (id: string, startMs: number) => ({ id, name: id, startMs, endMs: startMs + 600 * MIN });
    const { rows } = comingHours(
      [],
      [session('soon', nowMs + 60 * MIN), session('passed', nowMs - MIN), session('far', nowMs + 20 * 60 * MIN)],
      home.diary,
      nowMs,
      14,
    );
    expect(rows.map(({ name }) => name)).toEqual(['soon']);
    expect(rows[0]?.calls).toEqual([{ atMs: nowMs + 60 * MIN, text: 'Begin soon' }]);
    expect(comingSays(comingHours([], [], home.diary, nowMs, 14), clock)[0]).toBe('No heat is on or comes.');
    expect(comingSays(comingHours([], [session('soon', nowMs + 60 * MIN)], home.diary, nowMs, 14), clock)[0]).toBe(
      'No heat is on or comes, without what is only planned.',
    );
  });
});
