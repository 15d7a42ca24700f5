import { above } from '../measure/limits';
import { isHeated, type Phase } from '../plan/phase';
import type { Plan, PlanStep } from '../plan/plan';
import type { RunEvent } from '../run/events';
import { runNow } from '../run/runNow';
import { homeWindows } from '../schedule/diary';
import { actOut, type Slip } from './actOut';

/** How the dyer is who tries the plan out. */
export const MANNERS = ['careful', 'late', 'forgetful'] as const;
export type Manner = (typeof MANNERS)[number];

/** Minutes after the time, minutes a hold lasts longer or less, kelvin above the band, and how often: our guesses at people, no source. */
export const HABITS = {
  careful: { lateMin: [0, 3] },
  late: { lateMin: [5, 45], longerMin: [0, 20] },
  forgetful: { lateMin: [0, 15], runsAway: 0.4, awayK: [1, 7], endsEarly: 0.25, shorterMin: [5, 25] },
} as const;

/** What one trying out of a plan came to, by step. */
export interface Tried {
  /** Minutes that a hold lacked of its least. */
  readonly shortMin: ReadonlyMap<string, number>;
  /** Kelvin above the ceiling. */
  readonly overK: ReadonlyMap<string, number>;
  /** Minutes of work asked for when nobody is home and awake, counted from when that began. */
  readonly awayMin: ReadonlyMap<string, number>;
  /** Two steps wanted hands at once: "one|other". */
  readonly clashes: ReadonlySet<string>;
  readonly endMs: number;
}

/** One thing that went wrong, how often, and how far in nine of ten of those. */
export type Trouble =
  /** Lacked minutes of its hold; went above its ceiling by kelvin; wanted hands that are away or asleep for minutes. */
  | { readonly kind: 'hold' | 'ceiling' | 'away'; readonly stepId: string; readonly times: number; readonly worst: number }
  /** Both wanted hands within two minutes. */
  | { readonly kind: 'clash'; readonly stepId: string; readonly otherId: string; readonly times: number };

export interface Report {
  readonly times: number;
  /** Most often first. */
  readonly troubles: readonly Trouble[];
  readonly cleanTimes: number;
  /** When it was over: nine in ten earlier, and as planned. */
  readonly mostlyOverMs: number;
  readonly plannedOverMs: number;
}

const MIN = 60_000;
/** A hold within a minute of its least is held. */
const HELD_WITHIN_MIN = 1;
/** So near each other two acts at two pots want four hands: a walk to the pot and wet fingers (our estimate). */
const AT_ONCE_MS = 2 * MIN;
/** In nine of ten, so that one odd day changes no plan. */
const MOSTLY = 0.9;

/** What this dyer does otherwise this time. */
function slipsOf(manner: Manner, plan: Pick<Plan, 'steps'>, chance: () => number): Record<string, Slip> {
  const between = ([least, most]: readonly [number, number]): number => least + chance() * (most - least);
  const slip = (): Slip => {
    switch (manner) {
      case 'careful':
        return { lateMin: between(HABITS.careful.lateMin) };
      case 'late':
        return { lateMin: between(HABITS.late.lateMin), holdShortMin: -between(HABITS.late.longerMin) };
      case 'forgetful': {
        const { lateMin, runsAway, awayK, endsEarly, shorterMin } = HABITS.forgetful;
        const [isAway, isEarly] = [chance() < runsAway, chance() < endsEarly];
        return { lateMin: between(lateMin), ...(isAway ? { overshootK: between(awayK) } : {}), ...(isEarly ? { holdShortMin: between(shorterMin) } : {}) };
      }
    }
  };
  return Object.fromEntries([...new Set(plan.steps.map(({ kind }) => kind))].map((kind) => [kind, slip()]));
}

type Hold = Extract<Phase, { kind: 'hold' }>;
const holdOf = (step: PlanStep): Hold | undefined => step.phases.find((phase): phase is Hold => phase.kind === 'hold');

/** The plan, gone through once by such a dyer with a thermometer in every pot. Nothing of it is kept anywhere. */
export function tryOut(plan: Plan, manner: Manner, chance: () => number): Tried {
  const probed: Plan = { ...plan, vessels: plan.vessels.map((vessel) => ({ ...vessel, probeId: vessel.probeId ?? vessel.id })) };
  const { acts, readings, endMs } = actOut(probed, slipsOf(manner, plan, chance), chance, Number.POSITIVE_INFINITY);
  const firstMs = acts[0]?.atMs ?? plan.draft.startMs;
  const events: RunEvent[] = [
    { id: 'begun', type: 'started', planVersion: plan.version, atMs: firstMs, recordedAtMs: firstMs },
    ...acts.map(({ atMs, fact }, i): RunEvent => ({ ...fact, id: `try-${i}`, atMs, recordedAtMs: atMs })),
  ];
  const { clocks } = runNow(probed, events, readings, endMs);
  const shortMin = new Map<string, number>();
  const overK = new Map<string, number>();
  for (const step of plan.steps) {
    const [hold, clock] = [holdOf(step), clocks[step.id]];
    if (!hold || !clock) continue;
    const credit = clock.phases.findLast(({ phase }) => phase.kind === 'hold')?.credit;
    const lacks = credit && isHeated(hold) ? hold.minutes.min - credit.inBandMin - credit.assumedMin - credit.overMin : 0;
    if (lacks > HELD_WITHIN_MIN) shortMin.set(step.id, lacks);
    if (hold.ceilingC !== null && clock.highestC !== null && above(clock.highestC, hold.ceilingC)) overK.set(step.id, clock.highestC - hold.ceilingC);
  }
  return { shortMin, overK, awayMin: awayOf(plan, acts, firstMs, endMs), clashes: clashesOf(plan, acts), endMs };
}

type Acts = ReturnType<typeof actOut>['acts'];
const stepOf = (fact: Acts[number]['fact']): string | null => ('stepId' in fact && fact.stepId ? fact.stepId : null);

function awayOf(plan: Plan, acts: Acts, fromMs: number, toMs: number): Map<string, number> {
  const home = homeWindows(plan.home.diary, fromMs - 86_400_000, toMs + 86_400_000);
  const away = new Map<string, number>();
  for (const { atMs, fact } of acts) {
    const stepId = stepOf(fact);
    if (stepId === null || home.some((window) => atMs >= window.fromMs && atMs <= window.toMs)) continue;
    const leftMs = home.findLast((window) => window.toMs < atMs)?.toMs ?? atMs;
    away.set(stepId, Math.max(away.get(stepId) ?? 0, (atMs - leftMs) / MIN));
  }
  return away;
}

function clashesOf({ steps }: Pick<Plan, 'steps'>, acts: Acts): Set<string> {
  const clashes = new Set<string>();
  const hands = acts.filter(({ fact }) => fact.type !== 'stepFinished');
  // A step that ends and the next that goes on with its goods or its bath are one walk.
  const isNext = (one: string, other: string) => steps.some(({ id, after }) => (id === one && after.includes(other)) || (id === other && after.includes(one)));
  hands.forEach((act, i) => {
    const one = stepOf(act.fact);
    for (let j = i + 1; j < hands.length; j++) {
      const next = hands[j];
      if (!next || next.atMs - act.atMs > AT_ONCE_MS) break;
      const other = stepOf(next.fact);
      if (one !== null && other !== null && one !== other && !isNext(one, other)) clashes.add(one < other ? `${one}|${other}` : `${other}|${one}`);
    }
  });
  return clashes;
}

/** The value that nine of ten stay below. */
function mostly(values: readonly number[]): number {
  const sorted = values.toSorted((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * MOSTLY))] ?? 0;
}

/** What many tryings out tell of a plan. */
export function reportOf(plan: Pick<Plan, 'steps'>, tried: readonly Tried[]): Report {
  const byStep = (kind: 'hold' | 'ceiling' | 'away', of: (one: Tried) => ReadonlyMap<string, number>): Trouble[] =>
    plan.steps.flatMap(({ id }) => {
      const values = tried.flatMap((one) => of(one).get(id) ?? []);
      return values.length > 0 ? [{ kind, stepId: id, times: values.length, worst: mostly(values) }] : [];
    });
  const clashes = [...new Set(tried.flatMap((one) => [...one.clashes]))].map((pair): Trouble => {
    const [stepId = '', otherId = ''] = pair.split('|');
    return { kind: 'clash', stepId, otherId, times: tried.filter((one) => one.clashes.has(pair)).length };
  });
  const troubles = [
    ...byStep('hold', ({ shortMin }) => shortMin),
    ...byStep('ceiling', ({ overK }) => overK),
    ...byStep('away', ({ awayMin }) => awayMin),
    ...clashes,
  ];
  return {
    times: tried.length,
    troubles: troubles.toSorted((a, b) => b.times - a.times),
    cleanTimes: tried.filter(({ shortMin, overK, awayMin, clashes: pairs }) => shortMin.size + overK.size + awayMin.size + pairs.size === 0).length,
    mostlyOverMs: mostly(tried.map(({ endMs }) => endMs)),
    plannedOverMs: Math.max(...plan.steps.map(({ endMs }) => endMs)),
  };
}
