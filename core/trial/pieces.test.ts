import { expect, test } from 'vitest';
import { seededChance } from '../chance';
import { codes, cutsOf } from './pieces';
import type { TrialFactor } from './trial';
import { byHand } from './trial.fixture';

const ladder = [byHand('strength', '100 %', '50 %', '25 %'), byHand('mordant', 'none', 'alum'), byHand('dip', 'weak', 'strong')];

test('twelve pieces of a paste ladder and two controls: each cell once, each code once, one lot', () => {
  const cuts = cutsOf({ factors: ladder, design: 'full', repeats: 1, controls: 2, lotId: 'linen' }, 4);
  expect(cuts.map((cut) => cut.lotId)).toEqual(['linen']);
  const pieces = cuts[0]?.pieces ?? [];
  expect(pieces).toHaveLength(14);
  expect(new Set(pieces.map((piece) => piece.code)).size).toBe(14);
  expect(new Set(pieces.flatMap(({ cell }) => (cell ? [cell.join()] : []))).size).toBe(12);
  expect(pieces.filter(({ cell }) => cell === null)).toHaveLength(2);
});

test('the codes tell nothing of what a piece got: their order is not that of the grid', () => {
  const pieces = cutsOf({ factors: ladder, design: 'full', repeats: 1, controls: 0, lotId: 'linen' }, 4)[0]?.pieces ?? [];
  const byCode = pieces.map(({ cell }) => cell?.join());
  expect(byCode).not.toEqual(byCode.toSorted((a = '', b = '') => a.localeCompare(b)));
  // The same seed gives the same codes: a request that is sent again cuts nothing else.
  expect(cutsOf({ factors: ladder, design: 'full', repeats: 1, controls: 0, lotId: 'linen' }, 4)[0]?.pieces).toEqual(pieces);
});

test('where the fibre differs, each lot gives its own cells, and the controls are spread', () => {
  const fibre: TrialFactor = { id: 'fibre', name: 'Fibre', levels: ['wool', 'hemp'].map((lotId) => ({ name: lotId, how: { kind: 'lot', lotId } })) };
  const cuts = cutsOf({ factors: [fibre, byHand('dip', 'weak', 'strong')], design: 'full', repeats: 3, controls: 2, lotId: 'wool' }, 9);
  expect(cuts.map(({ lotId, pieces }) => [lotId, pieces.length])).toEqual([
    ['wool', 7],
    ['hemp', 7],
  ]);
  expect(cuts[1]?.pieces.every(({ cell }) => cell === null || cell[0] === 1)).toBe(true);
});

test('four hundred codes are all different and none has a letter that is taken for another', () => {
  const all = codes(400, seededChance(1));
  expect(new Set(all).size).toBe(400);
  expect(all.join('')).not.toMatch(/[IOQSZ0125]/);
});
