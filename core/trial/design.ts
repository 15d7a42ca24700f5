import { Matrix, SVD } from 'ml-matrix';
import { type Cell, type Design, MOST_PIECES } from './trial';

/** Cells of a grid, by the number of levels of each factor. */

/** How many cells the full grid has. */
export const gridSize = (levels: readonly number[]): number => levels.reduce((product, count) => product * count, 1);

/** Every cell, the last factor running fastest. @param levels at least 1 each; together at most `MOST_PIECES` × 100 cells */
export const fullGrid = (levels: readonly number[]): Cell[] =>
  levels.reduce<Cell[]>((cells, count) => cells.flatMap((cell) => Array.from({ length: count }, (_, level) => [...cell, level])), [[]]);

/** The first of all, and each other level alone: 1 + Σ (levels − 1) cells. */
export const oneAtATime = (levels: readonly number[]): Cell[] => {
  const first = levels.map(() => 0);
  return [first, ...levels.flatMap((count, i) => Array.from({ length: count - 1 }, (_, k) => first.with(i, k + 1)))];
};

/** Parameters of the model without interactions: a middle, and each level but the first of each factor. */
export const parametersOf = (levels: readonly number[]): number => levels.reduce((sum, count) => sum + count - 1, 1);

/** A row of the model: 1, then for each factor a 1 at its level unless that is the first. */
export function rowOf(levels: readonly number[], cell: Cell): number[] {
  return [1, ...levels.flatMap((count, i) => Array.from({ length: count - 1 }, (_, k) => (cell[i] === k + 1 ? 1 : 0)))];
}

/** Cells beyond those that the figures need, so that there is something to see the scatter by. */
const SPARE = 2;
/** A grid of more cells than this is thinned before the search. */
const MOST_CANDIDATES = 600;

/**
 * A part of the grid that still parts all factors, as long as none works differently by another: cells are taken one at a
 * time, each the one that makes det(XᵀX) grow most (greedy D-optimal; Fedorov 1972 names the criterion).
 * @returns the whole grid where that is no bigger
 */
export function reducedDesign(levels: readonly number[]): Cell[] {
  const wanted = parametersOf(levels) + SPARE;
  if (gridSize(levels) <= wanted) return fullGrid(levels);
  const all = candidates(levels);
  const size = parametersOf(levels);
  // (XᵀX + εI)⁻¹ of what is taken; det grows by 1 + xᵀ M x, and M by Sherman–Morrison. A row of the model has few ones.
  const inverse = Array.from({ length: size }, (_, i) => Array.from({ length: size }, (_, k): number => (i === k ? 1e6 : 0)));
  const ones = all.map((cell) => rowOf(levels, cell).flatMap((value, i) => (value === 1 ? [i] : [])));
  const sumOver = (row: readonly number[] | undefined, own: readonly number[]) => own.reduce((sum, i) => sum + (row?.[i] ?? 0), 0);
  const gainOf = (own: readonly number[]) => own.reduce((sum, i) => sum + sumOver(inverse[i], own), 0);
  const chosen: Cell[] = [];
  const taken = new Set<number>();
  while (chosen.length < wanted) {
    let best = -1;
    let most = Number.NEGATIVE_INFINITY;
    for (const [i, own] of ones.entries()) {
      if (taken.has(i)) continue;
      const gain = gainOf(own);
      if (gain > most + 1e-9) [best, most] = [i, gain];
    }
    const [own, cell] = [ones[best], all[best]];
    if (!own || !cell) break;
    taken.add(best);
    chosen.push(cell);
    const mx = inverse.map((row) => sumOver(row, own));
    for (const [i, row] of inverse.entries()) for (let k = 0; k < size; k++) row[k] = (row[k] ?? 0) - ((mx[i] ?? 0) * (mx[k] ?? 0)) / (1 + most);
  }
  return chosen.toSorted((a, b) => a.reduce((sign, level, i) => sign || level - (b[i] ?? 0), 0));
}

function candidates(levels: readonly number[]): Cell[] {
  if (gridSize(levels) <= MOST_CANDIDATES) return fullGrid(levels);
  // Of a giant grid a lattice: each factor runs at its own pace, so that every pair of levels meets.
  return Array.from({ length: MOST_CANDIDATES }, (_, n) => levels.map((count, i) => Math.floor(n / 2 ** i + n * i) % count));
}

export function cellsOf(design: Design, levels: readonly number[]): Cell[] {
  switch (design) {
    case 'full':
      return fullGrid(levels);
    case 'single':
      return oneAtATime(levels);
    case 'reduced':
      return reducedDesign(levels);
  }
}

/** How many cells a design has, without making a giant one. */
export const cellCount = (design: Design, levels: readonly number[]): number =>
  design === 'full' ? gridSize(levels) : design === 'single' ? parametersOf(levels) : Math.min(gridSize(levels), parametersOf(levels) + SPARE);

/** What a design cannot tell, said before it is begun. */
export function cannotTell(design: Design, levels: readonly number[], repeats: number): string[] {
  const several = levels.filter((count) => count > 1).length > 1;
  const left = gridSize(levels) - cellCount(design, levels);
  return [
    ...(design !== 'full' && several && left > 0 ? [`Whether one thing works differently by another: ${left} of ${gridSize(levels)} cells are left out.`] : []),
    ...(repeats < 2 ? ['How sure a difference is: that takes two pieces of a cell at least.'] : []),
    ...levels.flatMap((count) => (count < 2 ? ['Anything of what has one level only: there is nothing to hold it against.'] : [])).slice(0, 1),
  ];
}

/** The whole trial, in pieces. @returns null when it is more than `MOST_PIECES` */
export function pieceCount(design: Design, levels: readonly number[], repeats: number, controls: number): number | null {
  const count = cellCount(design, levels) * repeats + controls;
  return count > MOST_PIECES ? null : count;
}

/** Whether each figure of the model can be worked out from these rows: its direction lies in what they span. */
export function estimable(rows: readonly (readonly number[])[], contrasts: readonly (readonly number[])[]): boolean[] {
  const size = contrasts[0]?.length ?? 0;
  if (rows.length === 0) return contrasts.map(() => false);
  const x = new Matrix(rows.map((row) => [...row]));
  const information = x.transpose().mmul(x);
  const { leftSingularVectors: u, diagonal } = new SVD(information);
  const tolerance = Math.max(...diagonal) * size * 1e-12;
  const nowhere = diagonal.flatMap((value, i) => (value <= tolerance ? [u.getColumn(i)] : []));
  return contrasts.map((contrast) => nowhere.every((v) => Math.abs(v.reduce((sum, value, i) => sum + value * (contrast[i] ?? 0), 0)) < 1e-9));
}
