import type { Reading } from '../hold/credit';
import type { PlanStep } from '../plan/plan';
import type { StepState } from './fold';

/** Typed and probe temperatures of one step in time order; after a move the other vessel's probe is the one that counts. */
export function readingsOf(step: Pick<PlanStep, 'vesselId'>, state: StepState, byVessel: Readonly<Record<string, readonly Reading[]>>): Reading[] {
  const startMs = state.entered[0]?.atMs;
  if (startMs === undefined) return [...state.typedC];
  const stays = [{ atMs: startMs, vesselId: step.vesselId }, ...state.movedAtMs];
  const probed = stays.flatMap((stay, i) => {
    const untilMs = stays[i + 1]?.atMs ?? state.endedAtMs ?? Number.POSITIVE_INFINITY;
    return stay.vesselId ? (byVessel[stay.vesselId] ?? []).filter((reading) => reading.atMs >= stay.atMs && reading.atMs <= untilMs) : [];
  });
  return [...probed, ...state.typedC].sort((a, b) => a.atMs - b.atMs);
}
