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

const DAY_MS = 24 * 3_600_000;

/** As much of the standard’s Temporal as is used here; browsers have it, older Nodes do not. */
interface TemporalLike {
  readonly Instant: { fromEpochMilliseconds(ms: number): { toZonedDateTimeISO(zone: string): { readonly offsetNanoseconds: number } } };
}
const temporal = (globalThis as { Temporal?: TemporalLike }).Temporal;

/**
 * Offset at one instant, asked of the platform. Temporal first: making the first `Intl.DateTimeFormat` of a page loads its
 * language data, which blocks a page for 30–120 ms.
 */
function askedOffsetMs(atMs: number, zone: string): number {
  const ms = Math.floor(atMs);
  return temporal ? temporal.Instant.fromEpochMilliseconds(ms).toZonedDateTimeISO(zone).offsetNanoseconds / 1e6 : intlOffsetMs(ms, zone);
}

const formats = new Map<string, Intl.DateTimeFormat>();
function intlOffsetMs(atMs: number, zone: string): number {
  let format = formats.get(zone);
  if (!format) {
    format = new Intl.DateTimeFormat('en-GB', {
      timeZone: zone,
      hourCycle: 'h23',
      year: 'numeric',
      month: 'numeric',
      day: 'numeric',
      hour: 'numeric',
      minute: 'numeric',
      second: 'numeric',
    });
    formats.set(zone, format);
  }
  const part: Record<string, number> = {};
  for (const { type, value } of format.formatToParts(atMs)) part[type] = Number(value);
  const { year = 0, month = 1, day = 1, hour = 0, minute = 0, second = 0 } = part;
  return Date.UTC(year, month - 1, day, hour, minute, second) - Math.floor(atMs / 1000) * 1000;
}

/** Offsets at the start of each UTC day, by zone: a page prints thousands of clocks and they nearly all lie in a few days. */
const offsetsByDay = new Map<string, Map<number, number>>();
function dayOffsetMs(day: number, zone: string): number {
  let known = offsetsByDay.get(zone);
  if (!known) {
    known = new Map();
    offsetsByDay.set(zone, known);
  }
  let offset = known.get(day);
  if (offset === undefined) {
    offset = askedOffsetMs(day * DAY_MS, zone);
    if (known.size > 5000) known.clear();
    known.set(day, offset);
  }
  return offset;
}

export const WEEKDAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];
export const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** What a clock on the wall shows in `zone` (an IANA name) at an instant. Throws RangeError on an unknown zone. */
export function wallTime(atMs: number, zone: string): WallTime {
  const wall = new Date(atMs + offsetMs(atMs, zone));
  return {
    year: wall.getUTCFullYear(),
    month: wall.getUTCMonth() + 1,
    day: wall.getUTCDate(),
    hour: wall.getUTCHours(),
    minute: wall.getUTCMinutes(),
    weekday: wall.getUTCDay(),
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

/** How far the wall clock of `zone` is ahead of UTC at an instant, ms. No zone changes twice within a UTC day. */
export function offsetMs(atMs: number, zone: string): number {
  const day = Math.floor(atMs / DAY_MS);
  const before = dayOffsetMs(day, zone);
  return before === dayOffsetMs(day + 1, zone) ? before : askedOffsetMs(atMs, zone);
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
