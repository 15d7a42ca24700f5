import { expect, test } from 'vitest';
import { WAYS } from '../method/data/ways';
import { LIBRARY } from '../method/library';
import { cutsOf } from './pieces';
import { bathCount, trialChain } from './session';
import type { TrialFactor } from './trial';
import { IRON, MORDANTS, STRENGTHS } from './trial.fixture';

const way = WAYS.find(({ id }) => id === 'scour-to-dye') as (typeof WAYS)[number];
const chain = (...factors: TrialFactor[]) => {
  const pieces = cutsOf({ factors, design: 'full', repeats: 1, controls: 1, lotId: 'wool' }, 1).flatMap((cut) =>
    cut.pieces.map((piece) => ({ ...piece, lotId: piece.code })),
  );
  return { pieces, items: trialChain({ factors, pieces, dyestuffId: 'weld' }, way, (id) => LIBRARY.find(id)) };
};
const told = (items: ReturnType<typeof chain>['items']) => items.map(({ methodId, lotIds }) => `${methodId} ${lotIds?.length ?? 'all'}`);

test('mordants side by side, one bath for all: each piece in its own mordant, the way’s own left out', () => {
  const { items, pieces } = chain(MORDANTS, IRON);
  expect(told(items)).toEqual([
    'scour-protein all',
    'no-mordant 2',
    'alum-10 2',
    'alum-16 2',
    'extract-fresh all',
    'strain all',
    'dyebath all',
    'rest-overnight all',
    'iron-dip 3',
    'rinse all',
    'dry all',
  ]);
  expect(items.find(({ methodId }) => methodId === 'alum-16')?.params).toEqual({ alumPct: 16 });
  expect(items.find(({ methodId }) => methodId === 'extract-fresh')?.dyestuffId).toBe('weld');
  expect(
    bathCount(
      { factors: [MORDANTS, IRON] },
      pieces.filter((piece) => piece.cell),
    ),
  ).toBe(1);
  expect(new Set(items.map(({ id }) => id)).size).toBe(items.length);
});

test('strengths want a bath each, and each dyebath says which', () => {
  const { items } = chain(STRENGTHS, IRON);
  const extracts = items.filter(({ methodId }) => methodId === 'extract-fresh');
  const dyes = items.filter(({ methodId }) => methodId === 'dyebath');
  expect(extracts.map(({ params, lotIds }) => [params.ratio, lotIds?.length])).toEqual([
    [0.5, 2],
    [1, 2],
    [2, 2],
  ]);
  expect(dyes.map(({ bathFrom }) => bathFrom)).toEqual(extracts.map(({ id }) => [id]));
  expect(dyes.map(({ params }) => params)).toEqual([{}, {}, {}]);
  // What is alike for all stays one step.
  expect(told(items).filter((step) => step.startsWith('scour') || step.startsWith('rinse'))).toEqual(['scour-protein all', 'rinse all']);
});

test('a level’s own plant goes into its step, beside the plant of the bath', () => {
  const simmered = { kind: 'step', stage: 'tannin', methodId: 'tannin-simmer', params: {}, dyestuffId: 'oak-gall' } as const;
  const none = { kind: 'step', stage: 'tannin', methodId: null, params: {} } as const;
  const { items } = chain({
    id: 'tannin',
    name: 'Tannin',
    levels: [
      { name: 'none', how: none },
      { name: 'gall', how: simmered },
    ],
  });
  expect(items.filter(({ dyestuffId }) => dyestuffId !== null).map(({ methodId, dyestuffId }) => [methodId, dyestuffId])).toEqual([
    ['tannin-simmer', 'oak-gall'],
    ['extract-fresh', 'weld'],
  ]);
});

test('a control gets nothing', () => {
  const { items, pieces } = chain(MORDANTS);
  const control = pieces.find(({ cell }) => cell === null)?.lotId as string;
  expect(items.some(({ lotIds }) => lotIds?.includes(control))).toBe(false);
});
