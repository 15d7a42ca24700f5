import type { CallAct } from './events';
import type { Nudge } from './nudges';

/** Of what is due at once, the lower goes first: what harms, what runs on by the minute, what is missed for good, what can wait. */
const RANK: Readonly<Record<CallAct, number>> = {
  tooHot: 0,
  dip: 0,
  attend: 1,
  turnDown: 1,
  // Heat off, and lifting, end what goes on otherwise.
  nextPhase: 2,
  finish: 2,
  lift: 2,
  flip: 3,
  add: 4,
  ph: 4,
  stir: 5,
  check: 6,
  begin: 7,
};

/** Calls as they are to be shown: what is due before what is not, the most urgent first; what is not yet due by its time. */
export function byUrgency<N extends Pick<Nudge, 'act' | 'dueMs' | 'stop'>>(calls: readonly N[], nowMs: number): N[] {
  const isDue = ({ dueMs }: N): boolean => dueMs <= nowMs;
  return calls.toSorted((a, b) => {
    if (isDue(a) !== isDue(b)) return isDue(a) ? -1 : 1;
    if (!isDue(a)) return Number(b.stop) - Number(a.stop) || a.dueMs - b.dueMs;
    return Number(b.stop) - Number(a.stop) || RANK[a.act] - RANK[b.act] || a.dueMs - b.dueMs;
  });
}
