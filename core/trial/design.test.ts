import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { cannotTell, cellCount, cellsOf, estimable, fullGrid, gridSize, oneAtATime, parametersOf, pieceCount, reducedDesign, rowOf } from './design';
import { cellKey, DESIGNS, MOST_PIECES } from './trial';

const contrastsOf = (levels: readonly number[]) => {
  const base = rowOf(
    levels,
    levels.map(() => 0),
  );
  return oneAtATime(levels)
    .slice(1)
    .map((cell) => rowOf(levels, cell).map((value, i) => value - (base[i] ?? 0)));
};

describe('grids of the trade', () => {
  // T51 and T76 of the trade handbook; the paste ladder of the walks (common practice, no source).
  test.each([
    ['3 mordant states × 3 strengths × 3 dips', [3, 3, 3], 27],
    ['4 dyes × 5 fibres', [4, 5], 20],
    ['3 rounds × 3 fibres', [3, 3], 9],
    ['3 strengths × 2 mordants × 2 dips', [3, 2, 2], 12],
  ])('%s', (_name, levels, cells) => {
    expect(gridSize(levels)).toBe(cells);
    expect(new Set(fullGrid(levels).map(cellKey)).size).toBe(cells);
  });
  test('one thing at a time: the first, and each other level alone', () => {
    expect(oneAtATime([3, 2])).toEqual([
      [0, 0],
      [1, 0],
      [2, 0],
      [0, 1],
    ]);
  });
  test('a trial with one level has one cell, and says that it tells nothing', () => {
    expect(fullGrid([1])).toEqual([[0]]);
    expect(cannotTell('full', [1], 2).join(' ')).toContain('one level only');
  });
  test('400 pieces are taken, one more is not', () => {
    expect(pieceCount('full', [20, 20], 1, 0)).toBe(MOST_PIECES);
    expect(pieceCount('full', [20, 20], 1, 1)).toBeNull();
  });
});

describe('a reduced design', () => {
  test('parts all main effects with as few cells as they need and two', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 2, max: 6 }), { minLength: 2, maxLength: 4 }), (levels) => {
        const cells = reducedDesign(levels);
        expect(cells.length).toBe(Math.min(gridSize(levels), parametersOf(levels) + 2));
        expect(new Set(cells.map(cellKey)).size).toBe(cells.length);
        const contrasts = contrastsOf(levels);
        expect(
          estimable(
            cells.map((cell) => rowOf(levels, cell)),
            contrasts,
          ),
        ).toEqual(contrasts.map(() => true));
      }),
      { seed: 11, numRuns: 60 },
    );
  });
  test('says what it gives up', () => {
    expect(cannotTell('reduced', [3, 3, 3], 2)).toEqual(['Whether one thing works differently by another: 18 of 27 cells are left out.']);
    expect(cannotTell('full', [3, 3], 2)).toEqual([]);
    expect(cannotTell('full', [3, 3], 1)).toEqual(['How sure a difference is: that takes two pieces of a cell at least.']);
  });
  test('of a giant grid stays small and quick', () => {
    const levels = [12, 12, 12, 12, 12, 12];
    expect(cellCount('reduced', levels)).toBe(reducedDesign(levels).length);
  });
});

test('each design has as many cells as it says', () => {
  for (const levels of [[2], [2, 2], [3, 2, 2], [5, 4]]) for (const design of DESIGNS) expect(cellsOf(design, levels).length).toBe(cellCount(design, levels));
});

test('what was not done cannot be worked out', () => {
  // Alum only with acid, bare only without: which of the two it was, nobody can tell.
  const levels = [2, 2];
  const rows = [
    [0, 0],
    [1, 1],
  ].map((cell) => rowOf(levels, cell));
  expect(estimable(rows, contrastsOf(levels))).toEqual([false, false]);
  expect(estimable([...rows, rowOf(levels, [1, 0])], contrastsOf(levels))).toEqual([true, true]);
  expect(estimable([], contrastsOf(levels))).toEqual([false, false]);
});
