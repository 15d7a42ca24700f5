import type { Balance } from '../bath/balance';
import { bathIdAt } from '../bath/bath';
import { pourWays } from '../bath/pour';
import { type Figure, figureOf } from '../figure';
import type { Plan, PlanStep } from '../plan/plan';
import { shelfOf } from '../shelf/library';
import { bathBalance } from './bathActs';
import type { RunState } from './fold';

/** A bath that stands there when its last step is done: kept, or poured away with a thought. */
export interface BathLeft {
  readonly stepId: string;
  readonly title: string;
  /** The step that made it. */
  readonly bathId: string;
  readonly vesselId: string | null;
  /** A dye liquor may be kept; a scour or rinse is only poured away. */
  readonly dyestuffId: string | null;
  readonly volumeMl: Figure;
  readonly ph: number | null;
  readonly doneAtMs: number;
  /** Loads of goods that were dyed in it. */
  readonly loads: number;
  readonly balance: Balance;
  /** The kept bath that it was brought out of. */
  readonly liquorId: string | null;
  /** Where it goes, strictest first; one line each. */
  readonly pour: readonly string[];
}

/** Baths of a run, each once at its last finished step. What went into it by the log decides where it may go (R30). */
export function bathsLeft(plan: Pick<Plan, 'steps' | 'own' | 'lots' | 'draft' | 'vessels' | 'home'>, state: RunState, nowMs: number): BathLeft[] {
  const shelf = shelfOf(plan.own);
  const last = new Map<string, { step: PlanStep; substances: Set<string>; ph: number | null }>();
  plan.steps.forEach((step, index) => {
    const did = state.steps[step.id];
    const bathId = bathIdAt(plan.steps, index);
    if (did?.status !== 'done' || (step.water === null && step.fit === null) || step.vesselId === null || bathId === null) return;
    const before = last.get(bathId);
    const substances = new Set([...(before?.substances ?? []), ...did.additions.map((addition) => addition.substance)]);
    last.set(bathId, { step, substances, ph: did.ph.at(-1)?.value ?? before?.ph ?? null });
  });
  return [...last.values()].map(({ step, substances, ph }): BathLeft => {
    const did = state.steps[step.id];
    const bathId = bathIdAt(plan.steps, plan.steps.indexOf(step));
    const balance = bathBalance(plan, state, bathId ?? step.id, nowMs);
    const { volumeMl, isEstimate } = balance;
    return {
      stepId: step.id,
      title: step.title,
      bathId: bathId ?? step.id,
      vesselId: did?.vesselId ?? step.vesselId,
      dyestuffId: step.dyestuffId,
      volumeMl: figureOf(volumeMl, isEstimate ? 'estimated' : 'measured'),
      ph,
      doneAtMs: did?.endedAtMs ?? 0,
      loads: plan.steps.filter(
        (one, i) => one.treatment === 'dye' && one.lotIds.length > 0 && bathIdAt(plan.steps, i) === bathId && state.steps[one.id]?.status === 'done',
      ).length,
      balance,
      liquorId: step.liquorId,
      pour: pourWays([...substances], ph, shelf),
    };
  });
}
