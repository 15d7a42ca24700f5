import type { KnownPot } from '../heat/learnPot';
import type { Reading } from '../hold/credit';
import type { Plan } from '../plan/plan';
import { type StepClock, stepClock } from './clock';
import type { RunEvent } from './events';
import { foldRun, type RunState } from './fold';
import { type HeatNow, heatNow } from './heatNow';
import { type Nudge, runNudges } from './nudges';
import { readingsOf } from './readings';

export type ByVessel = Readonly<Record<string, readonly Reading[]>>;

/** A run at one moment: what happened, every timer, every call for hands. */
export interface RunNow {
  readonly state: RunState;
  readonly clocks: Readonly<Record<string, StepClock>>;
  readonly nudges: readonly Nudge[];
  /** By step on the heat: what its pot will do. */
  readonly heat: Readonly<Record<string, HeatNow>>;
}

/** Worked out once, for the server and the stove alike, from plan, log, readings and the time now. @param pots what one's own pots taught before */
export function runNow(
  plan: Pick<Plan, 'steps' | 'lots' | 'home' | 'draft' | 'vessels' | 'own'>,
  events: readonly RunEvent[],
  readings: ByVessel,
  nowMs: number,
  pots: readonly KnownPot[] = [],
): RunNow {
  const state = foldRun(plan.steps, events);
  const clocks: Record<string, StepClock> = {};
  const heat: Record<string, HeatNow> = {};
  for (const step of plan.steps) {
    const own = state.steps[step.id];
    if (!own) continue;
    const read = readingsOf(step, own, readings);
    const clock = stepClock(step, own, read, nowMs);
    clocks[step.id] = clock;
    const forecast = own.status === 'running' || own.status === 'paused' ? heatNow(plan, state, step, own, clock, read, nowMs, pots) : null;
    if (forecast) heat[step.id] = forecast;
  }
  return { state, clocks, heat, nudges: runNudges(plan, state, clocks, nowMs, heat) };
}
