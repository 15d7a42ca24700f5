import type { Reading } from '../hold/credit';
import type { PlanStep } from '../plan/plan';
import { believed, type Doubt, doubtNow, doubtsOf } from './doubts';
import type { StepState } from './fold';

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
  [...probedIn(step, state, (vesselId) => believed(byVessel[vesselId] ?? [])), ...state.typedC].sort((a, b) => a.atMs - b.atMs);

/** How many readings of its probes are kept and not believed, by why. */
export function doubtedIn(step: Pick<PlanStep, 'vesselId'>, state: StepState, byVessel: ByVessel): Readonly<Record<Doubt, number>> {
  const counts = { impossible: 0, jumped: 0, stuck: 0 };
  const doubted = new Map<Reading, Doubt>();
  for (const readings of Object.values(byVessel)) for (const [i, doubt] of doubtsOf(readings)) doubted.set(readings[i] as Reading, doubt);
  for (const reading of probedIn(step, state, (vesselId) => byVessel[vesselId] ?? [])) {
    const doubt = doubted.get(reading);
    if (doubt) counts[doubt]++;
  }
  return counts;
}

/** What the probe of a step says now that is not believed; null: it is believed, or there is none. */
export function probeDoubt(step: Pick<PlanStep, 'vesselId'>, state: StepState, byVessel: ByVessel): ReturnType<typeof doubtNow> {
  const startMs = state.entered[0]?.atMs;
  const stay = startMs === undefined ? undefined : staysOf(step, state, startMs).at(-1);
  const readings = (stay?.vesselId && byVessel[stay.vesselId]) || [];
  // What the probe said of the bath that was in there before is not this one's.
  return stay && (readings.at(-1)?.atMs ?? Number.NEGATIVE_INFINITY) >= stay.atMs ? doubtNow(readings) : null;
}
