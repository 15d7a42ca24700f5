import { wallTime } from '../time/zone';

const DAY_MS = 24 * 60 * 60 * 1000;

/** Days on which somebody looked, and days that went by without, numbered from the day on which it began (day 0). */
export interface LookDays {
  readonly looked: readonly number[];
  readonly missed: readonly number[];
}

/** The day that it is on the dyer's calendar, counted from 1970. */
function dayOf(atMs: number, zone: string): number {
  const { year, month, day } = wallTime(atMs, zone);
  return Math.round(Date.UTC(year, month - 1, day) / DAY_MS);
}

/**
 * Looks at something that steeps for days, by the calendar: two on one day are one day's look.
 * @param untilMs now, or when it was over
 * @param isOver then its last day counts, where it was a whole one; today is not missed yet
 */
export function lookDays(enteredMs: number, untilMs: number, looksMs: readonly number[], zone: string, isOver = false): LookDays {
  const first = dayOf(enteredMs, zone);
  const last = dayOf(untilMs, zone) - first;
  const looked = [...new Set(looksMs.filter((ms) => ms >= enteredMs && ms <= untilMs).map((ms) => dayOf(ms, zone) - first))].sort((a, b) => a - b);
  const missed = Array.from({ length: Math.max(0, isOver && untilMs - enteredMs >= last * DAY_MS ? last : last - 1) }, (_, i) => i + 1).filter(
    (day) => !looked.includes(day),
  );
  return { looked, missed };
}

/** "2 days missed"; nothing where none was. */
export const missedText = ({ missed }: LookDays): string => (missed.length === 0 ? '' : missed.length === 1 ? '1 day missed' : `${missed.length} days missed`);
