import { expect, test } from 'vitest';
import { fastnessOfStuff, testedText } from './ofStuff';

test('a dyestuff reads untested until a test of something that it dyed was looked at', () => {
  const grades = [{ atMs: 1, day: 28, change: 4 as const, stain: null }];
  expect(testedText([])).toBe('untested here');
  expect(testedText([{ lot: 'Sash', says: 'light: begun, not looked at yet', grades: [] }])).toBe('untested here');
  expect(testedText([{ lot: 'Sash', says: 'light: 4 after 28 days', grades }])).toBe('tested here: light: 4 after 28 days (Sash)');
});

test('what was tested here goes before what was heard', () => {
  const seen = { lot: 'Sash', says: 'light: 4-5 after 28 days', grades: [{ atMs: 0, day: 28, change: 4.5, stain: null }] } as Parameters<
    typeof testedText
  >[0][number];
  expect(fastnessOfStuff('said', [])).toBe('heard to fade, untested here');
  expect(fastnessOfStuff('said', [{ ...seen, grades: [] }])).toBe('heard to fade, untested here');
  expect(fastnessOfStuff('yes', [seen])).toBe('tested here: light: 4-5 after 28 days (Sash)');
});
