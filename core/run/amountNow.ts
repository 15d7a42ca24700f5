import { knownValue, sumFigures } from '../figure';
import { amountOf, type Plan, type PlannedAmount, type PlanStep } from '../plan/plan';
import type { RunState } from './fold';
import { weightOf } from './treatments';

/**
 * A planned amount as it stands in the run: worked out again once the lots have been weighed on the way, when the plan
 * was made without their weights. What a person set stays.
 */
export function amountNow(
  amount: PlannedAmount,
  step: Pick<PlanStep, 'lotIds'>,
  plan: Pick<Plan, 'lots'>,
  state: Pick<RunState, 'lotWeightsG'>,
): number | null {
  const planned = amountOf(amount);
  if (planned !== null || amount.perDryG === null) return planned;
  // An extraction is sized by the lots it is for, though they are not in the pot.
  const lotIds = step.lotIds.length > 0 ? step.lotIds : plan.lots.map((lot) => lot.id);
  const dryG = knownValue(sumFigures(lotIds.map((id) => weightOf(plan, state, id))));
  return dryG === null ? null : dryG * amount.perDryG;
}
