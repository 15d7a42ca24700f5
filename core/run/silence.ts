import type { StepState } from './fold';
import type { Nudge } from './nudges';

/** Calls whose moment moves along with the clock or with each reading: heard once, they are quiet for a while. */
const MOVING: ReadonlySet<Nudge['act']> = new Set(['tooHot', 'nextPhase', 'finish', 'turnDown', 'attend']);
const QUIET_MS = 5 * 60_000;

/** Whether somebody has heard this call already, on whatever device: it stays to be seen and rings no more. The next one rings anew. */
export function isHeard({ act, dueMs }: Pick<Nudge, 'act' | 'dueMs'>, step: Pick<StepState, 'heardMs'> | undefined, nowMs: number): boolean {
  const heardMs = step?.heardMs[act];
  if (heardMs === undefined) return false;
  return heardMs >= dueMs || (MOVING.has(act) && nowMs - heardMs < QUIET_MS);
}

/** Which calls a device rings for: every one, those that stop, or those of one vessel. */
export type Hears = { readonly kind: 'all' } | { readonly kind: 'stops' } | { readonly kind: 'vessel'; readonly vesselId: string };

export function isFor(hears: Hears, { stop }: Pick<Nudge, 'stop'>, vesselId: string | null): boolean {
  switch (hears.kind) {
    case 'all':
      return true;
    case 'stops':
      return stop;
    // What must stop is everybody's.
    case 'vessel':
      return stop || vesselId === hears.vesselId;
  }
}
