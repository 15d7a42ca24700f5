import { jStat } from 'jstat';
import { Matrix, pseudoInverse, SVD } from 'ml-matrix';
import type { Lab } from '../colour/lab';
import { estimable, rowOf } from './design';
import { type Cell, cellKey } from './trial';

/** A piece that was looked at. */
export interface Seen {
  readonly cell: Cell;
  readonly lab: Lab;
}

/** What one level does instead of another of its factor, the others alike: a difference on one axis of Lab. */
export interface Part {
  readonly value: number;
  /** Half of the 95 % interval; null: without pieces of the same cell nobody knows the scatter. */
  readonly pm: number | null;
}

export interface Effect {
  readonly factor: number;
  readonly from: number;
  readonly to: number;
  /** Null: what was looked at so far does not tell. */
  readonly found: { readonly l: Part; readonly a: Part; readonly b: Part; readonly labFrom: Lab; readonly labTo: Lab } | null;
}

export interface Effects {
  readonly all: readonly Effect[];
  /** Standard deviation of pieces of one cell, over the three axes; null without any two alike. */
  readonly scatter: number | null;
  /** The sums do not fit what was seen: one factor works differently by the level of another. */
  readonly depends: boolean;
}

const AXES = ['l', 'a', 'b'] as const;

/**
 * Least squares on each axis of Lab: a middle and each factor's levels, no interactions. The scatter is that of pieces of
 * the same cell ("pure error", Box, Hunter & Hunter, Statistics for Experimenters, chapter on least squares; from memory),
 * intervals by Student's t. Against it the lack of fit is held (F above 4 on any axis: it depends).
 * @param pairs by factor: which levels to hold against each other; left out: each against the first, and neighbours
 */
export function effectsOf(levels: readonly number[], seen: readonly Seen[]): Effects {
  const pairs = levels.flatMap((count, factor) => {
    const fromFirst = Array.from({ length: Math.max(0, count - 1) }, (_, k) => ({ factor, from: 0, to: k + 1 }));
    const steps = Array.from({ length: Math.max(0, count - 2) }, (_, k) => ({ factor, from: k + 1, to: k + 2 }));
    return [...fromFirst, ...steps];
  });
  const rows = seen.map(({ cell }) => rowOf(levels, cell));
  const contrasts = pairs.map(({ factor, from, to }) => {
    const base = levels.map(() => 0);
    const [low, high] = [rowOf(levels, base.with(factor, from)), rowOf(levels, base.with(factor, to))];
    return high.map((value, i) => value - (low[i] ?? 0));
  });
  const can = estimable(rows, contrasts);
  if (!can.some(Boolean)) return { all: pairs.map((pair) => ({ ...pair, found: null })), scatter: null, depends: false };
  const x = new Matrix(rows);
  const spread = pseudoInverse(x.transpose().mmul(x));
  const betas = Object.fromEntries(
    AXES.map((axis) => {
      const y = Matrix.columnVector(seen.map(({ lab }) => lab[axis]));
      return [axis, spread.mmul(x.transpose()).mmul(y).to1DArray()];
    }),
  ) as Record<(typeof AXES)[number], number[]>;
  const pure = pureError(seen);
  const t = pure.freedom > 0 ? jStat.studentt.inv(0.975, pure.freedom) : null;
  const along = (row: readonly number[], beta: readonly number[]) => row.reduce((sum, value, i) => sum + value * (beta[i] ?? 0), 0);
  const middle = x.mean('column');
  const all = pairs.map((pair, i): Effect => {
    const contrast = contrasts[i] ?? [];
    if (!can[i]) return { ...pair, found: null };
    const c = Matrix.columnVector(contrast);
    const weight = Math.sqrt(Math.max(0, c.transpose().mmul(spread).mmul(c).get(0, 0)));
    const part = (axis: (typeof AXES)[number]): Part => ({
      value: along(contrast, betas[axis]),
      pm: t === null ? null : t * weight * Math.sqrt(pure.ms[axis]),
    });
    // Both levels in the middle of all the others, so that words have a colour to speak of.
    const at = (level: number): Lab => {
      const row = levelInMiddle(levels, middle, pair.factor, level);
      return { l: along(row, betas.l), a: along(row, betas.a), b: along(row, betas.b) };
    };
    return { ...pair, found: { l: part('l'), a: part('a'), b: part('b'), labFrom: at(pair.from), labTo: at(pair.to) } };
  });
  return {
    all,
    scatter: pure.freedom > 0 ? Math.sqrt((pure.ms.l + pure.ms.a + pure.ms.b) / 3) : null,
    depends: lacksFit(seen, rows, betas, pure),
  };
}

function levelInMiddle(levels: readonly number[], middle: readonly number[], factor: number, level: number): number[] {
  const start = 1 + levels.slice(0, factor).reduce((sum, count) => sum + count - 1, 0);
  const own = (levels[factor] ?? 1) - 1;
  return middle.map((value, i) => (i >= start && i < start + own ? (i - start + 1 === level ? 1 : 0) : value));
}

interface PureError {
  readonly ss: Lab;
  readonly ms: Lab;
  readonly freedom: number;
  readonly cells: number;
}

/** Scatter of pieces within their cells. */
function pureError(seen: readonly Seen[]): PureError {
  const cells = new Map<string, Seen[]>();
  for (const one of seen) cells.set(cellKey(one.cell), [...(cells.get(cellKey(one.cell)) ?? []), one]);
  const ss = { l: 0, a: 0, b: 0 };
  for (const own of cells.values())
    for (const axis of AXES) {
      const mean = own.reduce((sum, { lab }) => sum + lab[axis], 0) / own.length;
      ss[axis] += own.reduce((sum, { lab }) => sum + (lab[axis] - mean) ** 2, 0);
    }
  const freedom = seen.length - cells.size;
  const over = (sum: number) => (freedom > 0 ? sum / freedom : 0);
  return { ss, ms: { l: over(ss.l), a: over(ss.a), b: over(ss.b) }, freedom, cells: cells.size };
}

/** Mean square of what the sums leave, this many times that of alike pieces, is no chance any more (about the 95 % point of F for small trials). */
const LACK_F = 4;
/** Differences below this are none to an eye, however sure. */
const LEAST_LACK = 1;

function lacksFit(seen: readonly Seen[], rows: readonly number[][], betas: Record<'l' | 'a' | 'b', number[]>, pure: PureError): boolean {
  const rank = new SVD(new Matrix(rows), { autoTranspose: true }).rank;
  const freedom = pure.cells - rank;
  if (pure.freedom < 1 || freedom < 1) return false;
  return AXES.some((axis) => {
    const rest = seen.reduce((sum, { lab }, i) => sum + (lab[axis] - (rows[i] ?? []).reduce((s, value, k) => s + value * (betas[axis][k] ?? 0), 0)) ** 2, 0);
    const lack = (rest - pure.ss[axis]) / freedom;
    return lack > LEAST_LACK && lack > LACK_F * pure.ms[axis];
  });
}
