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

type ByVessel = Readonly<Record<string, readonly Reading[]>>;

/** What the probes read of the vessels a step stood in, while it stood there. */
function probedIn(step: Pick<PlanStep, 'vesselId'>, state: StepState, of: (vesselId: string) => readonly Reading[]): Reading[] {
  const startMs = state.entered[0]?.atMs;
  if (startMs === undefined) return [];
  const stays = staysOf(step, state, startMs);
  return stays.flatMap((stay, i) => {
    const untilMs = stays[i + 1]?.atMs ?? state.endedAtMs ?? Number.POSITIVE_INFINITY;
    return stay.vesselId ? of(stay.vesselId).filter((reading) => reading.atMs >= stay.atMs && reading.atMs <= untilMs) : [];
  });
}

/** Typed and probe temperatures of one step in time order, as far as they are believed; after a move the other vessel's probe is the one that counts. */
export const readingsOf = (step: Pick<PlanStep, 'vesselId'>, state: StepState, byVessel: ByVessel): Reading[] =>
  [...probedIn(step, state, (vesselId) => withoutJumps(byVessel[vesselId] ?? [])), ...state.typedC].sort((a, b) => a.atMs - b.atMs);

/** How many readings of its probes jumped away alone and back: kept, and not believed. */
export function jumpsIn(step: Pick<PlanStep, 'vesselId'>, state: StepState, byVessel: ByVessel): number {
  const count = (of: (vesselId: string) => readonly Reading[]) => probedIn(step, state, of).length;
  return count((vesselId) => byVessel[vesselId] ?? []) - count((vesselId) => withoutJumps(byVessel[vesselId] ?? []));
}
