import { linear } from '@/core/measure/linear';
import type { Window } from '@/core/schedule/diary';

/** Time down the page: attended stretches to scale, stretches without hands folded to pleats of one height. */
export interface TimeScale {
  readonly heightPx: number;
  readonly pleats: readonly Pleat[];
  /** Vertical place of an instant, px; instants before and after are clamped. */
  yOf(ms: number): number;
}

export interface Pleat extends Window {
  readonly key: string;
  readonly topPx: number;
  readonly heightPx: number;
  readonly opened: boolean;
}

export interface TimeScaleInput {
  /** Steps: start and end of each block that must be tall enough to read. */
  readonly blocks: readonly Window[];
  /** Stretches in which somebody is there: hands or watching. */
  readonly attended: readonly Window[];
  readonly opened: ReadonlySet<string>;
}

const MIN = 60_000;
const PX_PER_MIN = 1.15;
const OPEN_PX_PER_MIN = 0.35;
const PLEAT_PX = 34;
/** Shorter unattended stretches stay to scale: folding them would save nothing. */
const FOLD_FROM_MIN = 80;
const LEAST_BLOCK_PX = 26;
const PAD_MIN = 8;

export function timeScale({ blocks, attended, opened }: TimeScaleInput): TimeScale {
  const startMs = Math.min(...blocks.map((block) => block.fromMs)) - PAD_MIN * MIN;
  const endMs = Math.max(...blocks.map((block) => block.toMs)) + PAD_MIN * MIN;
  const folds = unattended(attended, startMs, endMs).filter((gap) => gap.toMs - gap.fromMs >= FOLD_FROM_MIN * MIN);
  const times = [...new Set([startMs, endMs, ...blocks.flatMap((b) => [b.fromMs, b.toMs]), ...folds.flatMap((f) => [f.fromMs, f.toMs])])].sort((a, b) => a - b);
  const heights = times.slice(1).map((to, i) => {
    const from = times[i] ?? to;
    const fold = folds.find((f) => f.fromMs <= from && to <= f.toMs);
    const minutes = (to - from) / MIN;
    if (!fold) return minutes * PX_PER_MIN;
    const whole = (fold.toMs - fold.fromMs) / MIN;
    return opened.has(keyOf(fold)) ? minutes * OPEN_PX_PER_MIN : (PLEAT_PX * minutes) / whole;
  });
  stretchShortBlocks(blocks, times, heights, folds);
  const tops = [0];
  for (const height of heights) tops.push((tops.at(-1) ?? 0) + height);
  const yOf = linear(times, tops);
  const pleats = folds.map(
    (fold): Pleat => ({
      ...fold,
      key: keyOf(fold),
      topPx: yOf(fold.fromMs),
      heightPx: yOf(fold.toMs) - yOf(fold.fromMs),
      opened: opened.has(keyOf(fold)),
    }),
  );
  return { heightPx: tops.at(-1) ?? 0, pleats, yOf };
}

const keyOf = (fold: Window): string => String(fold.fromMs);

/** A ten-minute step still needs room for its name: its longest open stretch grows. */
function stretchShortBlocks(blocks: readonly Window[], times: readonly number[], heights: number[], folds: readonly Window[]): void {
  for (const block of [...blocks].sort((a, b) => a.toMs - a.fromMs - (b.toMs - b.fromMs))) {
    const first = times.indexOf(block.fromMs);
    const last = times.indexOf(block.toMs);
    const height = heights.slice(first, last).reduce((sum, h) => sum + h, 0);
    if (height >= LEAST_BLOCK_PX || last <= first) continue;
    let widest = first;
    for (let i = first; i < last; i++) {
      const folded = folds.some((f) => f.fromMs <= (times[i] ?? 0) && (times[i + 1] ?? 0) <= f.toMs);
      if (!folded && (heights[i] ?? 0) > (heights[widest] ?? 0)) widest = i;
    }
    heights[widest] = (heights[widest] ?? 0) + LEAST_BLOCK_PX - height;
  }
}

function unattended(attended: readonly Window[], startMs: number, endMs: number): Window[] {
  const gaps: Window[] = [];
  let at = startMs;
  for (const window of [...attended].sort((a, b) => a.fromMs - b.fromMs)) {
    if (window.fromMs > at) gaps.push({ fromMs: at, toMs: window.fromMs });
    at = Math.max(at, window.toMs);
  }
  if (at < endMs) gaps.push({ fromMs: at, toMs: endMs });
  return gaps;
}
