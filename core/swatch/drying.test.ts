import { describe, expect, test } from 'vitest';
import { foldPassport, type Treatment } from '../fibre/passport';
import { UNKNOWN } from '../figure';
import { type Dried, driedOf, dryOf, learnDrying, wetFor } from './drying';
import { look } from './look.fixture';
import { swatchesOf } from './swatch';

const treat = (kind: Treatment['kind'], substance: string, atMs: number): Treatment => ({
  id: kind,
  kind,
  certainty: 'known',
  substance,
  wofPct: UNKNOWN,
  atMs,
  note: '',
  from: { hand: true },
});
const passport = foldPassport([treat('mordant', 'potash alum', 1), treat('dye', 'weld', 2)]);
const typed = (l: number) => ({ lab: { l, a: 0, b: 40 }, by: { kind: 'typed' as const } });
const byLamp = (l: number) => ({ lab: { l, a: 0, b: 40 }, by: { kind: 'picture' as const, hash: 'h', card: null, spread: 1, leftOut: 0 } });
const swatch = (...looks: Parameters<typeof swatchesOf>[2]) => {
  const [only] = swatchesOf('lot', passport, looks);
  if (!only) throw new Error('no swatch');
  return only;
};

describe('a result that was read wet and dry', () => {
  test('tells how it dried: from the last wet reading to the first dry one', () => {
    const one = swatch(
      look('w1', 5, { state: 'wet', colour: typed(50) }),
      look('w2', 6, { state: 'rinsed', colour: typed(55) }),
      look('d', 9, { colour: typed(63) }),
      look('d2', 20, { state: 'cured', colour: typed(66) }),
    );
    expect(driedOf(one, 'wool')).toEqual({ dyes: 'weld', fibre: 'wool', mordant: 'potash alum', by: { l: 8, a: 0, b: 0 } });
  });
  test('tells nothing where the light may be what differs, or one of the two is missing', () => {
    expect(driedOf(swatch(look('w', 5, { state: 'wet', colour: byLamp(50) }), look('d', 9, { colour: typed(63) })), 'wool')).toBeNull();
    expect(driedOf(swatch(look('w', 5, { state: 'wet', colour: typed(50) })), 'wool')).toBeNull();
    expect(driedOf(swatch(look('d', 5, { colour: typed(63) }), look('w', 9, { state: 'wet', colour: typed(50) })), 'wool')).toBeNull();
  });
});

describe('what was learnt', () => {
  const dried = (l: number, more: Partial<Dried> = {}): Dried => ({ dyes: 'weld', fibre: 'wool', mordant: 'potash alum', by: { l, a: 0, b: -2 }, ...more });
  const kind = { dyes: 'weld', fibre: 'wool', mordant: 'potash alum' };
  test('of nothing is nothing', () => expect(learnDrying([], kind)).toBeNull());
  test('is of the nearest kind of which there are two, with how far they spread', () => {
    const all = [dried(8), dried(10), dried(20, { fibre: 'silk' }), dried(30, { dyes: 'madder' })];
    expect(learnDrying(all, kind)).toEqual({ n: 2, of: 'weld on wool, potash alum', by: { l: 9, a: 0, b: -2 }, spread: Math.SQRT2 });
    expect(learnDrying(all, { ...kind, mordant: 'iron' })).toMatchObject({ n: 2, of: 'weld on wool, whatever the mordant' });
    expect(learnDrying(all, { ...kind, fibre: 'hemp' })).toMatchObject({ n: 3, of: 'weld, whatever the fibre' });
    expect(learnDrying(all, { dyes: 'dock', fibre: 'hemp', mordant: '' })).toMatchObject({ n: 4, of: 'everything of yours' });
  });
  test('of one alone says no spread', () => expect(learnDrying([dried(8)], kind)).toMatchObject({ n: 1, spread: null }));
  test('leads from wet to dry and back', () => {
    const wet = { l: 50, a: 3, b: 30 };
    const drying = { by: { l: 9, a: 0, b: -2 } };
    expect(dryOf(wet, drying)).toEqual({ l: 59, a: 3, b: 28 });
    expect(wetFor(dryOf(wet, drying), drying)).toEqual(wet);
    expect(dryOf({ ...wet, l: 96 }, drying).l).toBe(100);
  });
});
