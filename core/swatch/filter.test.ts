import { expect, test } from 'vitest';
import { havingAll, indexFactors } from './filter';

const index = indexFactors([
  {
    id: 'a',
    factors: [
      ['fibre', 'wool'],
      ['mordant', 'alum 10 %'],
    ],
  },
  {
    id: 'b',
    factors: [
      ['fibre', 'wool'],
      ['mordant', 'alum 15 %'],
    ],
  },
  {
    id: 'c',
    factors: [
      ['fibre', 'silk'],
      ['mordant', 'alum 10 %'],
    ],
  },
]);

test('factors as they are met, the commonest value first', () => {
  expect(index.map(({ what }) => what)).toEqual(['fibre', 'mordant']);
  expect(index[0]?.values).toEqual([
    { says: 'wool', ids: ['a', 'b'] },
    { says: 'silk', ids: ['c'] },
  ]);
});

test('any of the values of one factor, and all of the factors', () => {
  expect(havingAll(index, [])).toBeNull();
  expect(havingAll(index, [['fibre', 'wool']])).toEqual(new Set(['a', 'b']));
  expect(
    havingAll(index, [
      ['mordant', 'alum 10 %'],
      ['mordant', 'alum 15 %'],
    ]),
  ).toEqual(new Set(['a', 'b', 'c']));
  expect(
    havingAll(index, [
      ['mordant', 'alum 10 %'],
      ['fibre', 'wool'],
    ]),
  ).toEqual(new Set(['a']));
  expect(
    havingAll(index, [
      ['mordant', 'iron'],
      ['fibre', 'wool'],
    ]),
  ).toEqual(new Set());
});
