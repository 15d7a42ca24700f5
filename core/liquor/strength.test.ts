import { describe, expect, test } from 'vitest';
import { seededChance } from '../chance';
import { type Linear, labOf } from '../colour/lab';
import { blendOf, enoughFor, learnShare, leftAfter, nextColours } from './strength';

const load = (depth: number): Linear => [0.2 * depth, 0.5 * depth, 2 * depth];

describe('what is left of a bath', () => {
  test('before any result: a wide range, and said to rest on none', () => {
    const guess = learnShare([]);
    expect(guess.n).toBe(0);
    expect(guess.share.high - guess.share.low).toBeGreaterThan(0.3);
  });
  test('a second load half as deep on as much fibre: half was taken', () =>
    expect(learnShare([{ first: load(1), second: load(0.5), firstG: 50, secondG: 50 }])).toMatchObject({ n: 1, share: { likely: expect.closeTo(0.5, 9) } }));
  test('half as deep on twice the fibre: as much again was there, so next to nothing had been taken', () =>
    expect(learnShare([{ first: load(1), second: load(0.5), firstG: 50, secondG: 100 }]).share.likely).toBeCloseTo(0.05, 9));
  test('several pairs narrow it', () => {
    const pairs = [0.5, 0.45, 0.55, 0.5].map((depth) => ({ first: load(1), second: load(depth), firstG: 50, secondG: 50 }));
    const [one, four] = [learnShare(pairs.slice(0, 1)), learnShare(pairs)];
    expect(four.share.high - four.share.low).toBeLessThan(one.share.high - one.share.low);
  });
  test('each load takes its share of what is there', () => {
    const taken = { share: { low: 0.5, likely: 0.5, high: 0.5 }, n: 3 };
    expect(leftAfter(taken, []).likely).toBe(1);
    expect(leftAfter(taken, [1, 1]).likely).toBe(0.25);
    // A strip a tenth as heavy takes a tenth of a load's share.
    expect(leftAfter(taken, [1, 0.1]).likely).toBeCloseTo(0.475, 9);
    expect(enoughFor(leftAfter(taken, [1]), 60)).toEqual({ low: 30, likely: 30, high: 30 });
  });
  test('three draws of 3.0, 2.6 and 2.4 L: between two fifths and three quarters of the first one, by hand', () => {
    const blend = blendOf([
      { n: 1, mL: 3000 },
      { n: 2, mL: 2600 },
      { n: 3, mL: 2400 },
    ]);
    // Takes 60 %: 1 + 0.4 + 0.16 of the first one's colour in 8 L instead of 3 L; 80 %: 1.24; 40 %: 1.96.
    expect(blend?.likely).toBeCloseTo((1.56 * 3) / 8, 12);
    expect(blend?.low).toBeCloseTo((1.24 * 3) / 8, 12);
    expect(blend?.high).toBeCloseTo((1.96 * 3) / 8, 12);
  });
  test('without the first draw there is nothing to hold it against; of first draws alone nothing is weaker', () => {
    expect(blendOf([{ n: 2, mL: 1000 }])).toBeNull();
    expect(blendOf([{ n: 1, mL: 1000 }])).toBeNull();
    expect(blendOf([])).toBeNull();
  });
  test('the truth lies in what is said in at least 80 of 100 simulated dyers with noise', () => {
    const chance = seededChance(3);
    const noise = () => 1 + (chance() + chance() + chance() - 1.5) * 0.3;
    let held = 0;
    for (let i = 0; i < 100; i++) {
      const truth = 0.3 + 0.5 * chance();
      const pairs = Array.from({ length: 3 }, () => ({ first: load(noise()), second: load((1 - truth) * noise()), firstG: 50, secondG: 50 }));
      const { share } = learnShare(pairs);
      if (share.low <= truth && truth <= share.high) held++;
    }
    expect(held).toBeGreaterThanOrEqual(80);
  });
});

describe('the colour that a next load may have', () => {
  const left = { low: 0.2, likely: 0.4, high: 0.6 };
  const next = (g: number) => nextColours('#7a5a2c', '#e8e2d2', left, 60, g);
  test('paler than the first, the less is left the paler', () => {
    const { low, likely, high } = next(60);
    const l = [low, likely, high].map((hex) => labOf(hex).l);
    expect(l).toEqual(l.toSorted((a, b) => b - a));
    expect(l[2]).toBeGreaterThan(labOf('#7a5a2c').l);
  });
  test('on so little fibre that as much dye is there for each gram, it is the first colour again', () => {
    const { likely } = nextColours('#7a5a2c', '#e8e2d2', { low: 0.4, likely: 0.4, high: 0.4 }, 60, 24);
    expect(labOf(likely).l).toBeCloseTo(labOf('#7a5a2c').l, 0);
  });
});
