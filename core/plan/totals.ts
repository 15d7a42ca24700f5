import { type Known, type Span, sumKnown } from '../figure';
import { unreachable } from '../result';
import { type Phase, plannedMin, typicalMin } from './phase';
import type { Plan } from './plan';

/** Figures for the head of a plan. */
export interface PlanTotals {
  readonly startMs: number;
  readonly endMs: number;
  readonly handsMin: number;
  readonly heatMin: Exclude<Known, null>;
  /** Holds, soaks, waits and rests one after another, without heating up or setting up: T25, T26. */
  readonly holdsMin: Exclude<Known, null>;
}

/** Minutes of a phase in which hands are busy, as usual. */
function handsMin(phase: Phase): number {
  switch (phase.kind) {
    case 'charge':
    case 'lift':
      return phase.minutes;
    case 'dip':
      return phase.exactMin;
    case 'raise':
    case 'hold':
    case 'soak':
    case 'until':
    case 'rest':
      return 0;
    default:
      return unreachable(phase);
  }
}

/** Minutes of a phase on the heat, as usual. */
function heatMin(phase: Phase): number | Span {
  switch (phase.kind) {
    case 'raise':
      return phase.minutes;
    case 'hold':
      return plannedMin(phase.minutes);
    case 'charge':
    case 'lift':
    case 'dip':
    case 'soak':
    case 'until':
    case 'rest':
      return 0;
    default:
      return unreachable(phase);
  }
}

/** Minutes of any phase as its method has it, nights left out; a range where a person said one. */
const lengthOf = (phase: Phase): number | Span =>
  'minutes' in phase && typeof phase.minutes === 'object' ? (phase.minutes.usual ?? plannedMin(phase.minutes)) : typicalMin(phase);

export function planTotals(plan: Pick<Plan, 'steps'>): PlanTotals {
  const phases = plan.steps.flatMap((step) => step.phases);
  return {
    startMs: Math.min(...plan.steps.map((step) => step.startMs)),
    endMs: Math.max(...plan.steps.map((step) => step.endMs)),
    handsMin: phases.reduce((total, phase) => total + handsMin(phase), 0),
    heatMin: sumKnown(phases.map(heatMin)) ?? 0,
    holdsMin: sumKnown(phases.filter((phase) => phase.kind !== 'raise' && phase.kind !== 'charge' && phase.kind !== 'lift').map(lengthOf)) ?? 0,
  };
}
