import { describe, expect, test } from 'vitest';
import { homeWindows } from '../schedule/diary';
import { wallTime, zonedMs } from '../time/zone';
import { buildPlan } from './buildPlan';
import { isHeated } from './phase';
import { amountOf } from './plan';
import { CHAIN, HEAD, home, input, planned, SATURDAY_9, step, wool, ZONE } from './plan.fixture';
import { flipNeeded } from './sketchPhases';
import { planTotals } from './totals';

const amount = (s: ReturnType<typeof step>, id: string) => {
  const found = [s.water, ...s.additions].find((a) => a?.id === id);
  return found ? amountOf(found) : undefined;
};

describe('quantities come from the lots’ weights', () => {
  const plan = planned([wool('a', 100), wool('b', 50)]);
  test('10 % alum on 150 g is 15 g, by T13', () => expect(amount(step(plan, 'mordant'), 'alum')).toBeCloseTo(15, 9));
  test('fresh leaf at 10 : 1 on 150 g is 1500 g, by T4', () => expect(amount(step(plan, 'extract'), 'dyestuff')).toBe(1500));
  test('water at 30 mL per g is 4.5 L', () => expect(amount(step(plan, 'mordant'), 'water')).toBe(4500));
  test('each opens to its working', () =>
    expect(step(plan, 'mordant').additions[0]?.proposed).toMatchObject({
      formula: 'dry weight × percent ÷ 100',
      inputs: [{ value: 150 }, { value: 10 }],
      unit: 'g',
    }));
  test('an overruled amount keeps the proposed one beside it', () => {
    const overruled = step(planned([wool('a', 150)], { overrules: { 'c2-mordant/alum': 18 } }), 'mordant').additions[0];
    expect([overruled?.proposed.result, overruled?.overruled]).toEqual([15, 18]);
    expect(overruled && amountOf(overruled)).toBe(18);
  });
});

describe('a plan with a weight missing is a plan', () => {
  const plan = planned([wool('a', 100), wool('b', null)]);
  test('doses are unknown, never 0 (T11)', () => {
    expect(amount(step(plan, 'mordant'), 'alum')).toBeNull();
    expect(step(plan, 'mordant').additions[0]?.proposed.missing).toEqual(['dry weight of the fibre']);
  });
  test('it still has times and vessels', () => expect(plan.steps.every((s) => s.endMs > s.startMs && s.vesselId !== null)).toBe(true));
  test('the fit is unknown', () => expect(step(plan, 'mordant').fit).toBeNull());
});

describe('steps on the clock', () => {
  const plan = planned([wool('a', 150)]);
  test('steps that share lots follow each other; the extraction runs beside them', () => {
    expect(step(plan, 'mordant').startMs).toBeGreaterThanOrEqual(step(plan, 'scour').endMs);
    expect(step(plan, 'dye').startMs).toBeGreaterThanOrEqual(Math.max(step(plan, 'mordant').endMs, step(plan, 'strain').endMs));
    expect(step(plan, 'extract').startMs).toBeLessThan(step(plan, 'mordant').endMs);
  });
  test('the rest begins the moment the dyebath ends, in the same pot, and passes the night', () => {
    const [dye, rest] = [step(plan, 'dye'), step(plan, 'rest')];
    expect(rest.startMs).toBe(dye.endMs);
    expect(rest.vesselId).toBe(dye.vesselId);
  });
  test('heat is on only while somebody is home and awake', () => {
    const windows = homeWindows(home.diary, SATURDAY_9 - 86_400_000, SATURDAY_9 + 14 * 86_400_000);
    for (const s of plan.steps)
      s.phases.forEach((phase, i) => {
        const at = s.phaseTimes[i];
        if (at && isHeated(phase)) expect(windows.some((w) => w.fromMs <= at.fromMs && at.toMs <= w.toMs)).toBe(true);
      });
  });
  test('no vessel and no heat source serves two steps at once', () => {
    for (const a of plan.steps)
      for (const b of plan.steps) {
        if (a.id < b.id && a.vesselId === b.vesselId && a.kind !== 'dry') expect(a.endMs <= b.startMs || b.endMs <= a.startMs).toBe(true);
      }
  });
  test('the finish is never before the bound', () => expect(planTotals(plan).endMs).toBeGreaterThanOrEqual(plan.boundMs));
  test('a start at nine on a working day waits for the evening', () => {
    const monday = planned([wool('a', 100)], { startMs: SATURDAY_9 + 2 * 86_400_000 });
    expect(monday.steps[0]?.whyNotEarlier).toMatchObject({ why: 'nobodyHome' });
  });
});

describe('across the night in which the clocks go forward (29 March 2026, 02:00 to 03:00)', () => {
  const plan = planned([wool('a', 150)], { startMs: zonedMs(ZONE, 2026, 3, 28, 12, 30) });
  test('the rest is as long as it says in real hours, and its lift falls after waking', () => {
    const rest = step(plan, 'rest');
    const at = rest.phaseTimes[1];
    const hours = ((at?.toMs ?? 0) - (at?.fromMs ?? 0)) / 3_600_000;
    expect(hours).toBeGreaterThanOrEqual(8);
    expect(wallTime(at?.toMs ?? 0, ZONE)).toMatchObject({ day: 29, hour: 7, minute: 0 });
    const wallHours = wallTime(at?.toMs ?? 0, ZONE).hour + 24 - (wallTime(at?.fromMs ?? 0, ZONE).hour + wallTime(at?.fromMs ?? 0, ZONE).minute / 60);
    expect(wallHours - hours).toBeCloseTo(1, 6); // the wall clock skipped an hour, the rest did not
  });
});

describe('turning the load (T65)', () => {
  test.each([
    [33, false],
    [454, false],
    [500, true],
  ])('%d g: %s', (g, needed) => expect(flipNeeded(g)).toBe(needed));
});

describe('what cannot be planned is said', () => {
  test.each([
    ['no lots', [], {}, 'Choose at least one lot of fibre.'],
    ['no steps', [wool('a', 100)], { chain: [] }, 'Add at least one step.'],
    [
      'a dyebath without an extraction',
      [wool('a', 100)],
      { chain: CHAIN.filter((c) => c.methodId === 'dyebath') },
      'Dye needs a bath: add an extraction before it, or bring out a kept liquor.',
    ],
    ['heat under a pail', [wool('a', 100)], { vessels: { 'c1-scour': 'pail10' } }, 'Scour needs heat, and pail10 stands on none. Choose another vessel.'],
    [
      'a method from elsewhere',
      [wool('a', 100)],
      { chain: [{ id: 'x', methodId: 'nope', params: {}, dyestuffId: null }] },
      'This method is not in the library.',
    ],
  ])('%s', (_what, lots, more, message) => {
    const built = buildPlan(input(lots as never, more as never), HEAD);
    expect(built.plan).toBeNull();
    expect(built.problems.map((p) => p.message)).toContain(message);
  });
  test('a vessel too small by far is a stop on the step', () => {
    const plan = planned([wool('a', 1500)]);
    expect(plan.findings[0]).toMatchObject({ rule: 'R12', severity: 'stop' });
  });
});

test('an unknown temperature plans a hold without a band', () => {
  const chain = CHAIN.map((c) => (c.id === 'c5' ? { ...c, params: { lowC: null, highC: null } } : c));
  const hold = step(planned([wool('a', 100)], { chain }), 'dye').phases.find((p) => p.kind === 'hold');
  expect(hold?.kind === 'hold' && hold.bandC).toBeNull();
});

test('a thread begins in the colour that was read of the lot last, where somebody read one', () => {
  const { plan } = buildPlan(
    { ...input([{ ...wool('a', 100), baseHex: '#e8e2d2' }]), lots: [{ ...wool('a', 100), baseHex: '#e8e2d2', seenHex: '#8f8b84' }] },
    HEAD,
  );
  expect(plan?.lots[0]?.baseHex).toBe('#8f8b84');
  expect(planned([{ ...wool('a', 100), baseHex: '#e8e2d2' }]).lots[0]?.baseHex).toBe('#e8e2d2');
});
