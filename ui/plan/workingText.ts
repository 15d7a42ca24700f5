import { knownText } from '@/core/figure';
import { countText, printDuration } from '@/core/measure/print';
import type { Printer } from '@/core/measure/printer';
import { lengthText, type RaiseLearnt, type SpanMin } from '@/core/plan/phase';
import { type Plan, type PlannedAmount, type PlanStep, plannedKnown } from '@/core/plan/plan';
import { unreachable } from '@/core/result';
import type { WhyNotEarlier } from '@/core/schedule/problem';

export function amountText(amount: PlannedAmount, print: Printer): string {
  const known = plannedKnown(amount);
  return known === null ? (amount.words ?? 'unknown') : knownText(known, (value) => print.amount(value, amount.unit));
}

/** Why a step is not earlier, in one sentence. */
export function whyText(why: WhyNotEarlier, plan: Pick<Plan, 'steps' | 'vessels' | 'home'>, print: Printer): string {
  const step = (id: string) => plan.steps.find((s) => s.id === id)?.title ?? 'another step';
  switch (why.why) {
    case 'start':
      return 'It begins when you asked the session to begin.';
    case 'pinned':
      return 'You pinned it to this time.';
    case 'after':
      return `It follows “${step(why.taskId)}”.`;
    case 'vesselTaken':
      return `${plan.vessels.find((v) => v.id === why.vesselId)?.name ?? 'Its vessel'} is taken by “${step(why.taskId)}”.`;
    case 'heatTaken':
      return `${plan.home.heatSources.find((h) => h.id === why.heatSourceId)?.name ?? 'Its heat'} is under “${step(why.taskId)}”.`;
    case 'handsBusy':
      return `Your hands are in “${step(why.taskId)}”.`;
    case 'nobodyHome':
      return `Nobody is home and awake from ${print.dayClock(why.fromMs)} to ${print.dayClock(why.toMs)}.`;
    case 'waitsForLater':
      return `It waits so that “${step(why.taskId)}” can follow at once.`;
    default:
      return unreachable(why);
  }
}

/** What the pot's own curves say of heating up. */
const learntText = (learnt: RaiseLearnt | undefined): string =>
  learnt
    ? ` (${learnt.minMin === learnt.maxMin ? '' : `${learnt.maxMin === null ? `${learnt.minMin} min at the least` : `${learnt.minMin}–${learnt.maxMin} min`}, `}by ${countText(learnt.n, 'curve')} of this pot)`
    : '';

/** How long a wait is planned, and what else would do: nothing where a person typed it. */
const waitText = ({ min, typical, max, typed, usual }: SpanMin): string => {
  if (typed || min === max) return printDuration(typical);
  const planned = usual === undefined ? printDuration(typical) : `${printDuration(typical)} (usually ${printDuration(usual)})`;
  return `${planned}; ${printDuration(min)} to ${printDuration(max)} will do`;
};

/** A phase in words. */
export function phaseText(phase: PlanStep['phases'][number], print: Printer): string {
  switch (phase.kind) {
    case 'charge':
    case 'lift':
      return `${phase.act} (${printDuration(phase.minutes)}, hands)`;
    case 'raise': {
      const rate = phase.maxRateCPerMin ? print.says(`, no faster than ${phase.maxRateCPerMin} °C a minute`) : '';
      return `Heat up to ${phase.toC === null ? 'a temperature you know' : print.temperature(phase.toC)}, about ${printDuration(phase.minutes)}${rate}${learntText(phase.learnt)}`;
    }
    case 'hold': {
      const ceiling = phase.ceilingC === null ? '' : `, never above ${print.temperature(phase.ceilingC)}`;
      const stir = phase.stirEveryMin ? `; stir every ${printDuration(phase.stirEveryMin)}` : '';
      const flip = phase.flipAtMin ? `; turn the load at ${printDuration(phase.flipAtMin)}` : '';
      return `Hold ${lengthText(phase.minutes)} at ${phase.bandC ? print.band(phase.bandC) : 'a temperature you know'}${ceiling}${stir}${flip}`;
    }
    case 'dip':
      return `${phase.act}: ${printDuration(phase.exactMin)}, exactly`;
    case 'soak':
      if (phase.minutes.open || phase.minutes.said) return `Soak ${lengthText(phase.minutes)}`;
      return `Soak ${waitText(phase.minutes)}`;
    case 'until':
      return `Wait until ${phase.criterion}: a look every ${printDuration(phase.checkEveryMin)}, usually about ${lengthText(phase.minutes)}`;
    case 'rest':
      if (phase.minutes.open || phase.minutes.said) return `Rest with heat off ${lengthText(phase.minutes)}`;
      return `Rest with heat off ${waitText(phase.minutes)}${phase.overnightOk ? '; a night is fine' : ''}`;
    default:
      return unreachable(phase);
  }
}
