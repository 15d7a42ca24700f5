/**
 * Wall clocks of a place. Instants are epoch milliseconds everywhere; only here do they become days and hours, so a
 * daylight-saving change moves the wall clock and never a duration.
 */
export interface WallTime {
  readonly year: number;
  readonly month: number; // 1-12
  readonly day: number;
  readonly hour: number;
  readonly minute: number;
  readonly weekday: number; // 0 = Sunday
}

const formats = new Map<string, Intl.DateTimeFormat>();
function formatFor(zone: string): Intl.DateTimeFormat {
  let format = formats.get(zone);
  if (!format) {
    format = new Intl.DateTimeFormat('en-GB', {
      timeZone: zone,
      hourCycle: 'h23',
      weekday: 'short',
      year: 'numeric',
      month: 'numeric',
      day: 'numeric',
      hour: 'numeric',
      minute: 'numeric',
      second: 'numeric',
    });
    formats.set(zone, format);
  }
  return format;
}

export const WEEKDAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];
export const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** What a clock on the wall shows in `zone` (an IANA name) at an instant. Throws RangeError on an unknown zone. */
export function wallTime(atMs: number, zone: string): WallTime {
  const part: Record<string, string> = {};
  for (const { type, value } of formatFor(zone).formatToParts(atMs)) part[type] = value;
  return {
    year: Number(part.year),
    month: Number(part.month),
    day: Number(part.day),
    hour: Number(part.hour),
    minute: Number(part.minute),
    weekday: WEEKDAYS.indexOf(part.weekday ?? ''),
  };
}

/**
 * The instant at which the wall clock in `zone` shows the given time. `day` may run past the end of the month. A time
 * skipped by a daylight-saving change gives the instant one gap later; a doubled time gives the first.
 */
export function zonedMs(zone: string, year: number, month: number, day: number, hour = 0, minute = 0): number {
  const wanted = Date.UTC(year, month - 1, day, hour, minute);
  const before = wanted - offsetMs(wanted - 24 * 3_600_000, zone);
  if (before + offsetMs(before, zone) === wanted) return before;
  const after = wanted - offsetMs(wanted + 24 * 3_600_000, zone);
  if (after + offsetMs(after, zone) === wanted) return after;
  return Math.max(before, after); // the skipped hour
}

/** How far the wall clock of `zone` is ahead of UTC at an instant, ms. */
export function offsetMs(atMs: number, zone: string): number {
  const wall = wallTime(atMs, zone);
  const minuteStart = Math.floor(atMs / 60_000) * 60_000;
  return Date.UTC(wall.year, wall.month - 1, wall.day, wall.hour, wall.minute) - minuteStart;
}

export function isZone(zone: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone });
    return true;
  } catch {
    return false;
  }
}

const two = (n: number): string => String(n).padStart(2, '0');

/** "09:42" */
export function printClock(atMs: number, zone: string): string {
  const wall = wallTime(atMs, zone);
  return `${two(wall.hour)}:${two(wall.minute)}`;
}

/** "Fri 09:42" */
export const printDayClock = (atMs: number, zone: string): string => `${WEEKDAYS[wallTime(atMs, zone).weekday]} ${printClock(atMs, zone)}`;
