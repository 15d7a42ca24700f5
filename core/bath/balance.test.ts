import { describe, expect, test } from 'vitest';
import { seededChance } from '../chance';
import { type BathAct, balanceOf, carriedFrom } from './balance';

type Bare = BathAct extends infer A ? (A extends BathAct ? Omit<A, 'atMs' | 'isEstimate'> : never) : never;
const acts = (...all: Bare[]): BathAct[] => all.map((act, i) => ({ ...act, atMs: i, isEstimate: false }) as BathAct);
const water = (mL: number | null, isTopUp = false): Bare => ({ kind: 'water', mL, isTopUp });
const put = (substance: string, amount: number | null, unit: 'g' | 'mL' = 'g', isMatter = false): Bare => ({ kind: 'put', substance, amount, unit, isMatter });
const out = (mL: number | null, way: 'drawn' | 'goods' | 'away' = 'drawn'): Bare => ({ kind: 'out', way, what: '', mL });
const of = (...all: Bare[]) => balanceOf(acts(...all));
const perL = (balance: ReturnType<typeof of>, substance: string) => balance.solutes.find((one) => one.substance === substance)?.perL;

describe('grams in litres (check values T36, T47–T49: common practice, no source)', () => {
  test('T36: 5 g of tartar in 1 L are 5 g/L; 300 mL more water makes it 3.85, 250 mL 4.0', () => {
    expect(perL(of(water(1000), put('creamOfTartar', 5)), 'creamOfTartar')).toBeCloseTo(5, 9);
    expect(perL(of(water(1000), put('creamOfTartar', 5), water(300, true)), 'creamOfTartar')).toBeCloseTo(3.846, 3);
    expect(perL(of(water(1000), put('creamOfTartar', 5), water(250, true)), 'creamOfTartar')).toBeCloseTo(4, 9);
  });
  test('6 g in 1.2 L, topped up with 200 mL: 5.0 becomes 4.3 g/L', () => {
    expect(perL(of(water(1200), put('creamOfTartar', 6)), 'creamOfTartar')).toBeCloseTo(5, 9);
    expect(perL(of(water(1200), put('creamOfTartar', 6), water(200, true)), 'creamOfTartar')).toBeCloseTo(4.2857, 4);
  });
  test('T48, T49: an iron liquor halved twice, 50 mL of it into 50 mL of vinegar: 50, 25 and 12.5 g/L, and 5 g of iron in all', () => {
    const whole = balanceOf(acts(put('vinegar', 100, 'mL'), put('ironSulfate', 5), out(50)));
    const half = balanceOf([
      ...acts(put('vinegar', 50, 'mL')),
      { kind: 'from', what: '', mL: 50, carries: carriedFrom(whole), atMs: 1, isEstimate: false },
      ...acts(out(50)),
    ]);
    const quarter = balanceOf([...acts(put('vinegar', 50, 'mL')), { kind: 'from', what: '', mL: 50, carries: carriedFrom(half), atMs: 1, isEstimate: false }]);
    expect([whole, half, quarter].map((one) => perL(one, 'ironSulfate'))).toEqual([50, 25, 12.5].map((value) => expect.closeTo(value, 9)));
    expect([whole, half, quarter].map((one) => one.volumeMl)).toEqual([50, 50, 100]);
    const iron = [whole, half, quarter].map((one) => one.solutes.find(({ substance }) => substance === 'ironSulfate')?.left ?? 0);
    expect(iron).toEqual([2.5, 1.25, 1.25].map((value) => expect.closeTo(value, 9)));
  });
  test('a master pot: 3.0 + 2.6 + 2.4 L, three times 1.5 L drawn: 8 L, then 3.5 L', () => {
    const from = (mL: number): Bare => ({ kind: 'from', what: 'dock root', mL, carries: [] });
    expect(of(from(3000), from(2600), from(2400)).volumeMl).toBe(8000);
    expect(of(from(3000), from(2600), from(2400), out(1500), out(1500), out(1500)).volumeMl).toBe(3500);
  });
});

describe('what is not known stays unknown, and a reading ends it', () => {
  test('water of unknown volume gives no g/L, until somebody reads the pot', () => {
    const before = of(water(null), put('alum', 12));
    expect([before.volumeMl, perL(before, 'alum')]).toEqual([null, null]);
    const after = of(water(null), put('alum', 12), { kind: 'read', mL: 4000 });
    expect([after.volumeMl, perL(after, 'alum')]).toEqual([4000, 3]);
  });
  test('drawn from a bath of unknown volume, nobody knows what is left; poured away, nothing is', () => {
    const alum = (balance: ReturnType<typeof of>) => balance.solutes[0]?.left;
    expect(alum(of(water(null), put('alum', 12), out(500)))).toBeNull();
    expect(alum(of(water(null), put('alum', 12), out(null, 'away')))).toBe(0);
  });
  test('a reading says how much went without anybody writing it down, and thickens what is left', () => {
    const balance = of(water(4000), put('alum', 12), { kind: 'read', mL: 3000 });
    expect(balance.totals.unaccountedMl).toBe(-1000);
    expect(perL(balance, 'alum')).toBe(4);
  });
  test('more drawn than was thought to be there: then more was there, and nothing is below zero', () => {
    const balance = of(water(1000), put('alum', 12), out(1200));
    expect([balance.volumeMl, balance.totals.unaccountedMl, balance.solutes[0]?.left]).toEqual([0, 200, 0]);
  });
  test('an estimate is one until the next reading', () => {
    const boiled: BathAct = { kind: 'boiled', mL: 300, atMs: 2, isEstimate: true };
    expect(balanceOf([...acts(water(4000)), boiled]).isEstimate).toBe(true);
    expect(balanceOf([...acts(water(4000)), boiled, ...acts({ kind: 'read', mL: 3700 })]).isEstimate).toBe(false);
  });
});

test('matter lies in it and is strained out whole; what is dissolved stays', () => {
  const balance = of(water(3000), put('weld', 200, 'g', true), put('chalk', 3), { kind: 'strained' }, out(1500));
  expect(balance.solutes).toMatchObject([
    { substance: 'weld', left: 0, outAmount: 200, perL: null },
    { substance: 'chalk', left: 1.5, perL: 1 },
  ]);
});
test('the goods’ share is an estimate with two ends', () => {
  const bath = acts(water(4000), put('alum', 12), { kind: 'took', substance: 'alum', share: { low: 0.5, likely: 0.7, high: 0.9 } });
  expect((['low', 'likely', 'high'] as const).map((end) => balanceOf(bath, end).solutes[0]?.left)).toEqual([6, 3.6, 1.2].map((g) => expect.closeTo(g, 9)));
});

test('whatever happens to a bath, each millilitre and gram is somewhere, to 1e-9', () => {
  const chance = seededChance(11);
  const any = (most: number): number => chance() * most;
  const kinds: (() => Bare)[] = [
    () => water(any(5000), chance() < 0.5),
    () => put('alum', any(50)),
    () => put('vinegar', any(200), 'mL'),
    () => put('weld', any(500), 'g', true),
    () => ({ kind: 'from', what: '', mL: any(2000), carries: [{ substance: 'alum', unit: 'g', perMl: any(0.05) }] }),
    () => out(any(3000), chance() < 0.5 ? 'drawn' : 'goods'),
    () => ({ kind: 'boiled', mL: any(500) }),
    () => ({ kind: 'took', substance: 'alum', share: { low: 0.2, likely: any(1), high: 1 } }),
    () => ({ kind: 'strained' }),
    () => ({ kind: 'read', mL: any(8000) }),
  ];
  for (let round = 0; round < 2000; round++) {
    const { volumeMl, totals: t, solutes } = of(...Array.from({ length: 30 }, () => (kinds[Math.floor(any(kinds.length))] as () => Bare)()));
    const there = t.waterMl + t.toppedUpMl + t.liquidsMl + t.fromMl + t.unaccountedMl - t.drawnMl - t.goodsMl - t.awayMl - t.boiledMl;
    expect(Math.abs((volumeMl ?? Number.NaN) - there)).toBeLessThan(1e-9 * Math.max(1, there));
    for (const { inAmount, outAmount, tookAmount, left } of solutes) {
      const sum = (outAmount ?? Number.NaN) + (tookAmount ?? Number.NaN) + (left ?? Number.NaN);
      expect(Math.abs((inAmount ?? Number.NaN) - sum)).toBeLessThan(1e-9 * Math.max(1, inAmount ?? 1));
      expect(left).toBeGreaterThanOrEqual(0);
    }
  }
});
