import { bandOf } from '../chem/band';
import { doseFor, inSteps } from '../chem/forecast';
import { isLiquid, movesPh } from '../chem/freed';
import { printAmount } from '../measure/print';
import { phAimText } from './phAim';
import { middleOf, strengthOf, tapOf, VOLUME_OFF_PCT } from './phGiven';
import { amountOf, type Plan, type PlanStep } from './plan';

const round = (value: number): number => Number(value.toPrecision(2));

/**
 * How much it may take to bring a planned bath to its pH, by the home's water alone: what the plant gives and takes, no table knows.
 * @returns empty where the step has no aim, nothing in it moves a pH, or its volume is not known
 */
export function phDoseText(step: Pick<PlanStep, 'phAim' | 'additions' | 'water' | 'fit'>, plan: Pick<Plan, 'home' | 'labels' | 'draft'>): string {
  const { phAim } = step;
  const own = step.additions.find(({ substance }) => movesPh(substance));
  const volumeMl = bandOf(step.water ? amountOf(step.water) : (step.fit?.filledMl ?? null), VOLUME_OFF_PCT);
  if (!phAim || !own || !volumeMl) return '';
  const { band: alkalinityMgL, from } = tapOf(plan.home);
  const strengthPct = strengthOf(own.substance, plan);
  const dose = doseFor({ volumeMl, alkalinityMgL, tempC: 25, measuredPh: null, buffer: [] }, { substance: own.substance, strengthPct }, middleOf(phAim));
  if (!dose.ok) return '';
  const unit = isLiquid(own.substance) ? 'mL' : 'g';
  const print = (value: number): string => printAmount(round(value), unit);
  const { low, likely, high } = dose.amount;
  const steps = inSteps(likely).map(print).join(', ');
  const tap = from === 'nothing' ? 'any tap water, since nobody said how hard yours is' : 'your water';
  return `To pH ${phAimText(phAim)} by the sum about ${print(likely)} ${own.name} (${print(low)} to ${print(high)}, with ${tap}), in steps of ${steps}: stir, measure, next. The plant in it takes some more, or less: the strip tells.`;
}
