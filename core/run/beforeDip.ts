import { bathIdAt } from '../bath/bath';
import type { PlanStep } from '../plan/plan';
import type { StepState } from './fold';
import type { Choice, Moment, Otherwise } from './otherwise';

/** Words of a look that answer what is asked before a modifier. */
const IN_THE_BATH = 'in the dyebath itself, on purpose';
const CONTROL = /\bcontrol\b/i;

const looked = (stepId: string, finding: string): Choice['does'] => ({ log: [{ type: 'checked', stepId, finding }] });

/** What is asked while a modifier is set up, before any of it has touched the goods; null: all of it was answered. */
export function beforeDip(step: PlanStep, { plan, state, clocks }: Moment): Otherwise | null {
  const own = state.steps[step.id];
  if (!own || step.treatment !== 'modifier' || step.lotIds.length === 0 || clocks[step.id]?.current?.phase.kind !== 'charge') return null;
  const isInDyebath = bathIdAt(plan.steps, plan.steps.indexOf(step)) !== step.id;
  return (isInDyebath ? school(step, own) : null) ?? control(step, own);
}

/** In the dyebath or in a bath of its own: both are done, with their reasons (trade handbook section 13, common practice, no source). */
function school({ id: stepId }: PlanStep, own: StepState): Otherwise | null {
  if (own.additions.length > 0 || own.checks.some(({ finding }) => finding === IN_THE_BATH)) return null;
  return {
    trouble: 'school',
    stepId,
    says: 'Into the dyebath, or into a bath of its own? Both are done.',
    choices: [
      {
        title: 'Into the dyebath',
        price: 'Costs no other bath, and dye goes on taking meanwhile. It changes the whole bath for good, and from about pH 12 on nothing takes.',
        does: looked(stepId, IN_THE_BATH),
      },
      {
        title: 'As an after-bath',
        price: 'Costs one more small bath and a rinse. The dyebath stays as it is; shifts are stronger and under control.',
        does: { change: true },
      },
    ],
  };
}

/** What a change is judged by is kept out before the goods are changed, not after. */
function control({ id: stepId }: PlanStep, own: StepState): Otherwise | null {
  if (own.checks.some(({ finding }) => CONTROL.test(finding))) return null;
  return {
    trouble: 'control',
    stepId,
    says: 'Before the goods go in: is a control kept out?',
    choices: [
      { title: 'A piece stays out', price: 'Costs a strip or a strand. The change is judged by it.', does: looked(stepId, 'control: a piece stays out') },
      {
        title: 'One end stays out',
        price: 'Costs a line where the dip ended; before and after hang on one thread.',
        does: looked(stepId, 'control: one end stays out'),
      },
      { title: 'No control', price: 'Costs nothing, and then what the dip did is told from memory.', does: looked(stepId, 'no control kept') },
    ],
  };
}
