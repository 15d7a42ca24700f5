import { type Known, oneOf } from '../figure';
import { doseWeight } from '../plan/blend';
import { type Plan, type PlannedAmount, type PlanStep, plannedKnown } from '../plan/plan';
import type { RunState } from './fold';
import { weightOf } from './weightOf';

/** Dry fibre that a step's doses go by, as the run knows it, g; null while a weight is missing. */
export function sizingG(
  step: Pick<PlanStep, 'sizedBy' | 'part'>,
  plan: Pick<Plan, 'lots' | 'draft'>,
  state: Pick<RunState, 'lotWeightsG'>,
  doseOf = plan.draft.doseOf,
): number | null {
  const goods = plan.lots.filter((lot) => step.sizedBy.includes(lot.id)).map((lot) => ({ ...lot, dryWeightG: weightOf(plan, state, lot.id) }));
  const dryG = oneOf(doseWeight(goods, doseOf));
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
  plan: Pick<Plan, 'lots' | 'draft'>,
  state: Pick<RunState, 'lotWeightsG'>,
): Known {
  const planned = plannedKnown(amount);
  if (oneOf(planned) !== null || amount.perDryG === null || amount.overruled !== null) return planned;
  // Water goes by all that has to swim in it.
  const dryG = sizingG(step, plan, state, amount.id === 'water' ? 'whole' : plan.draft.doseOf);
  return dryG === null ? planned : dryG * amount.perDryG;
}
