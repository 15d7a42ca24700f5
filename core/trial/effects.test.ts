import { jStat } from 'jstat';
import { describe, expect, test } from 'vitest';
import { seededChance } from '../chance';
import { cellsOf, fullGrid } from './design';
import { effectsOf, type Seen } from './effects';
import type { Design } from './trial';

/** A normal deviate (Box–Muller). */
const normal = (chance: () => number) => Math.sqrt(-2 * Math.log(1 - chance())) * Math.cos(2 * Math.PI * chance());

const LEVELS = [3, 2];
const TRUTH = {
  l: [
    [0, -6, -7.5],
    [0, 2.5],
  ],
  a: [
    [0, 1, 2],
    [0, -1],
  ],
  b: [
    [0, 9, 12],
    [0, 3],
  ],
};
const MIDDLE = { l: 75, a: 2, b: 30 };

function simulated(design: Design, repeats: number, seed: number, sd: number): Seen[] {
  const chance = seededChance(seed);
  return cellsOf(design, LEVELS).flatMap((cell) =>
    Array.from({ length: repeats }, () => {
      const at = (axis: 'l' | 'a' | 'b') => MIDDLE[axis] + cell.reduce((sum, level, i) => sum + (TRUTH[axis][i]?.[level] ?? 0), 0) + sd * normal(chance);
      return { cell, lab: { l: at('l'), a: at('a'), b: at('b') } };
    }),
  );
}
const truthOf = (axis: 'l' | 'a' | 'b', factor: number, from: number, to: number) => (TRUTH[axis][factor]?.[to] ?? 0) - (TRUTH[axis][factor]?.[from] ?? 0);

test('Student’s t is that of the tables', () => {
  // NIST/SEMATECH e-Handbook 1.3.6.7.2, upper critical values at 0.975.
  for (const [freedom, t] of [
    [1, 12.706],
    [2, 4.303],
    [5, 2.571],
    [10, 2.228],
    [30, 2.042],
    [100, 1.984],
  ] as const)
    expect(jStat.studentt.inv(0.975, freedom)).toBeCloseTo(t, 3);
});

describe('a trial whose truth is known', () => {
  test('without scatter each effect is found to the last digit, by whatever design', () => {
    for (const design of ['full', 'single', 'reduced'] as const)
      for (const { factor, from, to, found } of effectsOf(LEVELS, simulated(design, 1, 1, 0)).all)
        for (const axis of ['l', 'a', 'b'] as const) expect(found?.[axis].value).toBeCloseTo(truthOf(axis, factor, from, to), 9);
  });
  test('with a scatter of ΔE 1, each effect lies within its stated 95 % interval in at least nine of ten trials', () => {
    // ΔE 1 in all: a third of its square on each axis. In 400 trials, since of 100 one figure in twelve may fall below 90 by chance alone.
    const [trials, sd] = [400, Math.sqrt(1 / 3)];
    const within = new Map<string, number>();
    for (let seed = 1; seed <= trials; seed++)
      for (const { factor, from, to, found } of effectsOf(LEVELS, simulated('full', 2, seed, sd)).all)
        for (const axis of ['l', 'a', 'b'] as const) {
          const { value, pm } = found?.[axis] ?? { value: Number.NaN, pm: 0 };
          const key = `${factor} ${from} ${to} ${axis}`;
          within.set(key, (within.get(key) ?? 0) + (Math.abs(value - truthOf(axis, factor, from, to)) <= (pm ?? 0) ? 1 : 0));
        }
    const shares = [...within.values()].map((count) => count / trials);
    expect(shares).toHaveLength(12);
    for (const share of shares) expect(share).toBeGreaterThanOrEqual(0.9);
    // An interval that took in everything would pass too.
    for (const share of shares) expect(share).toBeLessThanOrEqual(0.99);
  });
  test('the scatter is that of pieces of one cell', () => {
    const many = simulated('full', 40, 3, 0.6);
    expect(effectsOf(LEVELS, many).scatter).toBeCloseTo(0.6, 1);
  });
});

test('with one piece of each no interval is claimed', () => {
  const { all, scatter } = effectsOf(LEVELS, simulated('full', 1, 5, 0.5));
  expect(scatter).toBeNull();
  expect(all.every(({ found }) => found?.l.pm === null)).toBe(true);
});

test('half a grid tells of what was done, and of nothing else', () => {
  const half = simulated('full', 1, 6, 0).filter(({ cell }) => cell[0] !== 2);
  const { all } = effectsOf(LEVELS, half);
  expect(all.map(({ factor, from, to, found }) => [factor, from, to, found !== null])).toEqual([
    [0, 0, 1, true],
    [0, 0, 2, false],
    [0, 1, 2, false],
    [1, 0, 1, true],
  ]);
  expect(effectsOf(LEVELS, []).all.every(({ found }) => found === null)).toBe(true);
});

test('what works differently by another is said to', () => {
  const seen = fullGrid([2, 2]).flatMap((cell) =>
    [0.2, -0.2].map((off) => ({ cell, lab: { l: 70 + off - (cell[0] === 1 && cell[1] === 1 ? 12 : 0), a: off, b: 20 - off } })),
  );
  expect(effectsOf([2, 2], seen).depends).toBe(true);
  expect(effectsOf(LEVELS, simulated('full', 3, 9, 0.6)).depends).toBe(false);
});
