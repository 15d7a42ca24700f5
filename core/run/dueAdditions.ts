import type { PlannedAmount, PlanStep } from '../plan/plan';
import type { StepState } from './fold';

/** What is to go in by now and is not logged yet: that of this phase, and what was forgotten in those before. */
export const dueAdditions = (step: Pick<PlanStep, 'additions'>, state: Pick<StepState, 'additions'>, phaseIndex: number): PlannedAmount[] =>
  step.additions.filter((addition) => (addition.phase ?? 0) <= phaseIndex && !state.additions.some((logged) => logged.additionId === addition.id));
