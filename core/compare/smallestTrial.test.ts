import { expect, test } from 'vitest';
import type { Factor } from './passports';
import { smallestTrial } from './smallestTrial';

const factor = (what: string, verdict: Factor['verdict']): Factor => ({ what, verdict, a: '', b: '' });

test('one difference, or none, needs no trial', () => {
  expect(smallestTrial([factor('fibre', 'same')])).toBeNull();
  expect(smallestTrial([factor('fibre', 'same'), factor('mordant', 'differs')])).toBeNull();
});
// T78, T80
test('two need each of one with each of the other, twice over: 8 pieces', () => {
  const trial = smallestTrial([factor('dye', 'differs'), factor('preparation', 'differs'), factor('fibre', 'same')]);
  expect(trial).toMatchObject({ pieces: 8, design: 'full', says: expect.stringContaining('each dye with each preparation (2 × 2), twice over') });
});
test('what nobody knows must be tried as well', () => expect(smallestTrial([factor('dye', 'differs'), factor('scour', 'cannotTell')])?.pieces).toBe(8));
test('three need one as the first and each change alone, twice over', () =>
  expect(smallestTrial(['dye', 'mordant', 'fibre'].map((what) => factor(what, 'differs')))).toMatchObject({
    pieces: 8,
    design: 'single',
    says: expect.stringContaining('another dye, mordant, fibre'),
  }));
test('what lies in the past is kept alike by one day', () =>
  expect(smallestTrial([factor('dye', 'differs'), factor('mordanted', 'differs')])?.says).toContain('Done all on one day, mordanted is alike for all'));
test('too much is no trial', () =>
  expect(smallestTrial(['a', 'b', 'c', 'd', 'e', 'f', 'g'].map((what) => factor(what, 'differs')))).toMatchObject({
    pieces: 0,
    says: expect.stringContaining('more alike'),
  }));
test('what is to be changed is named with both its levels, so that the trial can be made of it', () => {
  const trial = smallestTrial([
    { what: 'mordant', a: 'alum 10 %', b: 'alum 15 %', verdict: 'differs' },
    { what: 'minutes', a: '45 min', b: '60 min', verdict: 'differs' },
    factor('order', 'differs'),
  ]);
  expect(trial?.changes).toEqual([
    { what: 'mordant', levels: ['alum 10 %', 'alum 15 %'] },
    { what: 'minutes', levels: ['45 min', '60 min'] },
  ]);
});
