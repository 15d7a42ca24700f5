import { describe, expect, test } from 'vitest';
import { seededChance } from '../chance';
import type { Lab } from '../colour/lab';
import { type SampleLook, stopRule } from './stopRule';

const DAY = 86_400_000;
const FIRST: Lab = { l: 88, a: 0, b: 8 };
const END: Lab = { l: 55, a: 12, b: 30 };
/** A sample on its way from FIRST to END; k per day. */
function sample(days: readonly number[], k: number, noise: () => number = () => 0, end = END): SampleLook[] {
  return days.map((day) => {
    const share = -Math.expm1(-k * day);
    return {
      atMs: day * DAY,
      lab: {
        l: FIRST.l + (end.l - FIRST.l) * share + noise(),
        a: FIRST.a + (end.a - FIRST.a) * share + noise(),
        b: FIRST.b + (end.b - FIRST.b) * share + noise(),
      },
    };
  });
}
/** Normal noise (Box–Muller). */
function normal(seed: number, sd: number): () => number {
  const chance = seededChance(seed);
  return () => sd * Math.sqrt(-2 * Math.log(Math.max(1e-12, chance()))) * Math.cos(2 * Math.PI * chance());
}

describe('a jar looked at daily', () => {
  test('without noise: its share to the percent, and what waiting would add', () => {
    const rule = stopRule(sample([0, 1, 2, 3, 4, 5], 0.5));
    expect(rule).toMatchObject({ kind: 'on', done: expect.closeTo(1 - Math.exp(-2.5), 6), moreMin: 2880 });
    expect(rule.says).toMatch(/^92 % of its way is done, counted from the first look; 2 d more would add about ΔE \d\.\d/);
  });
  test('a jar read 78, 66, 59, 55.5 and 53.8 on its evenings is nearly there: 91 %, 1.6 in two more days, 95 % on day 4.9', () => {
    const rule = stopRule([78, 66, 59, 55.5, 53.8].map((l, day) => ({ atMs: day * 86_400_000, lab: { l, a: 12, b: -8 } })));
    if (rule.kind !== 'on') throw new Error(rule.says);
    expect(rule.done).toBeCloseTo(0.91, 2);
    expect([rule.least < 0.91, rule.most > 0.91]).toEqual([true, true]);
    expect(rule.adds).toBeCloseTo(1.6, 1);
    expect(rule.says).toContain('95 % about 4.9 d after the first look');
  });
  test('at its end waiting adds nothing that is seen', () => expect(stopRule(sample([0, 1, 2, 3, 4, 6, 8, 10], 0.9)).says).toContain('which nobody sees'));
  test('never is all of it done', () => expect(stopRule(sample([0, 1, 2, 3, 5, 8, 13, 21], 2)).says).toMatch(/^99 %/));
  test.each<[string, SampleLook[], RegExp]>([
    ['nobody looked', [], /nobody looked yet/],
    ['three looks', sample([0, 1, 2], 0.5), /3 of at least 4/],
    ['nothing takes', sample([0, 1, 2, 3, 4], 0.5, () => 0, { l: 87.5, a: 0, b: 8.4 }), /nothing has changed/],
    ['as fast as at first', sample([0, 1, 2, 3, 4], 0.005, () => 0, { l: -600, a: 0, b: 8 }), /as fast as at first/],
    ['up and down', [...sample([0], 1), ...sample([1, 2, 3, 4, 5], 1).map((look, i) => (i % 2 ? { ...look, lab: FIRST } : look))], /contradict|open/],
  ])('%s: cannot tell yet, and says when to look next', (_what, looks, why) => {
    const rule = stopRule(looks);
    expect(rule.kind).toBe('cannotTell');
    expect(rule.says).toMatch(why);
    if (looks.length > 0 && rule.kind === 'cannotTell') expect(rule.lookAtMs).toBeGreaterThan(looks.at(-1)?.atMs ?? 0);
  });
});

test('the truth lies in the stated 80 % interval in 70 to 95 of 100 simulated jars with noise', () => {
  let inside = 0;
  let told = 0;
  for (let seed = 1; seed <= 100; seed++) {
    const k = 0.4 + (seed % 5) * 0.1;
    const rule = stopRule(sample([0, 0.5, 1, 1.5, 2, 3, 4, 5, 6], k, normal(seed, 0.8)));
    if (rule.kind !== 'on') continue;
    told++;
    const truth = -Math.expm1(-k * 6);
    if (truth >= rule.least && truth <= rule.most) inside++;
  }
  expect(told).toBeGreaterThan(90);
  expect(inside / told).toBeGreaterThan(0.7);
  expect(inside / told).toBeLessThan(0.95);
});
