import { wallTime, zonedMs } from '../time/zone';

/** The dyer's week: awake between two times, away on some weekdays. Times are "HH:MM" on the wall clock of `zone`. */
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

/** Home and awake: the stretches in which heat may be on and hands are there, in time order, clipped to the range. */
export function homeWindows(diary: Diary, fromMs: number, toMs: number): Window[] {
  const windows: Window[] = [];
  const first = wallTime(fromMs, diary.zone);
  const days = Math.ceil((toMs - fromMs) / 86_400_000) + 2;
  for (let i = -1; i < days; i++) {
    const at = (time: string) => zonedMs(diary.zone, first.year, first.month, first.day + i, ...clock(time));
    const weekday = (((first.weekday + i) % 7) + 7) % 7;
    let free: Window[] = [{ fromMs: at(diary.wakeAt), toMs: at(diary.sleepAt) }];
    for (const away of diary.away) {
      if (away.weekdays.includes(weekday)) free = free.flatMap((w) => without(w, { fromMs: at(away.from), toMs: at(away.to) }));
    }
    for (const window of free) {
      const clipped = { fromMs: Math.max(window.fromMs, fromMs), toMs: Math.min(window.toMs, toMs) };
      if (clipped.toMs > clipped.fromMs) windows.push(clipped);
    }
  }
  return windows;
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

const clock = (time: string): [number, number] => {
  const [hour = 0, minute = 0] = time.split(':').map(Number);
  return [hour, minute];
};

const without = (w: Window, hole: Window): Window[] =>
  [
    { fromMs: w.fromMs, toMs: Math.min(w.toMs, hole.fromMs) },
    { fromMs: Math.max(w.fromMs, hole.toMs), toMs: w.toMs },
  ].filter((part) => part.toMs > part.fromMs);
