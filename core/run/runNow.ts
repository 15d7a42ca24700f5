import type { Reading } from '../hold/credit';
import type { Plan } from '../plan/plan';
import { type StepClock, stepClock } from './clock';
import type { RunEvent } from './events';
import { foldRun, type RunState } from './fold';
import { type Nudge, runNudges } from './nudges';
import { readingsOf } from './readings';

export type ByVessel = Readonly<Record<string, readonly Reading[]>>;

/** A run at one moment: what happened, every timer, every call for hands. */
export interface RunNow {
  readonly state: RunState;
  readonly clocks: Readonly<Record<string, StepClock>>;
  readonly nudges: readonly Nudge[];
}

/** Worked out once, for the server and the stove alike, from plan, log, readings and the time now. */
export function runNow(plan: Pick<Plan, 'steps' | 'lots' | 'home' | 'draft'>, events: readonly RunEvent[], readings: ByVessel, nowMs: number): RunNow {
  const state = foldRun(plan.steps, events);
  const clocks: Record<string, StepClock> = {};
  for (const step of plan.steps) {
    const own = state.steps[step.id];
    if (own) clocks[step.id] = stepClock(step, own, readingsOf(step, own, readings), nowMs);
  }
  return { state, clocks, nudges: runNudges(plan, state, clocks, nowMs) };
}
