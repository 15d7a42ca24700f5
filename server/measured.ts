import type { Vessel } from '@/core/kitchen/vessel';
import type { Plan } from '@/core/plan/plan';
import type { RunState } from '@/core/run/fold';
import { type Measured, measuredIn } from '@/core/run/treatments';
import type { Readings } from '@/store/readings/readings';
import { probedReadings, probedVessels } from './runReadings';

interface Kept {
  readonly stand: string;
  readonly measured: Readonly<Record<string, Measured>>;
}

/** Of runs that are over, by the store's readings: a wall of results does not read again what every probe ever said. */
const kept = new WeakMap<Readings, Map<string, Kept>>();

/**
 * By finished step of a run: what was measured of its bath. Read once of a run that is over, and again when its log or the
 * readings of its time have become more.
 * @param events how many acts its log has
 */
export function measuredOfRun(
  readings: Readings,
  vessels: readonly Vessel[],
  { runId, plan, state, events }: { readonly runId: string; readonly plan: Plan; readonly state: RunState; readonly events: number },
  nowMs: number,
): Readonly<Record<string, Measured>> {
  const read = () => measuredIn(plan, state, probedReadings(readings, vessels, plan, state, nowMs));
  const endMs = state.finishedAtMs;
  if (endMs === null) return read();
  const stand = [
    plan.version,
    events,
    ...probedVessels(vessels, plan, state).map(({ id, probeId }) => `${id}/${probeId}/${readings.standUntil(probeId, endMs)}`),
  ].join(' ');
  const ofRuns = kept.get(readings) ?? new Map<string, Kept>();
  kept.set(readings, ofRuns);
  const had = ofRuns.get(runId);
  if (had?.stand === stand) return had.measured;
  const measured = read();
  ofRuns.set(runId, { stand, measured });
  return measured;
}
