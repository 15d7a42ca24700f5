import { describe, expect, test } from 'vitest';
import type { Lab } from '../colour/lab';
import { deltaE00 } from '../colour/lab';
import type { LookState } from '../swatch/look';
import { fullGrid } from './design';
import { type PieceSeen, tellsOf } from './tells';
import type { Cell, TrialFactor } from './trial';
import { byHand } from './trial.fixture';

const grid = (factors: readonly TrialFactor[], lab: (cell: Cell, repeat: number) => Lab | null, repeats = 1, state: LookState | null = 'dry'): PieceSeen[] =>
  fullGrid(factors.map(({ levels }) => levels.length)).flatMap((cell, i) =>
    Array.from({ length: repeats }, (_, repeat) => ({ code: `P${i}${repeat}`, lotId: `p${i}${repeat}`, cell, lab: lab(cell, repeat), state })),
  );

const mordant = byHand('Mordant', 'bare', 'alum 10 %', 'alum 16 %');
const after = byHand('After-bath', 'none', 'acid');

test('what alum does, in words and figures, with how sure it is', () => {
  const seen = grid(
    [mordant, after],
    ([m = 0, a = 0], repeat) => ({ l: 84 - 8 * Number(m > 0) + 2.6 * a + (repeat ? 0.4 : -0.4), a: -2, b: 18 + 20 * Number(m > 0) }),
    2,
  );
  const { lines, notTold, of } = tellsOf([mordant, after], seen);
  expect(of).toBe(12);
  expect(notTold).toEqual([]);
  expect(lines.map(({ what }) => what)).toEqual([
    'alum 10 % instead of bare',
    'alum 16 % instead of bare',
    'alum 16 % instead of alum 10 %',
    'acid instead of none',
  ]);
  expect(lines[0]?.says).toContain('darker');
  expect(lines[0]?.l.value).toBeCloseTo(-8, 9);
  expect(lines[0]?.l.pm).toBeGreaterThan(0);
  expect(lines[2]?.says).toContain('cannot be told apart');
});

describe('a ladder', () => {
  const paste = [byHand('Strength', '100 %', '50 %', '25 %'), byHand('Dip', 'weak', 'strong')];
  test('whose steps an eye does not part is said so: 0.8 apart', () => {
    // In the strong dip all is near black; in the weak one the steps show.
    const base = { l: 30, a: 0, b: 0 };
    let near = { ...base };
    while (deltaE00(base, near) < 0.8) near = { ...near, l: near.l + 0.001 };
    const seen = grid(paste, ([s = 0, d = 0]) => (d === 1 ? (s === 0 ? base : s === 1 ? near : { ...base, l: 50 }) : { ...base, l: 40 + 10 * s }));
    const { tooClose } = tellsOf(paste, seen);
    expect(tooClose).toEqual(['100 % and 50 % (strong): 0.8 apart. They cannot be told apart: wider steps, or a weaker bath, would part them.']);
  });
});

test('half filled, it tells of what is there and names what it does not', () => {
  const seen = grid([mordant, after], ([m = 0, a = 0]) => (m === 2 || a === 1 ? null : { l: 80 - 8 * m, a: 0, b: 20 }));
  const { lines, notTold, seen: count, of } = tellsOf([mordant, after], seen);
  expect([count, of]).toEqual([2, 6]);
  expect(lines.map(({ what }) => what)).toEqual(['alum 10 % instead of bare']);
  expect(notTold).toEqual([
    'Not told yet: alum 16 %, acid. The cells that would tell are not looked at.',
    'One piece of each: how sure a difference is, is not known.',
  ]);
});

test('wet is not held against dry', () => {
  const seen = grid([after], ([a = 0]) => ({ l: 80 - 10 * a, a: 0, b: 20 }), 2).map((piece, i) => ({
    ...piece,
    state: i === 3 ? ('wet' as const) : piece.state,
  }));
  const { notTold, seen: count } = tellsOf([after], seen);
  expect(count).toBe(3);
  expect(notTold.join(' ')).toContain('1 piece not looked at dry is left out: wet is not held against dry.');
});

test('controls count for nothing, and an empty grid tells nothing', () => {
  const seen = grid([after], () => null);
  expect(tellsOf([after], [...seen, { code: 'C3', lotId: 'c', cell: null, lab: { l: 90, a: 0, b: 5 }, state: 'dry' }])).toMatchObject({
    lines: [],
    seen: 0,
    of: 2,
  });
});
