import { wallTime, zonedMs } from '../time/zone';

const MIN_MS = 60_000;
const DAY_MIN = 1440;

/** When and where somebody likes to look at what steeps; `lookAt` "HH:MM", null: whenever a day is over. */
export interface LookHour {
  readonly lookAt: string | null;
  readonly zone: string;
}

/**
 * The next look at something that is looked at every so many minutes. What is looked at by the day is looked at when the dyer likes: at the
 * time of day that is nearest to when it would be due, and not sooner than half its interval after the last look.
 */
export function nextLookMs(lastMs: number, everyMin: number, { lookAt, zone }: LookHour): number {
  const plainMs = lastMs + everyMin * MIN_MS;
  if (lookAt === null || everyMin < DAY_MIN) return plainMs;
  const [hour = 0, minute = 0] = lookAt.split(':').map(Number);
  const { year, month, day } = wallTime(plainMs, zone);
  const fitting = [-1, 0, 1].map((off) => zonedMs(zone, year, month, day + off, hour, minute)).filter((ms) => ms >= lastMs + (everyMin * MIN_MS) / 2);
  return fitting.toSorted((a, b) => Math.abs(a - plainMs) - Math.abs(b - plainMs))[0] ?? plainMs;
}
