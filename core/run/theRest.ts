import type { FixedStep } from '../plan/buildPlan';
import { type ChainItem, type Draft, isStepOf, lotsOf } from '../plan/draft';
import { isWait, typicalMin } from '../plan/phase';
import type { Plan } from '../plan/plan';
import type { RunState } from './fold';
import type { RunNow } from './runNow';

/** What a plan made in mid-run keeps of what has begun, and what it may still change. */

/** A pin holds until its step begins; one whose time has passed unbegun is let go. */
export const pinsToCome = (plan: Plan, state: RunState, nowMs: number): Draft['pins'] =>
  Object.fromEntries(Object.entries(plan.draft.pins).filter(([stepId, pinMs]) => pinMs >= nowMs && state.steps[stepId]?.status === 'waiting'));

export const currentVessels = (plan: Plan, state: RunState): Record<string, string> =>
  Object.fromEntries(
    plan.steps.flatMap((step) => {
      const vesselId = state.steps[step.id]?.vesselId ?? step.vesselId;
      return vesselId ? [[step.id, vesselId]] : [];
    }),
  );

/** Done steps stay where they were; a running one keeps its start and ends when its timers say. */
export function fixedSteps(plan: Plan, state: RunState, clocks: RunNow['clocks'], nowMs: number): Record<string, FixedStep> {
  const fixed: Record<string, FixedStep> = {};
  for (const step of plan.steps) {
    const own = state.steps[step.id];
    const clock = clocks[step.id];
    if (!own || !clock || own.status === 'waiting') continue;
    const segments: { fromMs: number; toMs: number }[] = [];
    let at = clock.phases[0]?.enteredMs ?? own.endedAtMs ?? nowMs;
    const startMs = at;
    const over = own.status === 'done' || own.status === 'skipped';
    step.phases.forEach((phase, index) => {
      const entry = clock.phases.findLast((p) => p.index === index);
      const begins = entry?.enteredMs ?? at;
      const laterBegan = clock.phases.some((p) => p.index > index);
      const ends =
        entry?.leftMs ??
        (laterBegan || over
          ? begins
          : entry
            ? Math.max(nowMs, nowMs + (entry.leftMin ?? Math.max(0, typicalMin(phase) - entry.elapsedMin)) * 60_000)
            : begins + typicalMin(phase) * 60_000);
      segments.push({ fromMs: begins, toMs: Math.max(begins, ends) });
      at = Math.max(begins, ends);
    });
    const waitsMin = step.phases.map((phase) => (isWait(phase) ? phase.minutes.typical : null));
    fixed[step.id] = { startMs, endMs: own.endedAtMs ?? at, segments, waitsMin };
  }
  return fixed;
}

/** The items of the chain of which some step has begun. */
export function begunItems(plan: Pick<Plan, 'steps' | 'draft'>, state: Pick<RunState, 'steps'>): ReadonlySet<string> {
  const begun = plan.steps.filter((step) => state.steps[step.id]?.status !== 'waiting');
  return new Set(plan.draft.chain.filter((item) => begun.some((step) => isStepOf(item, step.id))).map((item) => item.id));
}

/** The draft with which the rest is planned: steps in the vessels they are in, pins that are still to come. */
export const draftFromNow = (draft: Draft, plan: Plan, state: RunState, nowMs: number): Draft => ({
  ...draft,
  vessels: { ...draft.vessels, ...begunVessels(plan, state) },
  pins: pinsToCome({ ...plan, draft }, state, nowMs),
});

const begunVessels = (plan: Plan, state: RunState): Record<string, string> =>
  Object.fromEntries(Object.entries(currentVessels(plan, state)).filter(([stepId]) => state.steps[stepId]?.status !== 'waiting'));

/**
 * What a changed draft would change of what has begun: nothing may. Each with its place and a sentence; empty when only
 * what is still to come is changed.
 */
export function begunFaults(next: Draft, plan: Plan, state: RunState): { readonly at: string; readonly message: string }[] {
  const begun = plan.steps.filter((step) => state.steps[step.id]?.status !== 'waiting');
  const own = begunItems(plan, state);
  const items = plan.draft.chain.filter((item) => own.has(item.id));
  const faults: { at: string; message: string }[] = [];
  for (const item of items) {
    const now = next.chain.find((one) => one.id === item.id);
    const name = begun.find((step) => isStepOf(item, step.id))?.title ?? 'A step';
    if (!now) faults.push({ at: `chain.${item.id}`, message: `${name} has begun: it cannot be left out. Skip what is left of it at the stove.` });
    else if (!isSameWork(item, plan.draft, now, next))
      faults.push({ at: `chain.${item.id}`, message: `${name} has begun: it stays as it was planned. What really happens is logged at the stove.` });
    else if (!isGoingOn(item, plan, state) && lotsOf(now, next).some((id) => !lotsOf(item, plan.draft).includes(id)))
      faults.push({ at: `chain.${item.id}`, message: `${name} is over: what comes later was not in it. Take the new lot out of that step.` });
  }
  const order = next.chain.filter((one) => items.some((item) => item.id === one.id)).map((one) => one.id);
  if (faults.length === 0 && order.join() !== items.map((item) => item.id).join()) faults.push({ at: 'chain', message: 'What has begun keeps its order.' });
  for (const step of begun)
    if (asText(ofStep(next, step)) !== asText(ofStep(plan.draft, step)))
      faults.push({
        at: `steps.${step.id}`,
        message: `${step.title} has begun: its amounts and its cover stay as they were planned. What really goes in is logged at the stove.`,
      });
  for (const lotId of new Set(begun.flatMap((step) => step.lotIds)))
    if (!next.lotIds.includes(lotId))
      faults.push({ at: 'lotIds', message: `${plan.lots.find((lot) => lot.id === lotId)?.name ?? 'A lot'} is in it already: it cannot be left out.` });
  return faults;
}

const isGoingOn = (item: ChainItem, { steps }: Pick<Plan, 'steps'>, state: Pick<RunState, 'steps'>): boolean =>
  steps.some((step) => isStepOf(item, step.id) && ['running', 'paused'].includes(state.steps[step.id]?.status ?? ''));

/** The same item; lots may have come to it that the plan did not have there. */
function isSameWork(item: ChainItem, draft: Draft, now: ChainItem, next: Draft): boolean {
  const has = lotsOf(now, next);
  return asText({ ...now, lotIds: null }) === asText({ ...item, lotIds: null }) && lotsOf(item, draft).every((id) => has.includes(id));
}

/** What a person set that one step's amounts and cover hang on. */
const ofStep = ({ overrules, plantAmounts = {}, extras = {}, lids = {}, labels = {}, doseOf }: Draft, step: Plan['steps'][number]): object => {
  const own = (record: Readonly<Record<string, unknown>>) => Object.fromEntries(Object.entries(record).filter(([key]) => key.startsWith(`${step.id}/`)));
  return {
    overrules: own(overrules),
    plantAmounts: own(plantAmounts),
    extras: extras[step.id],
    lid: lids[step.id],
    labels: step.additions.map((addition) => labels[addition.substance]),
    // Nobody asked counts as the whole.
    doseOf: step.additions.some((addition) => addition.perDryG !== null) ? (doseOf ?? 'whole') : null,
  };
};

/** Keys in any order; what is empty is as good as left out. */
function asText(value: unknown): string {
  const bare = (one: unknown): unknown => {
    if (one === null || one === undefined) return null;
    if (Array.isArray(one)) return one.map(bare);
    if (typeof one !== 'object') return one;
    const kept = Object.entries(one)
      .map(([key, own]) => [key, bare(own)] as const)
      .filter(([, own]) => own !== null && !(typeof own === 'object' && Object.keys(own).length === 0));
    return Object.fromEntries(kept.toSorted(([a], [b]) => (a < b ? -1 : 1)));
  };
  return JSON.stringify(bare(value));
}
