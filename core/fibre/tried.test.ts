import { expect, test } from 'vitest';
import { measured, UNKNOWN } from '../figure';
import { foldPassport, type Treatment } from './passport';
import { triedHere, triedText } from './tried';

const treat = (id: string, more: Partial<Treatment>): Treatment => ({
  id,
  kind: 'dye',
  certainty: 'known',
  substance: 'weld',
  wofPct: measured(1000),
  atMs: 1,
  note: '',
  from: { run: 'r1', stepId: 'd' },
  how: { methodId: 'dyebath' },
  ...more,
});
const lot = (name: string, ...treatments: Treatment[]) => ({ name, passport: foldPassport(treatments) });

test('heard becomes tried by what a run saw done', () => {
  const here = triedHere([
    lot('Gotland', treat('a', {}), treat('b', { from: { run: 'r2', stepId: 'd' }, wofPct: measured(200) })),
    lot('Noil', treat('c', { from: { run: 'r2', stepId: 'd' }, wofPct: UNKNOWN })),
  ]);
  expect(here.substances.get('weld')).toEqual({ runs: 2, lots: ['Gotland', 'Noil'], shares: ['10 : 1', '2 : 1'] });
  expect(here.methods.get('dyebath')).toMatchObject({ runs: 2, lots: ['Gotland', 'Noil'] });
  expect(triedText(here.substances.get('weld'))).toBe('Tried here twice, on Gotland, Noil, with 10 : 1, 2 : 1.');
});

test.each([
  ['a belief', { certainty: 'believed' as const }],
  ['what was left out', { certainty: 'noneOnPurpose' as const }],
  ['an entry by hand', { from: { hand: true } as const }],
])('%s is no trial', (_what, more) => {
  const here = triedHere([lot('Gotland', treat('a', more))]);
  expect([here.substances.size, here.methods.size]).toEqual([0, 0]);
  expect(triedText(here.substances.get('weld'))).toBe('Heard of, not tried here yet.');
});

test('many lots are counted, not listed', () => {
  const lots = Array.from({ length: 9 }, (_, i) => lot(`Lot ${i + 1}`, treat(`t${i}`, {})));
  expect(triedText(triedHere(lots).substances.get('weld'))).toBe('Tried here once, on Lot 1, Lot 2, Lot 3 and 6 more, with 10 : 1.');
});
