import { isHeated } from '@/core/plan/phase';
import type { Plan } from '@/core/plan/plan';
import type { StepClock } from '@/core/run/clock';
import type { RunState } from '@/core/run/fold';
import type { Actual } from '../warp/warpLayout';

/** Blocks of the warp as they really were; steps not begun are left where the plan has them. */
export function actualTimes(plan: Plan, state: RunState, clocks: Readonly<Record<string, StepClock>>): Record<string, Actual> {
  const actual: Record<string, Actual> = {};
  for (const step of plan.steps) {
    const own = state.steps[step.id];
    const clock = clocks[step.id];
    const first = clock?.phases[0];
    if (own?.status === 'skipped') actual[step.id] = { startMs: step.startMs, endMs: step.endMs, heat: [], hands: [], state: 'skipped' };
    if (!own || !clock || !first || own.status === 'skipped') continue;
    const endOf = (index: number) =>
      clock.phases[index]?.leftMs ?? own.endedAtMs ?? (clock.phases[index]?.enteredMs ?? 0) + (clock.phases[index]?.elapsedMin ?? 0) * 60_000;
    actual[step.id] = {
      startMs: first.enteredMs,
      endMs: Math.max(first.enteredMs + 60_000, own.endedAtMs ?? endOf(clock.phases.length - 1)),
      heat: clock.phases.flatMap((phase, i) => (isHeated(phase.phase) ? [{ fromMs: phase.enteredMs, toMs: endOf(i) }] : [])),
      hands: clock.phases.filter((phase) => ['charge', 'lift', 'dip'].includes(phase.phase.kind)).map((phase) => phase.enteredMs),
      state: own.status === 'done' ? 'done' : 'running',
    };
  }
  return actual;
}
