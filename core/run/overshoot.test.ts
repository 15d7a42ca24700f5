import { describe, expect, test } from 'vitest';
import { exactly } from '../chem/band';
import { forecast } from '../chem/forecast';
import { strengthBand } from '../chem/freed';
import { estimated } from '../figure';
import { planned, wool } from '../plan/plan.fixture';
import type { RunEvent, RunFact } from './events';
import { foldRun } from './fold';
import { overshootWays } from './overshoot';
import { bathByStrips } from './phNext';

const plan = planned([wool('a', 100)]);
const dye = plan.steps.find(({ id }) => id === 'c5-dye');
if (!dye) throw new Error('the usual plan has a dyebath');
const step = { ...dye, water: plan.steps.find(({ id }) => id === 'c3-extract')?.water ?? null, phAim: { low: 4, high: 5 } };
let n = 0;
const ev = (fact: RunFact): RunEvent => ({ ...fact, id: `e${++n}`, atMs: n, recordedAtMs: n });
const read = (...values: number[]) => {
  const state = foldRun(plan.steps, [
    ev({ type: 'started', planVersion: 1 }),
    ...values.map((value) => ev({ type: 'reading', stepId: step.id, quantity: 'ph', value })),
    ev({ type: 'reading', stepId: step.id, quantity: 'volumeMl', value: 2000 }),
  ]).steps[step.id];
  if (!state) throw new Error('no state');
  return state;
};
const ways = (values: number[], aim = step.phAim, roomMl: number | null = 3000, lotIds: readonly string[] = ['a']) =>
  overshootWays(plan, { ...step, phAim: aim, lotIds }, read(...values), roomMl);

describe('past its aim (trade handbook T54: 3.4 against 4 to 5 is overshot, 4.0 is in range; common practice, no source)', () => {
  test('nothing is said of what is in range, on its way, or not measured', () => {
    expect([ways([4]), ways([6.4]), ways([])]).toEqual([null, null, null]);
  });
  test('four ways, each with its price', () => {
    const found = ways([6.4, 3.4]);
    expect(found?.says).toBe('pH 3.4 went past 4 to 5.');
    expect(found?.ways.map(({ kind }) => kind)).toEqual(['dilute', 'opposite', 'again', 'afterBath']);
    expect(found?.ways.every(({ price }) => price.length > 20)).toBe(true);
  });
  test('with no goods in it there is nothing to lift', () => expect(ways([3.4], undefined, 3000, [])?.ways.map(({ kind }) => kind)).not.toContain('afterBath'));
  test('whether the water fits is said', () => {
    const price = (roomMl: number | null) => ways([3.8], undefined, roomMl)?.ways[0]?.price;
    expect(price(100_000)).toContain('it fits');
    expect(price(50)).toContain('it does not fit: 50 mL more go in');
    expect(price(null)).toContain('nobody knows');
  });
  test('the opposite, poured in, comes to the end that was passed: the sum forward gives what the sum backward said', () => {
    const state = read(3.4);
    const way = overshootWays(plan, step, state, null)?.ways.find(({ kind }) => kind === 'opposite');
    const found = bathByStrips(plan, step, state);
    if (!way?.adds || !found) throw new Error('an opposite is known');
    const after = forecast(found.bath, [
      { substance: way.adds.substance, amount: exactly(way.adds.amount * 2), strengthPct: strengthBand(way.adds.substance, null) },
    ]);
    expect(after.ok && after.ph.likely).toBeCloseTo(4, 1);
  });
  test('what no kitchen scale tells is poured as a weak solution', () => {
    const way = ways([6.4, 3.8])?.ways.find(({ kind }) => kind === 'opposite');
    expect(way?.title).toMatch(/about [\d.]+ mL of baking soda solution, 1 g in 100 mL of water/);
    expect(way?.adds?.unit).toBe('g');
  });
  test('too alkaline is brought back by acid', () =>
    expect(ways([7, 11.5], { low: 8, high: 9.5 })?.ways.find(({ kind }) => kind === 'opposite')?.adds).toMatchObject({ substance: 'vinegar', unit: 'mL' }));
  test('with something of unknown pH poured in since the strip, no figure is claimed', () => {
    const state = read(3.4);
    const since = { ...state, additions: [{ eventId: 'x', additionId: null, substance: 'bakingSoda', amount: estimated(1), unit: 'g' as const, atMs: 1e9 }] };
    expect(overshootWays(plan, step, since, null)?.ways.map(({ kind }) => kind)).toEqual(['again', 'afterBath']);
  });
});
