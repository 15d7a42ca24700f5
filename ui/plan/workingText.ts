import { printAmount, printDuration, printNumber } from '@/core/measure/print';
import { amountOf, type Plan, type PlannedAmount, type PlanStep } from '@/core/plan/plan';
import type { WhyNotEarlier } from '@/core/schedule/problem';
import { printDayClock } from '@/core/time/zone';

/** "152 g × 10 ÷ 100": the formula with its numbers in. */
export function workingLines(amount: PlannedAmount): string[] {
  const { proposed } = amount;
  const inputs = proposed.inputs.map((input) => `${input.name}: ${input.value === null ? 'unknown' : `${printNumber(input.value)} ${input.unit}`}`);
  const result = proposed.result === null ? `unknown until you know: ${proposed.missing.join(', ')}` : printAmount(proposed.result, amount.unit);
  return [`${proposed.formula} = ${result}`, ...inputs, `Source: ${proposed.source}`];
}

export function amountText(amount: PlannedAmount): string {
  const value = amountOf(amount);
  return value === null ? (amount.words ?? 'unknown') : printAmount(value, amount.unit);
}

/** Why a step is not earlier, in one sentence. */
export function whyText(why: WhyNotEarlier, plan: Pick<Plan, 'steps' | 'vessels' | 'home'>): string {
  const step = (id: string) => plan.steps.find((s) => s.id === id)?.title ?? 'another step';
  const { zone } = plan.home.diary;
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
      return `Nobody is home and awake from ${printDayClock(why.fromMs, zone)} to ${printDayClock(why.toMs, zone)}.`;
    case 'waitsForLater':
      return `It waits so that “${step(why.taskId)}” can follow at once.`;
  }
}

/** A phase in words. */
export function phaseText(phase: PlanStep['phases'][number]): string {
  switch (phase.kind) {
    case 'charge':
    case 'lift':
      return `${phase.act} (${Math.round(phase.minutes)} min, hands)`;
    case 'raise':
      return `Heat up to ${phase.toC === null ? 'a temperature you know' : `${phase.toC} °C`}, about ${Math.round(phase.minutes)} min${phase.maxRateCPerMin ? `, no faster than ${phase.maxRateCPerMin} °C a minute` : ''}`;
    case 'hold':
      return `Hold ${Math.round(phase.minutes.typical)} min at ${phase.bandC ? `${phase.bandC[0]}–${phase.bandC[1]} °C` : 'a temperature you know'}${phase.ceilingC === null ? '' : `, never above ${phase.ceilingC} °C`}${phase.stirEveryMin ? `; stir every ${phase.stirEveryMin} min` : ''}${phase.flipAtMin ? `; turn the load at ${phase.flipAtMin} min` : ''}`;
    case 'dip':
      return `${phase.act}: ${phase.exactMin} min, exactly`;
    case 'soak':
      return `Soak ${printDuration(phase.minutes.min)} to ${printDuration(phase.minutes.max)}, about ${printDuration(phase.minutes.typical)}`;
    case 'until':
      return `Wait until ${phase.criterion}: a look every ${printDuration(phase.checkEveryMin)}, usually about ${printDuration(phase.minutes.typical)}`;
    case 'rest':
      return `Rest with heat off, ${printDuration(phase.minutes.min)} to ${printDuration(phase.minutes.max)}${phase.overnightOk ? '; a night is fine' : ''}`;
  }
}
