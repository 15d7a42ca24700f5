import { describe, expect, test } from 'vitest';
import { zonedMs } from '../time/zone';
import { buildPlan } from './buildPlan';
import type { ChainItem, Draft } from './draft';
import { flexedText } from './flexed';
import { isWait } from './phase';
import { HEAD, input, planned, wool, ZONE } from './plan.fixture';

/** What a person typed is kept; a length that nobody touched may give way to the night, and the plan says so. */

const item = (id: string, methodId: string, more: Partial<ChainItem> = {}): ChainItem => ({ id, methodId, params: {}, dyestuffId: null, ...more });
const linen = { ...wool('a', 300), name: 'Linen', composition: [{ fibre: 'linen' as const, pct: 100 }] };
const chain = (params: ChainItem['params']): ChainItem[] => [
  item('t', 'tannin-simmer', { dyestuffId: 'oakGall', params }),
  item('m', 'al-acetate'),
  item('d', 'dry'),
];
const sunday = (hour: number) => zonedMs(ZONE, 2026, 6, 7, hour);
const planAt = (startMs: number, params: ChainItem['params'], more: Partial<Draft> = {}) => planned([linen], { startMs, chain: chain(params), ...more });
const waitOf = (plan: ReturnType<typeof planAt>, id: string) => {
  const step = plan.steps.find((one) => one.id.startsWith(`${id}-`) && one.phases.some(isWait));
  const index = step?.phases.findIndex(isWait) ?? -1;
  const phase = step?.phases[index];
  const at = step?.phaseTimes[index];
  if (!step || !phase || !isWait(phase) || !at) throw new Error(`no wait in ${id}`);
  return { step, minutes: phase.minutes, placedMin: (at.toMs - at.fromMs) / 60_000, endMs: at.toMs };
};

describe('a wait that was typed', () => {
  test.each(Array.from({ length: 24 }, (_, hour) => hour))('of 12 h, begun at %d:00, is 12 h in the plan and at the stove', (hour) => {
    const plan = planAt(sunday(hour), { soakMin: 720 });
    const { minutes, placedMin } = waitOf(plan, 't');
    expect([placedMin, minutes.typical, minutes.usual]).toEqual([720, 720, undefined]);
    // What follows keeps to the diary: nobody is asked to get up for it.
    const awake = (ms: number) => plan.absences.every((gap) => ms < gap.fromMs || ms >= gap.toMs);
    for (const step of plan.steps) expect(awake(step.startMs), step.title).toBe(true);
  });
  test('what it costs is offered with its price, and not taken', () => {
    const plans = Array.from({ length: 24 }, (_, hour) => planAt(sunday(hour), { soakMin: 720 })).filter(({ saving }) => saving);
    expect(plans.length).toBeGreaterThan(3);
    for (const { saving, steps } of plans) {
      expect(saving?.waits).toMatchObject([{ stepId: 't-tannin', typedMin: 720 }]);
      expect(saving?.waits[0]?.couldMin).toBeLessThan(720);
      expect(Math.max(...steps.map(({ endMs }) => endMs)) - (saving?.endMs ?? 0)).toBeGreaterThanOrEqual(6 * 3_600_000);
    }
  });
  test('is not cut for a deadline either: how much too late it is, is said', () => {
    const plan = planAt(sunday(11), { soakMin: 720 }, { endByMs: sunday(22) });
    expect(waitOf(plan, 't').placedMin).toBe(720);
    expect(plan.inTime?.isMet).toBe(false);
  });
  test.each(Array.from({ length: 24 }, (_, hour) => hour))('of any kind in any method, begun at %d:00, stands as it was typed', (hour) => {
    for (const [methodId, key, minutes] of [
      ['rest-overnight', 'restMin', 500],
      ['dry', 'dryMin', 777],
      ['wet-out', 'soakMin', 95],
    ] as const) {
      const many = [
        item('x', 'extract-fresh', { dyestuffId: 'weld' }),
        item('s', 'strain'),
        item('d', 'dyebath'),
        item('r', 'rest-overnight'),
        item('e', 'dry'),
      ];
      const at =
        methodId === 'wet-out'
          ? [item('w', 'wet-out', { params: { [key]: minutes } }), ...many]
          : many.map((one) => (one.methodId === methodId ? { ...one, params: { [key]: minutes } } : one));
      const { plan, problems } = buildPlan(input([wool('a', 100)], { startMs: sunday(hour), chain: at }), HEAD);
      if (!plan) throw new Error(problems[0]?.message);
      const typed = plan.steps.flatMap((step) => step.phases.flatMap((phase, i) => (isWait(phase) && phase.minutes.typed ? [step.phaseTimes[i]] : [])));
      expect(
        typed.map((window) => window && (window.toMs - window.fromMs) / 60_000),
        methodId,
      ).toEqual([minutes]);
    }
  });
});

describe('a wait that nobody touched', () => {
  test('may give within its range; then field, stove and sentence say the length of the plan', () => {
    const said = Array.from({ length: 24 }, (_, hour) => planAt(sunday(hour), {})).flatMap((plan) => {
      const { minutes, placedMin, step } = waitOf(plan, 't');
      expect(minutes.typical).toBe(Math.round(placedMin));
      expect(placedMin).toBeGreaterThanOrEqual(minutes.min);
      expect(placedMin).toBeLessThanOrEqual(minutes.max);
      const sentences = flexedText(plan).filter((sentence) => sentence.startsWith(`${step.title}:`));
      expect(sentences).toHaveLength(minutes.usual === undefined ? 0 : 1);
      return sentences;
    });
    expect(said.some((sentence) => /instead of the usual .*because nobody is there/.test(sentence))).toBe(true);
  });
  test('of days is not cut by days to end days sooner: that saves no night', () => {
    const plan = planned([linen], { startMs: sunday(9), chain: [item('b', 'bundle-cold', { dyestuffId: 'heather' })] });
    const days = plan.steps.flatMap((step) => step.phases.filter(isWait).map(({ minutes }) => minutes)).filter(({ typical }) => typical > 2000);
    expect(days.map(({ usual }) => usual)).toEqual(days.map(() => undefined));
  });
});
