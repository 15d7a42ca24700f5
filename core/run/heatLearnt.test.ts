import { expect, test } from 'vitest';
import { seededChance } from '../chance';
import { buildPlan } from '../plan/buildPlan';
import { HEAD, input, planned, wool } from '../plan/plan.fixture';
import { actOut } from '../rehearse/actOut';
import type { RunEvent } from './events';
import { curvesOf, potsOf } from './heatLearnt';
import { runNow } from './runNow';

const plan = planned([wool('a', 100)]);
const acted = actOut(plan, {}, seededChance(7), Number.POSITIVE_INFINITY);
const events: RunEvent[] = [
  { type: 'started', planVersion: 1, id: 's', atMs: plan.steps[0]?.startMs ?? 0, recordedAtMs: 0 },
  ...acted.acts.map((act, i) => ({ ...act.fact, id: `e${i}`, atMs: act.atMs, recordedAtMs: i + 1 })),
];
const curves = curvesOf(plan, runNow(plan, events, acted.readings, acted.endMs), acted.readings);

test('a day at the stove teaches its pots, and the next plan heats up as they do and says so', () => {
  expect(curves.length).toBeGreaterThan(0);
  const pots = potsOf(curves);
  // Only one of the pots has a probe.
  expect(pots.map(({ vesselId }) => vesselId)).toEqual(['steel12']);
  const next = buildPlan({ ...input([wool('a', 100)]), pots }, HEAD).plan;
  const raises = (next?.steps ?? []).flatMap(({ vesselId, phases }) => phases.flatMap((phase) => (phase.kind === 'raise' ? [{ vesselId, phase }] : [])));
  const learnt = raises.filter(({ vesselId }) => pots.some((pot) => pot.vesselId === vesselId));
  expect(learnt.length).toBeGreaterThan(0);
  for (const { phase } of learnt) {
    expect(phase.learnt?.n).toBeGreaterThan(0);
    expect(phase.learnt?.minMin).toBeLessThanOrEqual(phase.minutes);
    expect(phase.learnt?.maxMin).toBeGreaterThanOrEqual(phase.minutes);
  }
  // Without any curve nothing is claimed.
  expect(plan.steps.flatMap(({ phases }) => phases).some((phase) => phase.kind === 'raise' && phase.learnt)).toBe(false);
});

test('a step that is not over teaches nothing yet', () => {
  const first = events.findIndex(({ type }) => type === 'stepFinished');
  const early = events.slice(0, first);
  expect(curvesOf(plan, runNow(plan, early, acted.readings, early.at(-1)?.atMs ?? 0), acted.readings)).toEqual([]);
});
