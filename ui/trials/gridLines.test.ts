import { expect, test } from 'vitest';
import { cellsOf } from '@/core/trial/design';
import type { Design, TrialFactor } from '@/core/trial/trial';
import { byHand } from '@/core/trial/trial.fixture';
import { gridLines } from './gridLines';

const pieces = (factors: readonly TrialFactor[], design: Design) => [
  ...cellsOf(
    design,
    factors.map(({ levels }) => levels.length),
  ).map((cell, i) => ({ code: `P${i}`, lotId: `p${i}`, cell, lab: null, hex: null, state: null })),
  { code: 'K4', lotId: 'k4', cell: null, lab: null, hex: null, state: null },
];
const drawn = (factors: readonly TrialFactor[], design: Design) =>
  gridLines({ trial: { factors }, pieces: pieces(factors, design) }).map(({ name, cells }) => [name, cells.map((own) => own.length)]);

const strength = byHand('Strength', '100 %', '50 %');
const mordant = byHand('Mordant', 'none', 'alum');
const dip = byHand('Dip', 'weak', 'strong', 'twice');

test('the last thing runs across, the others down, the controls below', () => {
  expect(drawn([strength, mordant, dip], 'full')).toEqual([
    ['100 %, none', [1, 1, 1]],
    ['100 %, alum', [1, 1, 1]],
    ['50 %, none', [1, 1, 1]],
    ['50 %, alum', [1, 1, 1]],
    ['kept out', [1]],
  ]);
});
test('of a smaller design only lines with a piece are there, and what it left out is empty', () => {
  expect(drawn([strength, dip], 'single')).toEqual([
    ['100 %', [1, 1, 1]],
    ['50 %', [1, 0, 0]],
    ['kept out', [1]],
  ]);
});
test('one thing alone is one line', () => expect(drawn([dip], 'full')[0]).toEqual(['', [1, 1, 1]]));
test('a giant grid of which few cells are cut is as small as its pieces', () => {
  const twelve = Array.from({ length: 6 }, (_, i) => byHand(`F${i}`, ...Array.from({ length: 12 }, (_, k) => `${i}.${k}`)));
  expect(drawn(twelve, 'reduced').length).toBeLessThan(80);
});
