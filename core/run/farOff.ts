import { type Known, knownOf, leastOf, mostOf, oneOf, sumFigures } from '../figure';
import { printAmount } from '../measure/print';
import { type PlanStep, plannedKnown } from '../plan/plan';
import type { RunFact } from './events';
import type { StepState } from './fold';

/** More than so many times the plan, or less than one part in so many, is a slip of a comma or a spoon until somebody says otherwise. */
const FAR = 2;

/** Whether all of a range lies far from all of another: a slip, until somebody says otherwise. */
export function isFarFrom(planned: Known, actual: Known): boolean {
  const [most, least] = [mostOf(planned), leastOf(planned)];
  const [atLeast, atMost] = [leastOf(actual), mostOf(actual)];
  return Boolean((most && atLeast !== null && atLeast > most * FAR) || (least && atMost !== null && atMost > 0 && atMost < least / FAR));
}

type Adding = Pick<Extract<RunFact, { type: 'addition' }>, 'additionId' | 'amount' | 'unit'>;

/**
 * What is far from the plan in what is about to be logged, in words to ask about; null when nothing is, or when nobody can say. All of
 * it that went in so far counts: a dose in three pinches is one dose. What is brought to a pH goes in by little and little, and is only too much.
 */
export function farOff(step: Pick<PlanStep, 'additions' | 'phAim'>, had: Pick<StepState, 'additions'> | undefined, adding: Adding): string | null {
  const planned = step.additions.find(({ id }) => id === adding.additionId);
  if (!planned || planned.unit !== adding.unit) return null;
  const wanted = plannedKnown(planned);
  const before = (had?.additions ?? []).filter((one) => one.additionId === adding.additionId && one.unit === adding.unit);
  const total = knownOf(sumFigures([...before.map(({ amount }) => amount), adding.amount]));
  const [most, least] = [mostOf(wanted), leastOf(wanted)];
  const [atLeast, atMost] = [leastOf(total), mostOf(total)];
  const print = (value: number): string => printAmount(value, adding.unit);
  const says = (value: number): string => `${print(value)} ${planned.name}, planned ${print(oneOf(wanted) ?? most ?? least ?? 0)}`;
  if (most && atLeast !== null && atLeast > most * FAR) return says(atLeast);
  if (least && atMost !== null && atMost > 0 && atMost < least / FAR && before.length === 0 && !step.phAim) return says(atMost);
  return null;
}
