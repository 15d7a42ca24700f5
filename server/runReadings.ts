import type { Reading } from '@/core/hold/credit';
import type { Vessel } from '@/core/kitchen/vessel';
import { isHeated } from '@/core/plan/phase';
import type { Plan } from '@/core/plan/plan';
import type { RunState } from '@/core/run/fold';
import type { Readings } from '@/store/readings/readings';
import { readingsOf } from './probes';

const HOUR_MS = 3_600_000;

/** Stretches, in order, none touching the next. */
export function joinedSpans(spans: readonly (readonly [number, number])[]): [number, number][] {
  const out: [number, number][] = [];
  for (const [fromMs, toMs] of [...spans].sort((a, b) => a[0] - b[0])) {
    const last = out.at(-1);
    if (last && fromMs <= last[1]) last[1] = Math.max(last[1], toMs);
    else out.push([fromMs, toMs]);
  }
  return out;
}

const usesVessel = (plan: Plan, state: RunState, vesselId: string): boolean =>
  plan.steps.some((step) => step.vesselId === vesselId) || Object.values(state.steps).some((step) => step.movedAtMs.some((move) => move.vesselId === vesselId));

/** Vessels that a run used, with the probes they have now: one may have got its probe after the plan was made. */
export const probedVessels = (vessels: readonly Vessel[], plan: Plan, state: RunState): { id: string; name: string; probeId: string }[] =>
  vessels.flatMap(({ id, name, probeId }) => (probeId && usesVessel(plan, state, id) ? [{ id, name, probeId }] : []));

/** By vessel: what its probe read while the run had it. */
export const probedReadings = (
  readings: Readings,
  vessels: readonly Vessel[],
  plan: Plan,
  state: RunState,
  nowMs: number,
): Record<string, readonly Reading[]> =>
  Object.fromEntries(probedVessels(vessels, plan, state).map(({ id, probeId }) => [id, runReadings(readings, probeId, id, plan, state, nowMs)]));

/**
 * What a probe read while a run had its vessel: closely while something was held on the heat and in the last hour, by minutes or hours in
 * between, so that weeks with a probe that reads every second stay as light as a day.
 */
export function runReadings(readings: Readings, probeId: string, vesselId: string, plan: Plan, state: RunState, nowMs: number): Reading[] {
  const fromMs = state.startedAtMs ?? nowMs;
  const toMs = state.finishedAtMs ?? nowMs;
  const heated = plan.steps.flatMap((step): [number, number][] => {
    const own = state.steps[step.id];
    const beganMs = own?.entered[0]?.atMs;
    if (!own || beganMs === undefined || !step.phases.some(isHeated)) return [];
    const stood = own.vesselId === vesselId || step.vesselId === vesselId || own.movedAtMs.some((move) => move.vesselId === vesselId);
    return stood ? [[Math.max(fromMs, beganMs), Math.min(toMs, own.endedAtMs ?? toMs)]] : [];
  });
  const close = joinedSpans([...heated, [Math.max(fromMs, toMs - HOUR_MS), toMs]]);
  const isClose = ({ atMs }: Reading) => close.some(([from, to]) => atMs >= from && atMs <= to);
  const between = readingsOf(readings, probeId, fromMs, toMs).filter((reading) => !isClose(reading));
  return [...between, ...close.flatMap(([from, to]) => readingsOf(readings, probeId, from, to))].sort((a, b) => a.atMs - b.atMs);
}
