import type { KnownPot } from '@/core/heat/learnPot';
import type { RunEvent } from '@/core/run/events';
import { foldRun } from '@/core/run/fold';
import { curvesOf, type PotCurve, potsOf } from '@/core/run/heatLearnt';
import { runNow } from '@/core/run/runNow';
import { eventsOfRuns, newestRuns, plansOfRuns } from '@/store/runs';
import { listVessels } from '@/store/vessels';
import type { App } from './app';
import { probedReadings } from './runReadings';

/** Of so many runs, the newest, pots are learnt: a stove of last year is no longer the stove. */
const LEARNT_FROM = 12;

/** What a run taught, as long as nothing was added to its log: a log only grows. */
const kept = new WeakMap<App['store'], Map<string, { readonly events: number; readonly curves: readonly PotCurve[] }>>();

/**
 * What the curves of one's own pots taught. Each run is fitted once, with breaths in between: acts at the stove do not wait for it. A fixed
 * number of queries for any number of runs.
 */
export async function learntPots(app: App): Promise<KnownPot[]> {
  const { db } = app.store;
  const known = kept.get(app.store) ?? new Map<string, { events: number; curves: readonly PotCurve[] }>();
  kept.set(app.store, known);
  const newest = await newestRuns(db, LEARNT_FROM);
  const unread = newest.filter(({ id, events }) => known.get(id)?.events !== events).map(({ id }) => id);
  if (unread.length > 0) {
    const [{ runs, plans }, logs, vessels] = [await plansOfRuns(db, unread), await eventsOfRuns(db, unread), await listVessels(db)];
    for (const run of runs) {
      await new Promise((resolve) => setImmediate(resolve));
      const events = logs.get(run.id) ?? [];
      const version = foldRun([], events).planVersion ?? 1;
      const plan = plans.find((one) => one.sessionId === run.sessionId && one.version === version);
      known.set(run.id, { events: events.length, curves: plan ? curvesIn(app, plan, events, vessels) : [] });
    }
  }
  return potsOf(newest.flatMap(({ id }) => known.get(id)?.curves ?? []));
}

function curvesIn(app: App, plan: Parameters<typeof curvesOf>[0], events: readonly RunEvent[], vessels: Awaited<ReturnType<typeof listVessels>>): PotCurve[] {
  try {
    const nowMs = app.nowMs();
    const readings = probedReadings(app.store.readings, vessels, plan, foldRun(plan.steps, events), nowMs);
    return curvesOf(plan, runNow(plan, events, readings, nowMs), readings);
  } catch (error) {
    // A run that cannot be read teaches nothing; nobody shall be kept from planning by it, and its own page says what is wrong.
    console.error(`No pot is learnt from a run of “${plan.name}”:`, error);
    return [];
  }
}
