import { levenbergMarquardt } from 'ml-levenberg-marquardt';

/** Approach to a plateau: y = a + b (1 − e^(−k t)). */
export interface Plateau {
  readonly a: number;
  readonly b: number;
  /** Per unit of t. */
  readonly k: number;
  /** Standard deviations, from the covariance s² (JᵀJ)⁻¹; of `a` 0 where it was given. */
  readonly sd: { readonly a: number; readonly b: number; readonly k: number };
  /** Sum of the squared residuals. */
  readonly rss: number;
  readonly residualSd: number;
  /** Points less parameters. */
  readonly freedom: number;
}

export type PlateauFit = { readonly ok: true; readonly value: Plateau } | { readonly ok: false; readonly error: 'tooFew' | 'level' | 'noEnd' | 'noFit' };

export interface Point {
  readonly t: number;
  readonly y: number;
}

/** Least k × the time looked at: before a fifth of the way, k and b cannot be told apart. */
const LEAST_KT = 0.2;
const MAX_ROUNDS = 40;

/**
 * Least squares (Levenberg–Marquardt, ml-levenberg-marquardt), each value scaled to 1, from a few starts.
 * @param start the value at t = 0 where it is known; null: it is fitted too
 */
export function fitPlateau(points: readonly Point[], start: number | null = null): PlateauFit {
  const free = start === null ? 3 : 2;
  if (points.length < 3 || points.length < free) return { ok: false, error: 'tooFew' };
  const ts = points.map(({ t }) => t);
  const ys = points.map(({ y }) => y);
  const span = Math.max(...ts) - Math.min(0, ...ts);
  const [least, most] = [Math.min(...ys), Math.max(...ys)];
  const size = Math.max(most - least, Math.abs(start === null ? 0 : most - start));
  if (!(size > 1e-12 * Math.max(1, Math.abs(most)))) return { ok: false, error: 'level' };
  if (!(span > 0) || new Set(ts).size < free) return { ok: false, error: 'tooFew' };
  // In units of the data, so that one step size suits all parameters.
  const base = start ?? ys[ts.indexOf(Math.min(...ts))] ?? 0;
  const data = { x: ts.map((t) => t / span), y: ys.map((y) => (y - base) / size) };
  const model = (p: number[]) => (x: number) => {
    const [b = 0, k = 0, a = 0] = p;
    return a + b * -Math.expm1(-k * x);
  };
  const towards = (ys.at(-1) ?? 0) >= base ? 1 : -1;
  let best: { p: number[]; rss: number } | null = null;
  for (const k of [0.5, 2, 6, 20]) {
    const p = settle(data, model, [towards, k, ...(start === null ? [0] : [])]);
    const rss = data.x.reduce((sum, x, i) => sum + ((data.y[i] ?? 0) - model(p)(x)) ** 2, 0);
    if (p.every(Number.isFinite) && Number.isFinite(rss) && (best === null || rss < best.rss)) best = { p, rss };
  }
  if (!best) return { ok: false, error: 'noFit' };
  const [b = 0, k = 0, a = 0] = best.p;
  if (k <= 0) return { ok: false, error: 'noFit' };
  if (k < LEAST_KT) return { ok: false, error: 'noEnd' };
  const freedom = points.length - free;
  const variance = freedom > 0 ? best.rss / freedom : 0;
  const cov = inverse(normal(data.x, [b, k], free));
  if (!cov) return { ok: false, error: 'noFit' };
  const sdOf = (i: number) => Math.sqrt(Math.max(0, (cov[i]?.[i] ?? 0) * variance));
  return {
    ok: true,
    value: {
      a: base + a * size,
      b: b * size,
      k: k / span,
      sd: { a: free === 3 ? sdOf(2) * size : 0, b: sdOf(0) * size, k: sdOf(1) / span },
      rss: best.rss * size ** 2,
      residualSd: Math.sqrt(variance) * size,
      freedom,
    },
  };
}

type Model = (p: number[]) => (x: number) => number;

/** The library first; then Gauss–Newton steps of our own to the last digit, as long as they make it better. */
function settle(data: { x: number[]; y: number[] }, model: Model, initialValues: number[]): number[] {
  let p: number[];
  try {
    p = levenbergMarquardt(data, model, {
      initialValues,
      damping: 1e-3,
      gradientDifference: initialValues.map((value) => 1e-6 * Math.max(1, Math.abs(value))),
      centralDifference: true,
      maxIterations: MAX_ROUNDS,
      errorTolerance: 1e-16,
    }).parameterValues;
  } catch {
    return initialValues.map(() => Number.NaN);
  }
  for (let round = 0; round < 50; round++) {
    const free = p.length;
    const [b = 0, k = 0] = p;
    const rows = data.x.map((x) => slopes(x, b, k, free));
    const residuals = data.x.map((x, i) => (data.y[i] ?? 0) - model(p)(x));
    const right = Array.from({ length: free }, (_, j) => rows.reduce((sum, row, i) => sum + (row[j] ?? 0) * (residuals[i] ?? 0), 0));
    const cov = inverse(normal(data.x, [b, k], free));
    if (!cov) return p;
    const step = cov.map((row) => row.reduce((sum, value, j) => sum + value * (right[j] ?? 0), 0));
    const next = p.map((value, j) => value + (step[j] ?? 0));
    const rss = (q: number[]) => data.x.reduce((sum, x, i) => sum + ((data.y[i] ?? 0) - model(q)(x)) ** 2, 0);
    if (!next.every(Number.isFinite) || rss(next) > rss(p)) return p;
    const moved = step.some((by, j) => Math.abs(by) > 1e-14 * Math.max(1, Math.abs(p[j] ?? 0)));
    p = next;
    if (!moved) return p;
  }
  return p;
}

/** ∂y/∂b, ∂y/∂k, ∂y/∂a. */
const slopes = (x: number, b: number, k: number, free: number): number[] => [-Math.expm1(-k * x), b * x * Math.exp(-k * x), ...(free === 3 ? [1] : [])];

function normal(xs: readonly number[], [b = 0, k = 0]: readonly number[], free: number): number[][] {
  const sums = Array.from({ length: free }, () => new Array<number>(free).fill(0));
  for (const x of xs) {
    const row = slopes(x, b, k, free);
    for (let i = 0; i < free; i++) for (let j = 0; j < free; j++) (sums[i] as number[])[j] = (sums[i]?.[j] ?? 0) + (row[i] ?? 0) * (row[j] ?? 0);
  }
  return sums;
}

/** Gauss–Jordan of a small symmetric matrix; null where it is singular. */
function inverse(matrix: readonly (readonly number[])[]): number[][] | null {
  const n = matrix.length;
  const rows = matrix.map((row, i) => [...row, ...Array.from({ length: n }, (_, j) => (i === j ? 1 : 0))]);
  for (let column = 0; column < n; column++) {
    let pivot = column;
    for (let i = column + 1; i < n; i++) if (Math.abs(rows[i]?.[column] ?? 0) > Math.abs(rows[pivot]?.[column] ?? 0)) pivot = i;
    const [top, other] = [rows[column] as number[], rows[pivot] as number[]];
    [rows[column], rows[pivot]] = [other, top];
    const lead = other[column] ?? 0;
    if (Math.abs(lead) < 1e-14) return null;
    for (let j = 0; j < 2 * n; j++) other[j] = (other[j] ?? 0) / lead;
    for (const [i, row] of rows.entries()) {
      const by = row[column] ?? 0;
      if (i === column || by === 0) continue;
      for (let j = 0; j < 2 * n; j++) row[j] = (row[j] ?? 0) - by * (other[j] ?? 0);
    }
  }
  return rows.map((row) => row.slice(n));
}

/** Where the curve stands at t. */
export const plateauAt = ({ a, b, k }: Pick<Plateau, 'a' | 'b' | 'k'>, t: number): number => a + b * -Math.expm1(-k * t);
