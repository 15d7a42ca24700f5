import { describe, expect, test } from 'vitest';
import { planned, step, wool } from '../plan/plan.fixture';
import { type Context, contentOf, factsOf } from '../plan/stepFacts';
import type { Content } from '../safety/facts';
import { content } from '../safety/facts.fixture';
import { STARTER } from '../shelf/library';
import { type BathStep, bathAt, bathIdAt } from './bath';
import { bathPh } from './bathPh';

const one = (id: string, more: Partial<BathStep> = {}): BathStep => ({ id, kind: 'mordant', lotIds: ['a'], vesselId: 'pot', water: null, bathId: id, ...more });
const put = (of: Readonly<Record<string, readonly Content[]>>) => (at: BathStep) => of[at.id] ?? [];

describe('what is in a bath', () => {
  const steps = [
    one('extract', { kind: 'extract', lotIds: [] }),
    one('strain', { kind: 'strain', lotIds: [], bathId: 'extract' }),
    one('dye', { kind: 'dye', bathId: 'extract' }),
    one('rinse', { kind: 'rinse', vesselId: 'tub' }),
    one('after', { kind: 'modifier' }),
  ];
  const added = put({
    extract: [content('weld', { grams: 100 }), content('chalk', { grams: 2 })],
    dye: [content('chalk', { grams: 3 })],
    after: [content('vinegar', { mL: 5 })],
  });
  test('it carries what the steps before put in, each once and added up; straining takes the plant out', () => {
    expect(bathAt(steps, 2, added).inBath.map(({ substance, grams }) => [substance, grams])).toEqual([['chalk', 5]]);
    expect(bathAt(steps, 0, added).inBath.map(({ substance }) => substance)).toEqual(['weld', 'chalk']);
  });
  test('another bath in the same vessel knows what was last in it; a rinse takes it off the goods, not out of the pot', () => {
    const after = bathAt(steps, 4, added);
    expect(after.inBath.map(({ substance }) => substance)).toEqual(['vinegar']);
    expect(after.lastInVessel.map(({ substance }) => substance)).toEqual(['chalk']);
    expect(after.onGoods).toEqual([]);
    expect(bathAt(steps.slice(0, 3).concat(one('dip', { vesselId: 'jar' })), 3, added).onGoods.map(({ substance }) => substance)).toEqual(['chalk']);
  });
  test('an amount that nobody knows makes the sum unknown', () =>
    expect(bathAt(steps, 2, put({ extract: [content('chalk')], dye: [content('chalk', { grams: 3 })] })).inBath[0]?.grams).toBeNull());
  test('old plans do not name their baths: the vessel tells', () => {
    const water = planned([wool('a', 100)]).steps[0]?.water ?? null;
    const old = steps.map(({ bathId: _no, ...rest }, i) => (i === 0 || i >= 3 ? { ...rest, water } : rest));
    expect(old.map((_, i) => bathIdAt(old, i))).toEqual(['extract', 'extract', 'extract', 'rinse', 'after']);
  });
});

describe('the pH it settles near', () => {
  test('by dose, not by name: a trace of soda in 4 L of tap water is no alkaline bath', () => {
    expect(bathPh([content('sodaAsh', { gPerL: 0.01 })], 4000)).toBeLessThan(9);
    expect(bathPh([content('sodaAsh', { gPerL: 5 })], 4000)).toBeGreaterThan(11);
  });
  // Handbook checks D4: 100 mL of 5 % vinegar into 4 L of water with 100 mg/L alkalinity
  test('vinegar as the check value says', () =>
    expect(Math.abs((bathPh([content('vinegar', { mL: 100, strengthPct: 5 })], 4100) ?? 0) - 3.79)).toBeLessThan(0.05));
  test('acid and alkali of known amounts meet; of unknown amounts nobody can say', () => {
    expect(bathPh([content('sodaAsh', { gPerL: 1 }), content('citricAcid', { gPerL: 3 })], 4000)).toBeLessThan(5);
    expect(bathPh([content('sodaAsh'), content('citricAcid')], 4000)).toBeNull();
  });
  test('nothing that decides it: not known', () => expect(bathPh([content('alum', { gPerL: 5 })], 4000)).toBeNull());
});

describe('doses in the recipe’s form', () => {
  const plan = planned([wool('a', 100)]);
  const mordant = step(plan, 'mordant');
  const alum = mordant.additions[0];
  if (!alum) throw new Error('no alum');
  const of = (g: number, form: string) => contentOf({ ...alum, overruled: g }, 100, 3000, STARTER, { alum: form });
  test('32 g burnt alum on 100 g are 58.8 % as crystals', () => {
    expect(of(32, 'burnt').wofPct).toBeCloseTo(58.82, 1);
    expect(of(32, 'burnt').reckonedAs).toContain('crystals');
    expect(of(32, 'crystals')).toMatchObject({ wofPct: 32, reckonedAs: null });
  });
  test('a percentage holds though the fibre was never weighed', () =>
    expect(
      contentOf({ ...alum, overruled: null, proposed: { ...alum.proposed, result: null }, perDryG: 0.4 }, null, null, STARTER, { alum: 'crystals' }).wofPct,
    ).toBeCloseTo(40, 9));
  test('iron liquor that is hot for an hour counts its contact', () => {
    const context: Context = {
      steps: plan.steps,
      sketches: plan.steps.map((s) => ({ id: s.id, vessel: null, startsWarm: false, still: false })),
      lots: plan.lots,
      home: plan.home,
      away: [],
      shelf: STARTER,
      labels: {},
      reasons: {},
      seen: { addedIn: (id) => (id === mordant.id ? [content('ironLiquor', { mL: 20 })] : []), ph: null, hottestC: 85 },
    };
    expect(factsOf(mordant, plan.steps.indexOf(mordant), context).ironHotMin).toBeGreaterThan(45);
  });
});
