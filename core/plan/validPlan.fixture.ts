import { isSpan, knownOf } from '../figure';
import type { Window } from '../schedule/diary';
import { isHeated, type Phase } from './phase';
import { type Plan, type PlanStep, plannedKnown } from './plan';

/**
 * What is wrong with a plan, looked at from outside: it shares no code with the scheduler, and knows only what a kitchen
 * allows. Empty when nothing is.
 */
export function planFaults(plan: Plan): string[] {
  return [...times(plan), ...vessels(plan), ...heat(plan), ...hands(plan), ...lots(plan), ...home(plan), ...baths(plan), ...amounts(plan)];
}

const SLACK_MS = 1000;
const overlap = (a: Window, b: Window): boolean => Math.min(a.toMs, b.toMs) - Math.max(a.fromMs, b.fromMs) > SLACK_MS;
const whole = (step: PlanStep): Window => ({ fromMs: step.startMs, toMs: step.endMs });
const pairs = <T>(all: readonly T[]): [T, T][] => all.flatMap((a, i) => all.slice(i + 1).map((b): [T, T] => [a, b]));
const phasesOf = (step: PlanStep, wanted: (phase: Phase) => boolean): Window[] =>
  step.phases.flatMap((phase, i) => {
    const at = step.phaseTimes[i];
    return at && wanted(phase) ? [at] : [];
  });
const needsHands = ({ kind }: Phase): boolean => kind === 'charge' || kind === 'lift' || kind === 'dip';

/** Phases follow each other within the step, and each is as long as it may be. */
function times({ steps, draft, boundMs }: Plan): string[] {
  const found = steps.flatMap((step) => {
    const faults: string[] = [];
    if (step.startMs < draft.startMs - SLACK_MS) faults.push(`${step.id} begins before the session`);
    if (step.phaseTimes.length !== step.phases.length) faults.push(`${step.id} has ${step.phaseTimes.length} times for ${step.phases.length} phases`);
    step.phaseTimes.forEach((at, i) => {
      const before = step.phaseTimes[i - 1];
      if (before && Math.abs(before.toMs - at.fromMs) > SLACK_MS) faults.push(`${step.id} has a hole before phase ${i}`);
      const phase = step.phases[i];
      if (!phase || !('minutes' in phase) || typeof phase.minutes !== 'object') return;
      const min = (at.toMs - at.fromMs) / 60_000;
      if (min < phase.minutes.min - 0.1 || min > phase.minutes.max + 0.1)
        faults.push(`${step.id} phase ${i} takes ${min} of ${phase.minutes.min}–${phase.minutes.max} min`);
    });
    return faults;
  });
  const endMs = Math.max(...steps.map((step) => step.endMs));
  return boundMs > endMs + SLACK_MS ? [...found, 'the bound lies behind the end'] : found;
}

/** One bath a vessel at a time. */
function vessels({ steps, vessels: all }: Plan): string[] {
  const one = (step: PlanStep): boolean => {
    const vessel = all.find((each) => each.id === step.vesselId);
    return vessel !== undefined && vessel.kind !== 'line' && vessel.kind !== 'table';
  };
  return pairs(steps.filter(one)).flatMap(([a, b]) =>
    a.vesselId === b.vesselId && overlap(whole(a), whole(b)) ? [`${a.id} and ${b.id} are in ${a.vesselId} at once`] : [],
  );
}

/** One pot a plate at a time. */
function heat({ steps, vessels: all }: Plan): string[] {
  const plate = (step: PlanStep) => all.find((vessel) => vessel.id === step.vesselId)?.heatSourceId ?? null;
  return pairs(steps).flatMap(([a, b]) => {
    if (plate(a) === null || plate(a) !== plate(b) || a.vesselId === b.vesselId) return [];
    return phasesOf(a, isHeated).some((x) => phasesOf(b, isHeated).some((y) => overlap(x, y))) ? [`${a.id} and ${b.id} are on ${plate(a)} at once`] : [];
  });
}

/** One pair of hands. */
function hands({ steps }: Plan): string[] {
  const busy = steps.flatMap((step) => phasesOf(step, needsHands).map((at) => ({ ...at, id: step.id })));
  return pairs(busy).flatMap(([a, b]) => (overlap(a, b) ? [`hands are in ${a.id} and ${b.id} at once`] : []));
}

/** A lot is in one place at a time, and goes through its steps in their order. */
function lots({ steps, lots: all }: Plan): string[] {
  return all.flatMap((lot) =>
    pairs(steps.filter((step) => step.lotIds.includes(lot.id))).flatMap(([a, b]) =>
      b.startMs < a.endMs - SLACK_MS ? [`${lot.id} is in ${b.id} before it left ${a.id}`] : [],
    ),
  );
}

/** Heat and hands only while somebody is home and awake. */
function home({ steps, absences }: Plan): string[] {
  return steps.flatMap((step) =>
    phasesOf(step, (phase) => isHeated(phase) || needsHands(phase)).flatMap((at) =>
      absences.some((gap) => overlap(gap, at)) ? [`${step.id} needs somebody while nobody is there`] : [],
    ),
  );
}

/** A bath is worked in after it was made. */
function baths({ steps }: Plan): string[] {
  return steps.flatMap((step) => {
    const maker = steps.find((one) => one.id === step.bathId);
    return maker && maker !== step && step.startMs < maker.endMs - SLACK_MS ? [`${step.id} is in a bath that ${maker.id} has not made yet`] : [];
  });
}

/** A dose by weight is its share of the weight, at each end where that is a range. */
function amounts({ steps, lots: all }: Plan): string[] {
  return steps.flatMap((step) => {
    if (step.part) return [];
    const weights = all.filter((lot) => step.sizedBy.includes(lot.id)).map((lot) => knownOf(lot.dryWeightG));
    return step.additions.flatMap((addition) => {
      if (addition.perDryG === null || addition.overruled !== null) return [];
      const got = plannedKnown(addition);
      if (weights.some((weight) => weight === null)) return got === null ? [] : [`${step.id}/${addition.id} claims a dose of an unknown weight`];
      const ends = (end: 'least' | 'most'): number =>
        weights.reduce<number>((sum, weight) => sum + (isSpan(weight) ? (weight[end] ?? Number.NaN) : (weight ?? 0)), 0) * (addition.perDryG ?? 0);
      const [least, most] = isSpan(got) ? [got.least, got.most] : [got, got];
      const off = (a: number | null, b: number): boolean => a === null || Math.abs(a - b) > 1e-6 * Math.max(1, b);
      return off(least, ends('least')) || off(most, ends('most')) ? [`${step.id}/${addition.id} is not its share of the weight`] : [];
    });
  });
}
