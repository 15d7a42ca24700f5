import { describe, expect, test } from 'vitest';
import { UNKNOWN } from '../figure';
import { wool } from '../plan/plan.fixture';
import { findLots, indexLots } from './findLots';
import { foldPassport } from './passport';

describe('finding a lot', () => {
  const lots = ['Gotland lamb', 'Peace silk', 'Linen towel'].map((name, i) => ({ ...wool(`l${i}`, 10), name, passport: foldPassport([]) }));
  const index = indexLots(lots.map((lot, i) => (i === 1 ? { ...lot, composition: [{ fibre: 'silk' as const, pct: 100 }] } : lot)));
  const names = (text: string) => findLots(index, { text, form: null, mordant: null }).map((lot) => lot.name);
  test('every word counts, in any order and case', () => {
    expect(names('LAMB gotland')).toEqual(['Gotland lamb']);
    expect(names('silk')).toEqual(['Peace silk']);
    expect(names('')).toHaveLength(3);
    expect(names('lamb silk')).toEqual([]);
  });
  test('pieces of trials are listed when they are asked for, and always found by their words', () => {
    const cut = indexLots([...lots, { ...wool('p', 5), name: 'K4 · Ladder', passport: foldPassport([]), trial: { id: 't' } }]);
    const wish = { text: '', form: null, mordant: null };
    expect(findLots(cut, wish)).toHaveLength(3);
    expect(findLots(cut, { ...wish, pieces: true })).toHaveLength(4);
    expect(findLots(cut, { ...wish, text: 'ladder' }).map((lot) => lot.id)).toEqual(['p']);
  });
  test('by form and by what is known of the mordant', () => {
    expect(findLots(index, { text: '', form: 'cloth', mordant: null })).toEqual([]);
    expect(findLots(index, { text: '', form: null, mordant: 'unknown' })).toHaveLength(3);
  });
  test('by what was done to it, by its note and by its finish', () => {
    const dyed = foldPassport([{ id: 'd', kind: 'dye', certainty: 'known', substance: 'weld', wofPct: UNKNOWN, atMs: 1, note: '', from: { hand: true } }]);
    const rich = indexLots([
      { ...wool('a', 10), passport: dyed },
      { ...wool('b', 10), note: 'from the blue drawer', passport: foldPassport([]) },
      { ...wool('c', 10), finishes: ['superwash'], passport: foldPassport([]) },
    ]);
    const ids = (text: string) => findLots(rich, { text, form: null, mordant: null }).map((lot) => lot.id);
    expect([ids('weld'), ids('blue drawer'), ids('superwash')]).toEqual([['a'], ['b'], ['c']]);
  });
  test('signs of a search language are only letters', () => expect(names('.*')).toEqual([]));
});
