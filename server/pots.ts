import type { HeldLast } from '@/core/bath/past';
import type { KnownPot } from '@/core/heat/learnPot';
import { foldRun } from '@/core/run/fold';
import { curvesOf, type PotCurve, potsOf } from '@/core/run/heatLearnt';
import { heldLast } from '@/core/run/heldLast';
import { runNow } from '@/core/run/runNow';
import type { App } from './app';
import { ofNewestRuns } from './newestRuns';
import { probedReadings } from './runReadings';

const curves = ofNewestRuns<PotCurve>('How its pots heat', (app, plan, events, vessels) => {
  const nowMs = app.nowMs();
  const readings = probedReadings(app.store.readings, vessels, plan, foldRun(plan.steps, events), nowMs);
  return curvesOf(plan, runNow(plan, events, readings, nowMs), readings);
});

/** What the curves of one's own pots taught. */
export const learntPots = async (app: App): Promise<KnownPot[]> => potsOf(await curves(app));

const sessionsOf = (held: readonly HeldLast[], vesselId: string): number =>
  new Set(held.filter((one) => one.vesselId === vesselId).map(({ sessionId }) => sessionId)).size;

/** By vessel and session: the last bath that it held, newest run first. As far back as each vessel was used in two sessions, one of which may be the asker’s own. */
export const heldInPots = ofNewestRuns(
  'What its vessels held',
  (_, plan, events) => heldLast(plan, foldRun(plan.steps, events)),
  // A line or a table holds no bath.
  (held, vessels) => vessels.every(({ id, litres }) => litres === null || sessionsOf(held, id) > 1),
);
