import { expect, test } from 'vitest';
import { METHODS } from '@/core/method/library';
import type { Method } from '@/core/method/method';
import { costOf, type FactorDraft, factorOf, figureOf, levelsFault, NONE, type TrialValues, trialBody } from './trialDraft';

const nameOf = (id: string) => ({ 'alum-10': 'Alum, low', 'iron-dip': 'Iron dip', 'lot-1': 'Hemp jersey' })[id] ?? id;
const factor = (kind: FactorDraft['kind'], ...picks: string[]): FactorDraft => ({ id: kind, kind, name: '', picks });
const values = (factors: FactorDraft[], more: Partial<TrialValues> = {}): TrialValues => ({
  id: 't',
  name: 'Trial',
  question: '',
  factors,
  design: 'full',
  repeats: 1,
  controls: 1,
  pieceText: '5 g',
  wayId: null,
  dyestuffId: null,
  lotId: 'lot-1',
  ...more,
});

test.each([
  ['0.5', 0.5],
  ['0,5', 0.5],
  ['90', 90],
  ['0', null],
  ['-1', null],
  ['strong', null],
  ['2 : 1', null],
])('the figure of a level “%s” is %s', (typed, value) => {
  expect(figureOf(typed)).toBe(value);
});

test('levels know how they come about', () => {
  expect(factorOf(factor('iron', NONE, 'iron-dip'), nameOf).levels).toEqual([
    { name: 'none', how: { kind: 'step', stage: 'iron', methodId: null, params: {} } },
    { name: 'Iron dip', how: { kind: 'step', stage: 'iron', methodId: 'iron-dip', params: {} } },
  ]);
  expect(factorOf(factor('minutes', '30', '60'), nameOf).levels.map(({ name, how }) => [name, how])).toEqual([
    ['30 min', { kind: 'figure', stage: 'dye', param: 'holdMin', value: 30 }],
    ['60 min', { kind: 'figure', stage: 'dye', param: 'holdMin', value: 60 }],
  ]);
  expect(factorOf({ ...factor('other', 'weak', 'strong'), name: 'Dip' }, nameOf)).toMatchObject({
    name: 'Dip',
    levels: [{ how: { kind: 'hand' } }, { name: 'strong' }],
  });
});

test('a level whose method asks for a plant is asked for it, and takes it into the session', () => {
  const methods = [{ ...(METHODS.find(({ needsDyestuff, stage }) => needsDyestuff && stage === 'tannin') as Method) }];
  const [{ id: gall } = { id: '' }] = methods;
  const tannin = factor('tannin', NONE, gall);
  expect(levelsFault([tannin], methods, nameOf)).toBe(`Choose the plant for ${gall}.`);
  const chosen = { ...tannin, plants: { [gall]: 'oak-gall' } };
  expect(levelsFault([chosen], methods, nameOf)).toBeNull();
  expect(factorOf(chosen, nameOf).levels[1]).toEqual({
    name: `${gall}, oak-gall`,
    how: { kind: 'step', stage: 'tannin', methodId: gall, params: {}, dyestuffId: 'oak-gall' },
  });
});

test('what it comes to: twelve cells, thirteen pieces, a bath for each strength', () => {
  const cost = costOf(values([factor('strength', '0.5', '1', '2'), factor('mordant', 'no-mordant', 'alum-10'), factor('iron', NONE, 'iron-dip')]), nameOf);
  expect(cost).toMatchObject({ cells: 12, pieces: 13, baths: 3 });
  expect(cost?.notTold).toEqual(['How sure a difference is: that takes two pieces of a cell at least.']);
  expect(costOf(values([factor('mordant')]), nameOf)).toBeNull();
});

test('too many are said to be, without making them', () => {
  const many = Array.from({ length: 12 }, (_, i) => `${i + 1}`);
  const six = Array.from({ length: 6 }, (_, i): FactorDraft => ({ ...factor('other', ...many), id: `f${i}`, name: `F${i}` }));
  expect(costOf(values(six), nameOf)).toMatchObject({ cells: 12 ** 6, pieces: null });
});

test('where the fibre differs, no other lot is cut', () => {
  expect(trialBody(values([factor('fibre', 'lot-1', 'lot-2')]), nameOf, 5)).toMatchObject({
    pieceG: 5,
    lotId: null,
    factors: [{ name: 'Fibre', levels: [{ name: 'Hemp jersey' }, { name: 'lot-2' }] }],
  });
});
