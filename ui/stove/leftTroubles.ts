import { z } from 'zod';

/** What was left or answered on this device, by trouble and step: when, and how late the day was then. */
const left = z.record(z.string(), z.object({ atMs: z.number(), lateMin: z.number() }));
export type LeftTroubles = z.infer<typeof left>;

const keyOf = (runId: string): string => `hyndle.left.${runId}`;

/** Of a run, as this device remembers it; what cannot be read is asked again. */
export function leftTroubles(runId: string): LeftTroubles {
  try {
    return left.parse(JSON.parse(localStorage.getItem(keyOf(runId)) ?? '{}'));
  } catch {
    return {};
  }
}

/** Remembers it over a reload; a device that keeps nothing asks again. @param keepMs older ones are forgotten */
export function keepLeft(runId: string, troubles: LeftTroubles, nowMs: number, keepMs: number): void {
  const young = Object.fromEntries(Object.entries(troubles).filter(([, { atMs }]) => nowMs - atMs < keepMs));
  try {
    localStorage.setItem(keyOf(runId), JSON.stringify(young));
  } catch {
    // Full, or forbidden.
  }
}
