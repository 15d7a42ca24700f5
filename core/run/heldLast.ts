import { bathIdAt } from '../bath/bath';
import type { HeldLast } from '../bath/past';
import type { Plan } from '../plan/plan';
import type { RunState } from './fold';

/** The last bath that each vessel of a run held, as its log tells; what nobody began was in none. */
export function heldLast(plan: Pick<Plan, 'sessionId' | 'steps' | 'vessels'>, state: RunState): HeldLast[] {
  const last = new Map<string, HeldLast>();
  plan.steps.forEach((step, index) => {
    const did = state.steps[step.id];
    const vesselId = did?.vesselId ?? step.vesselId;
    const bathId = bathIdAt(plan.steps, index);
    const beganMs = did?.entered[0]?.atMs;
    if (!did || vesselId === null || bathId === null || beganMs === undefined) return;
    const doneAtMs = did.endedAtMs ?? beganMs;
    if ((last.get(vesselId)?.doneAtMs ?? Number.NEGATIVE_INFINITY) > doneAtMs) return;
    const inBath = plan.steps.flatMap((one, i) => (bathIdAt(plan.steps, i) === bathId ? (state.steps[one.id]?.additions ?? []) : []));
    const substances = [...new Set(inBath.map(({ substance }) => substance))].filter((substance) => substance !== 'water');
    last.set(vesselId, { sessionId: plan.sessionId, vesselId, substances, doneAtMs });
  });
  return [...last.values()];
}
