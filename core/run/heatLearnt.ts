import { fitPot } from '../heat/fitPot';
import { type Curve, type KnownPot, learnPot, potOn } from '../heat/learnPot';
import type { Plan } from '../plan/plan';
import { heatHistory } from './heatHistory';
import { readingsOf } from './readings';
import type { ByVessel, RunNow } from './runNow';

const MIN = 60_000;
/** A shorter curve, or one with fewer readings, teaches nothing that lasts. */
const LEAST_MIN = 15;
const LEAST_READINGS = 10;
/** Cooling teaches what is lost; a whole night of it teaches no more, min. */
const COOLS_MIN = 45;
/** One lumped body describes it too badly to learn from, °C. */
const WORST_C = 2;

/** A curve and the pot on its heat that it is of. */
export interface PotCurve extends Curve, Pick<KnownPot, 'vesselId' | 'heatSourceId'> {}

/** What the steps of one run that are over say of their pots, by vessel. */
export function curvesOf(plan: Plan, { state, clocks }: Pick<RunNow, 'state' | 'clocks'>, readings: ByVessel): PotCurve[] {
  return plan.steps.flatMap((step): PotCurve[] => {
    const own = state.steps[step.id];
    const clock = clocks[step.id];
    // In two pots, one curve is of neither.
    if (own?.status !== 'done' || !clock || own.movedAtMs.length > 0 || !own.vesselId) return [];
    const history = heatHistory(plan, state, step, own, clock, readingsOf(step, own, readings), null, own.endedAtMs ?? 0);
    const vessel = plan.vessels.find(({ id }) => id === own.vesselId);
    if (!history || !vessel) return [];
    const lastHotMs = history.settings.findLast(({ name }, i) => name === null && history.settings[i - 1]?.name)?.atMs ?? Number.POSITIVE_INFINITY;
    const seen = history.readings.filter(({ atMs }) => atMs <= lastHotMs + COOLS_MIN * MIN);
    const [first, last] = [seen[0], seen.at(-1)];
    if (!first || !last || seen.length < LEAST_READINGS || last.atMs - first.atMs < LEAST_MIN * MIN) return [];
    const fit = fitPot({ ...history, readings: seen }, Number.POSITIVE_INFINITY);
    if (!fit || fit.offC > WORST_C) return [];
    const { theta, root, powers } = fit;
    return [{ vesselId: vessel.id, heatSourceId: vessel.heatSourceId, theta, root, powers }];
  });
}

/** Each pot by all of its curves, on each heat that it stood on. */
export function potsOf(curves: readonly PotCurve[]): KnownPot[] {
  const pots: KnownPot[] = [];
  for (const { vesselId, heatSourceId } of curves) {
    if (potOn(pots, { id: vesselId, heatSourceId })) continue;
    const learnt = learnPot(curves.filter((curve) => curve.vesselId === vesselId && curve.heatSourceId === heatSourceId));
    if (learnt) pots.push({ vesselId, heatSourceId, ...learnt });
  }
  return pots;
}
