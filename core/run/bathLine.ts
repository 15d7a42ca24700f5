import { balanceText } from '../bath/balanceText';
import { bathIdAt } from '../bath/bath';
import type { Plan, PlanStep } from '../plan/plan';
import { shelfOf } from '../shelf/library';
import { bathBalance } from './bathActs';
import type { RunState } from './fold';

/** How much is in a step's bath now, mL; null where there is none, or nobody knows. */
export function bathVolumeMl(
  plan: Pick<Plan, 'steps' | 'lots' | 'own' | 'draft' | 'vessels' | 'home'>,
  state: RunState,
  step: PlanStep,
  nowMs: number,
): number | null {
  const bathId = bathIdAt(plan.steps, plan.steps.indexOf(step));
  return bathId === null ? null : bathBalance(plan, state, bathId, nowMs).volumeMl;
}

/** How much is in a step's bath, and of what how much per litre; null where there is no bath, or nobody wrote anything down yet. */
export function bathLine(
  plan: Pick<Plan, 'steps' | 'lots' | 'own' | 'draft' | 'vessels' | 'home'>,
  state: RunState,
  step: PlanStep,
  nowMs: number,
): string | null {
  const bathId = bathIdAt(plan.steps, plan.steps.indexOf(step));
  if (bathId === null) return null;
  const balance = bathBalance(plan, state, bathId, nowMs);
  return balance.lines.length === 0 ? null : balanceText(balance, shelfOf(plan.own).nameOf);
}
