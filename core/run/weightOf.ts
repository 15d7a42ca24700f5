import { type Figure, measured, UNKNOWN } from '../figure';
import type { Plan } from '../plan/plan';
import type { RunState } from './fold';

/** Weight of a lot as the run knows it: weighed during the run, else as planned. */
export function weightOf(plan: Pick<Plan, 'lots'>, state: Pick<RunState, 'lotWeightsG'>, lotId: string): Figure {
  const weighed = state.lotWeightsG[lotId];
  if (weighed !== undefined) return measured(weighed);
  return plan.lots.find((lot) => lot.id === lotId)?.dryWeightG ?? UNKNOWN;
}
