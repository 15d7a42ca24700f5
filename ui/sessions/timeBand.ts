import { linear } from '@/core/measure/linear';
import { wallTime, zonedMs } from '@/core/time/zone';

const DAY_MS = 86_400_000;
/** A band over more than this shows nothing: it keeps to the days around now. */
const MOST_DAYS = 42;

export interface Span {
  readonly startMs: number;
  readonly endMs: number;
}

export interface TimeBandScale {
  readonly fromMs: number;
  readonly toMs: number;
  /** Share of the width, 0 to 1. */
  readonly xOf: (ms: number) => number;
  /** Midnights of the home, as shares of the width. */
  readonly midnights: readonly number[];
}

/** One scale for the bands of all rows: the days of these spans, with now in it, kept to six weeks around now. */
export function timeBand(spans: readonly Span[], nowMs: number, zone: string): TimeBandScale {
  const first = Math.max(Math.min(nowMs, ...spans.map((span) => span.startMs)), nowMs - (MOST_DAYS / 2) * DAY_MS);
  const last = Math.min(Math.max(nowMs, ...spans.map((span) => span.endMs)), nowMs + (MOST_DAYS / 2) * DAY_MS);
  const midnight = (ms: number, days: number) => {
    const { year, month, day } = wallTime(ms, zone);
    return zonedMs(zone, year, month, day + days);
  };
  const fromMs = midnight(first, 0);
  const toMs = midnight(last, 1);
  const xOf = linear([fromMs, toMs], [0, 1]);
  const midnights: number[] = [];
  for (let day = 1; ; day++) {
    const ms = midnight(fromMs, day);
    if (ms >= toMs) break;
    midnights.push(xOf(ms));
  }
  return { fromMs, toMs, xOf, midnights };
}
