import { isWait, typicalMin } from '../plan/phase';
import type { Plan } from '../plan/plan';
import type { StepClock } from './clock';
import type { RunState } from './fold';

/** How far the running steps will end behind the plan, min; 0 when they keep to it. */
export function latenessMin(plan: Pick<Plan, 'steps'>, state: RunState, clocks: Readonly<Record<string, StepClock>>, nowMs: number): number {
  let late = 0;
  for (const step of plan.steps) {
    const own = state.steps[step.id];
    const clock = clocks[step.id];
    if (own?.status === 'waiting' && step.after.every((id) => ['done', 'skipped'].includes(state.steps[id]?.status ?? 'done')))
      late = Math.max(late, (nowMs - step.startMs) / 60_000);
    if (own?.status !== 'running' || !clock?.current) continue;
    const now = clock.current;
    const plannedEnd = step.phaseTimes[now.index]?.toMs;
    const unattended = isWait(now.phase);
    if (plannedEnd === undefined || unattended) continue;
    const leftMin = now.phase.kind === 'raise' ? Math.max(0, typicalMin(now.phase) - now.elapsedMin) : Math.max(0, now.leftMin ?? 0);
    late = Math.max(late, (nowMs - plannedEnd) / 60_000 + leftMin);
  }
  return Math.max(0, late);
}
