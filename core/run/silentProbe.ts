import type { Reading } from '../hold/credit';

/** Of so many last gaps the middle one is how often a probe speaks. */
const GAPS = 11;
const LEAST_GAPS = 3;
/** Silent for so many of its own intervals, a probe is lost. */
const LOST_AFTER = 3;
/** A page hears of a reading a moment after it was made, ms. */
const LEAST_MS = 15_000;

/**
 * Since when a probe is silent: its last reading, where that is more than three of its own intervals ago. null: it is heard, or nobody
 * can tell how often it speaks.
 * @param readings its own, in time order, none typed
 */
export function silentSinceMs(readings: readonly Reading[], nowMs: number): number | null {
  const last = readings.slice(-GAPS - 1);
  const gaps = last
    .slice(1)
    .map(({ atMs }, i) => atMs - (last[i]?.atMs ?? atMs))
    .sort((a, b) => a - b);
  const usualMs = gaps[Math.floor(gaps.length / 2)];
  const heardMs = last.at(-1)?.atMs;
  if (usualMs === undefined || heardMs === undefined || gaps.length < LEAST_GAPS) return null;
  return nowMs - heardMs > Math.max(LEAST_MS, LOST_AFTER * usualMs) ? heardMs : null;
}
