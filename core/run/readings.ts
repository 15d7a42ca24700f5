import type { Reading } from '../hold/credit';
import type { PlanStep } from '../plan/plan';
import type { StepState } from './fold';
import { withoutJumps } from './jumps';

/** Where a step stands and stood: from its begin on, each with when it came there. */
const staysOf = (
  step: Pick<PlanStep, 'vesselId'>,
  state: StepState,
  startMs: number,
): readonly { readonly atMs: number; readonly vesselId: string | null }[] => [{ atMs: startMs, vesselId: step.vesselId }, ...state.movedAtMs];

/** In which vessel a step was at a moment, as it was logged; where it is planned as long as nobody moved it. */
export const vesselAt = (step: Pick<PlanStep, 'vesselId'>, state: StepState | undefined, atMs: number): string | null =>
  (state ? staysOf(step, state, Number.NEGATIVE_INFINITY).findLast((stay) => stay.atMs <= atMs)?.vesselId : undefined) ?? step.vesselId;

/** How many readings of its probes jumped away alone and back while a step went on: kept, and not believed. */
export function jumpsIn(step: Pick<PlanStep, 'vesselId'>, state: StepState, byVessel: Readonly<Record<string, readonly Reading[]>>): number {
  const startMs = state.entered[0]?.atMs;
  if (startMs === undefined) return 0;
  const untilMs = state.endedAtMs ?? Number.POSITIVE_INFINITY;
  const within = (readings: readonly Reading[]) => readings.filter(({ atMs }) => atMs >= startMs && atMs <= untilMs).length;
  const vessels = new Set(staysOf(step, state, startMs).flatMap(({ vesselId }) => vesselId ?? []));
  return [...vessels].reduce((sum, vesselId) => sum + within(byVessel[vesselId] ?? []) - within(withoutJumps(byVessel[vesselId] ?? [])), 0);
}

/** Typed and probe temperatures of one step in time order, as far as they are believed; after a move the other vessel's probe is the one that counts. */
export function readingsOf(step: Pick<PlanStep, 'vesselId'>, state: StepState, byVessel: Readonly<Record<string, readonly Reading[]>>): Reading[] {
  const startMs = state.entered[0]?.atMs;
  if (startMs === undefined) return [...state.typedC];
  const stays = staysOf(step, state, startMs);
  const probed = stays.flatMap((stay, i) => {
    const untilMs = stays[i + 1]?.atMs ?? state.endedAtMs ?? Number.POSITIVE_INFINITY;
    return stay.vesselId ? withoutJumps(byVessel[stay.vesselId] ?? []).filter((reading) => reading.atMs >= stay.atMs && reading.atMs <= untilMs) : [];
  });
  return [...probed, ...state.typedC].sort((a, b) => a.atMs - b.atMs);
}
