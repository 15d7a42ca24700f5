import { describe, expect, test } from 'vitest';
import { between, estimated, type Figure, knownValue, measured, UNKNOWN } from '../figure';
import { freshness, spoilByMs } from '../liquor/liquor';
import { shelfOf } from './library';
import { bulkOf } from './spoonOf';
import { type StockItem, shoppingList, stockLevels, sumNeeds, type Use } from './stock';

const item = (id: string, g: number | null, more: Partial<StockItem> = {}): StockItem => ({
  id,
  substance: 'alum',
  form: null,
  label: null,
  amount: g === null ? UNKNOWN : measured(g),
  unit: 'g',
  countedAtMs: 0,
  place: '',
  source: '',
  pricePerUnit: null,
  ownBulkGPerMl: null,
  note: '',
  revision: 1,
  retired: false,
  ...more,
});
const use = (atMs: number, g: number | null, substance = 'alum'): Use => ({
  substance,
  form: null,
  amount: g === null ? UNKNOWN : measured(g),
  unit: 'g',
  atMs,
});
const left = (items: StockItem[], uses: Use[]) => stockLevels(items, uses).map((level) => knownValue(level.left));

describe('stock goes down when a run says it was used', () => {
  test('what was used is taken off', () => expect(left([item('a', 500)], [use(1, 15.2), use(2, 20)])).toEqual([464.8]));
  test('a use before the count is in the count already', () => expect(left([item('a', 500, { countedAtMs: 10 })], [use(5, 100)])).toEqual([500]));
  test('the tin counted first is emptied first', () => expect(left([item('a', 30), item('b', 100, { countedAtMs: 1 })], [use(2, 50)])).toEqual([0, 80]));
  test('more used than there was leaves nothing, never less', () => expect(left([item('a', 30)], [use(1, 50)])).toEqual([0]));
  test('an unknown count, or an unknown use, leaves an unknown rest', () => {
    expect(left([item('a', null)], [use(1, 5)])).toEqual([null]);
    expect(left([item('a', 500)], [use(1, null)])).toEqual([null]);
  });
  test('other substances and other units do not touch it', () =>
    expect(left([item('a', 500)], [use(1, 50, 'chalk'), { ...use(1, 50), unit: 'mL' }])).toEqual([500]));
  test('what was estimated stays an estimate', () =>
    expect(stockLevels([item('a', 0, { amount: estimated(100) })], [use(1, 10)])[0]?.left).toEqual(estimated(90)));
});

describe('ranges on the shelf', () => {
  const levelOf = (amount: Figure, used: Figure) => stockLevels([item('a', 0, { amount })], [{ ...use(1, 1), amount: used }])[0];
  test.each<[Figure, Figure, Figure]>([
    [measured(100), between(10, 20), between(80, 90)],
    [between(100, 200), measured(20), between(80, 180)],
    [between(100, 200), between(10, null), between(0, 190)],
    [measured(15), between(10, 20), between(0, 5)],
  ])('%j less %j leaves %j', (amount, used, rest) => expect(levelOf(amount, used)?.left).toEqual(rest));
  test('what was used is told as the range it was', () => expect(levelOf(measured(100), between(10, 20))?.used).toEqual({ least: 10, most: 20 }));
});

test('a spoon that was weighed is the dyer’s own; without one the library’s range stands', () => {
  const shelf = shelfOf({ dyestuffs: [], assistants: [] });
  expect(bulkOf('alum', shelf, [{ item: item('a', 10, { ownBulkGPerMl: 0.9 }) }])).toEqual([0.9, 0.9]);
  expect(bulkOf('alum', shelf, [{ item: item('a', 10, { ownBulkGPerMl: 0.9, retired: true }) }])).toEqual(shelf.assistant('alum')?.bulkGPerMl);
  expect(bulkOf('nobodyKnows', shelf, [])).toBeNull();
});

describe('what a plan lacks', () => {
  const need = (substance: string, amount: number | null, unit: 'g' | 'mL' = 'g') => ({ substance, name: substance, form: null, unit, amount });
  test('needs of one substance add up; an unknown one makes the sum unknown; water is not bought', () => {
    expect(sumNeeds([need('alum', 10), need('alum', 5), need('water', 9000, 'mL')])).toEqual([need('alum', 15)]);
    expect(sumNeeds([need('alum', 10), need('alum', null)])).toEqual([need('alum', null)]);
  });
  test('only what is missing is listed, with how much', () => {
    const levels = stockLevels([item('a', 12)], []);
    expect(shoppingList([need('alum', 15), need('chalk', 4)], levels)).toMatchObject([
      { substance: 'alum', lack: 3 },
      { substance: 'chalk', lack: 4 },
    ]);
    expect(shoppingList([need('alum', 12)], levels)).toEqual([]);
  });
  test('an unknown amount is listed as unknown, never as enough', () =>
    expect(shoppingList([need('alum', null)], stockLevels([item('a', 500)], []))).toMatchObject([{ lack: null }]));
  test('of a range enough is enough for the most, with the least that may be there', () => {
    const range = { ...need('alum', null), amount: { least: 10, most: 20 } };
    expect(shoppingList([range], stockLevels([item('a', 15)], []))).toMatchObject([{ lack: 5 }]);
    expect(shoppingList([range], stockLevels([item('a', 20)], []))).toEqual([]);
  });
  test('828 mL that nobody weighed are not 0 g', () =>
    expect(shoppingList([need('alum', 5)], stockLevels([item('a', 828, { unit: 'mL' })], []))).toMatchObject([
      { have: { state: 'unknown' }, otherwise: [{ left: measured(828), unit: 'mL' }], lack: null },
    ]));
  test('what was put away does not count', () =>
    expect(shoppingList([need('alum', 5)], stockLevels([item('a', 500, { retired: true })], []))).toMatchObject([{ lack: 5 }]));
});

describe('dried leaf is no fresh leaf', () => {
  const weld = (id: string, g: number, form: 'fresh' | 'dried') => item(id, g, { substance: 'weld', form });
  const shelf = [weld('bundle', 2000, 'dried'), weld('basket', 500, 'fresh')];
  const wanted = (form: 'fresh' | 'dried' | 'spent' | null) => ({ substance: 'weld', name: 'weld', form, unit: 'g' as const, amount: 1500 });
  test.each([
    ['fresh', [2000, 400]],
    ['dried', [1900, 500]],
    [null, [2000, 400]],
    ['spent', [2000, 500]],
  ] as const)('used %s', (form, expected) => expect(left(shelf, [{ ...use(1, 100, 'weld'), form }])).toEqual(expected));
  test('a plan that wants it fresh lacks it, with two kilograms dried on the wall', () => {
    const levels = stockLevels(shelf, []);
    expect(shoppingList([wanted('fresh')], levels)).toMatchObject([{ form: 'fresh', lack: 1000 }]);
    expect(shoppingList([wanted('dried')], levels)).toEqual([]);
    expect(shoppingList([wanted(null)], levels)).toEqual([]);
  });
  test('two forms of one plant are two lines', () => expect(sumNeeds([wanted('fresh'), wanted('dried'), wanted('fresh')])).toHaveLength(2));
});

describe('kept liquors age', () => {
  const day = 86_400_000;
  test.each([
    ['room', 3],
    ['fridge', 14],
    ['freezer', 365],
  ] as const)('in the %s %d days', (keptIn, days) => expect(spoilByMs(0, keptIn, null)).toBe(days * day));
  test('sour or strongly alkaline it keeps longer; either end belongs to it', () => {
    expect([4.5, 4.6, 7, 9.9, 10].map((ph) => spoilByMs(0, 'fridge', ph) / day)).toEqual([28, 14, 14, 14, 21]);
  });
  test('fresh, look first, past', () => {
    const kept = { madeAtMs: 0, spoilByMs: 3 * day };
    expect([day, 2.5 * day, 3.1 * day].map((now) => freshness(kept, now))).toEqual(['fresh', 'lookFirst', 'past']);
    expect(freshness({ madeAtMs: 0, spoilByMs: null }, 1)).toBe('lookFirst');
  });
});
