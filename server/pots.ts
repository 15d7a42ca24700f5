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

/** By vessel and session, among the newest runs: the last bath that it held, newest run first. */
export const heldInPots = ofNewestRuns('What its vessels held', (_, plan, events) => heldLast(plan, foldRun(plan.steps, events)));
