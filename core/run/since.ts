import type { Reading } from '../hold/credit';
import type { Plan } from '../plan/plan';
import type { RunEvent } from './events';
import type { Nudge } from './nudges';
import { readingsOf } from './readings';
import type { RunNow } from './runNow';

/** What one run went through while nobody looked. */
export interface Since {
  /** Acts that were logged meanwhile, by whomever, oldest first. */
  readonly acts: readonly RunEvent[];
  /** Of each bath that is under way and was measured meanwhile: how cold and how hot it was. */
  readonly baths: readonly { readonly stepId: string; readonly leastC: number; readonly mostC: number; readonly ceilingC: number | null }[];
  /** Calls that came meanwhile and still wait, the oldest first. */
  readonly waiting: readonly Nudge[];
}

/** What answers a call or mends an entry is no act at a pot. */
const NO_ACT: ReadonlySet<RunEvent['type']> = new Set(['callHeard', 'callPutOff', 'callLetGo', 'amended']);

/** @param sinceMs when somebody looked last */
export function sinceAway(
  { state, nudges }: Pick<RunNow, 'state' | 'nudges'>,
  plan: Pick<Plan, 'steps'>,
  events: readonly RunEvent[],
  readings: Readonly<Record<string, readonly Reading[]>>,
  sinceMs: number,
  nowMs: number,
): Since {
  const baths = plan.steps.flatMap((step) => {
    const own = state.steps[step.id];
    if (own?.status !== 'running' && own?.status !== 'paused') return [];
    const read = readingsOf(step, own, readings).filter(({ atMs }) => atMs > sinceMs);
    if (read.length === 0) return [];
    const ceilingC = step.phases.find((phase) => phase.kind === 'hold')?.ceilingC ?? null;
    const [leastC, mostC] = read.reduce(([least, most], { bathC }) => [Math.min(least, bathC), Math.max(most, bathC)], [Infinity, -Infinity]);
    return [{ stepId: step.id, leastC, mostC, ceilingC }];
  });
  return {
    acts: events.filter(({ type, recordedAtMs }) => recordedAtMs > sinceMs && !NO_ACT.has(type)).toSorted((a, b) => a.atMs - b.atMs),
    baths,
    waiting: nudges.filter(({ dueMs }) => dueMs > sinceMs && dueMs <= nowMs).toSorted((a, b) => a.dueMs - b.dueMs),
  };
}

export const isNothing = ({ acts, baths, waiting }: Since): boolean => acts.length + baths.length + waiting.length === 0;
