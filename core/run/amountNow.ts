import { type Known, knownValue, oneOf, sumFigures } from '../figure';
import { type Plan, type PlannedAmount, type PlanStep, plannedKnown } from '../plan/plan';
import type { RunState } from './fold';
import { weightOf } from './weightOf';

/** Dry fibre that sizes a step's quantities, as the run knows it, g; null while a weight is missing. */
export function sizingG(step: Pick<PlanStep, 'sizedBy' | 'part'>, plan: Pick<Plan, 'lots'>, state: Pick<RunState, 'lotWeightsG'>): number | null {
  const dryG = knownValue(sumFigures(step.sizedBy.map((id) => weightOf(plan, state, id))));
  if (dryG === null || !step.part) return dryG;
  return step.part.sharePct === null ? null : (dryG * step.part.sharePct) / 100;
}

/**
 * A planned amount as it stands in the run: worked out again once the lots have been weighed on the way, when the plan
 * was made without their weights. What a person set stays.
 */
export function amountNow(
  amount: PlannedAmount,
  step: Pick<PlanStep, 'sizedBy' | 'part'>,
  plan: Pick<Plan, 'lots'>,
  state: Pick<RunState, 'lotWeightsG'>,
): Known {
  const planned = plannedKnown(amount);
  if (oneOf(planned) !== null || amount.perDryG === null || amount.overruled !== null) return planned;
  const dryG = sizingG(step, plan, state);
  return dryG === null ? planned : dryG * amount.perDryG;
}
