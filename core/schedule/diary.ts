import { wallTime, zonedMs } from '../time/zone';

/**
 * The dyer's week: awake between two times, away on some weekdays. Times are "HH:MM" on the wall clock of `zone`. One that
 * is not later than its beginning is of the next day, so the same time twice is awake round the clock.
 */
export interface Diary {
  readonly zone: string;
  readonly wakeAt: string;
  readonly sleepAt: string;
  readonly away: readonly { readonly weekdays: readonly number[]; readonly from: string; readonly to: string }[];
}

export interface Window {
  readonly fromMs: number;
  readonly toMs: number;
}

/**
 * Home and awake: the stretches in which heat may be on and hands are there, in time order, clipped to the range. Waking
 * hours and absences may run past midnight.
 */
export function homeWindows(diary: Diary, fromMs: number, toMs: number): Window[] {
  const first = wallTime(fromMs, diary.zone);
  const days = Math.ceil((toMs - fromMs) / 86_400_000) + 2;
  const at = (day: number, time: string) => zonedMs(diary.zone, first.year, first.month, first.day + day, ...clock(time));
  /** From one time of a day to another, on the next day when it is not later. */
  const stretch = (day: number, from: string, to: string): Window => ({ fromMs: at(day, from), toMs: at(minutesOf(to) > minutesOf(from) ? day : day + 1, to) });
  const holes: Window[] = [];
  const awake: Window[] = [];
  for (let day = -2; day < days; day++) {
    const weekday = (((first.weekday + day) % 7) + 7) % 7;
    awake.push(stretch(day, diary.wakeAt, diary.sleepAt));
    for (const away of diary.away) if (away.weekdays.includes(weekday)) holes.push(stretch(day, away.from, away.to));
  }
  const near = (window: Window) => holes.filter((hole) => hole.fromMs < window.toMs && hole.toMs > window.fromMs);
  return awake
    .flatMap((window) => near(window).reduce((free, hole) => free.flatMap((part) => without(part, hole)), [window]))
    .map((window) => ({ fromMs: Math.max(window.fromMs, fromMs), toMs: Math.min(window.toMs, toMs) }))
    .filter((window) => window.toMs > window.fromMs)
    .reduce(joined, []);
}

/** The stretch at home that holds a moment, or the next one; null when there is none within a fortnight. */
export function homeAtOrAfter(diary: Diary, ms: number): Window | null {
  return homeWindows(diary, ms - 86_400_000, ms + 14 * 86_400_000).find((window) => window.toMs > ms) ?? null;
}

/** The gaps between home windows: nights and away hours. */
export function absences(windows: readonly Window[], fromMs: number, toMs: number): Window[] {
  const gaps: Window[] = [];
  let at = fromMs;
  for (const window of windows) {
    if (window.fromMs > at) gaps.push({ fromMs: at, toMs: Math.min(window.fromMs, toMs) });
    at = Math.max(at, window.toMs);
  }
  if (at < toMs) gaps.push({ fromMs: at, toMs });
  return gaps.filter((gap) => gap.toMs > gap.fromMs);
}

/** With one more window, which lengthens the last when it begins where that ends or before: a midnight cuts nothing. */
function joined(windows: Window[], next: Window): Window[] {
  const last = windows.at(-1);
  if (!last || next.fromMs > last.toMs) windows.push(next);
  else windows[windows.length - 1] = { fromMs: last.fromMs, toMs: Math.max(last.toMs, next.toMs) };
  return windows;
}

const clock = (time: string): [number, number] => {
  const [hour = 0, minute = 0] = time.split(':').map(Number);
  return [hour, minute];
};

const minutesOf = (time: string): number => {
  const [hour, minute] = clock(time);
  return hour * 60 + minute;
};

const without = (w: Window, hole: Window): Window[] =>
  [
    { fromMs: w.fromMs, toMs: Math.min(w.toMs, hole.fromMs) },
    { fromMs: Math.max(w.fromMs, hole.toMs), toMs: w.toMs },
  ].filter((part) => part.toMs > part.fromMs);
