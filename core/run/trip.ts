import type { Nudge } from './nudges';

/** Calls this close together are one trip to the stove, min. */
const ONE_TRIP_MIN = 2;

/** A dip is lifted at its second, and a bath is turned down when it is time: neither is done early because somebody comes by. */
const AT_ITS_TIME: ReadonlySet<Nudge['act']> = new Set(['dip', 'turnDown']);

/** Whether somebody who is at the stove now does it along. */
export const isOnTheWay = ({ act, dueMs }: Pick<Nudge, 'act' | 'dueMs'>, nowMs: number): boolean =>
  dueMs <= nowMs + (AT_ITS_TIME.has(act) ? 0 : ONE_TRIP_MIN * 60_000);

export interface Trip<C> {
  readonly first: C;
  /** What is done with it, because somebody is there. */
  readonly alongside: readonly C[];
  readonly later: C | null;
}

/**
 * What one way to the stove serves: with a call that is due, all that are due or nearly.
 * @param calls soonest first; of one session or of all
 * @returns null where nothing calls
 */
export function tripOf<C>(calls: readonly C[], nudgeOf: (call: C) => Pick<Nudge, 'act' | 'dueMs'>, nowMs: number): Trip<C> | null {
  const [first, ...others] = calls;
  if (first === undefined) return null;
  const isDue = nudgeOf(first).dueMs <= nowMs;
  const alongside = isDue ? others.filter((call) => isOnTheWay(nudgeOf(call), nowMs)) : [];
  return { first, alongside, later: others.find((call) => !alongside.includes(call)) ?? null };
}
