import { printDuration, printNumber } from '@/core/measure/print';
import type { Plan } from '@/core/plan/plan';
import { HABITS, type Manner, type Trouble } from '@/core/rehearse/manyTimes';

const { careful, late, forgetful } = HABITS;
const inTen = (share: number): string => `${printNumber(share * 10)} of ten`;
export const MANNER_SAYS: Record<Manner, string> = {
  careful: `Is at the pot within ${careful.lateMin[1]} minutes and stays with it.`,
  late: `Comes ${late.lateMin[0]} to ${late.lateMin[1]} minutes after the time, and lifts up to ${late.longerMin[1]} minutes late.`,
  forgetful: `Lets a pot run away in ${inTen(forgetful.runsAway)}, ends a hold early in ${inTen(forgetful.endsEarly)}.`,
};

const upTo = (value: number, step: number): number => Math.ceil(value / step - 1e-9) * step;

/** What went wrong, and what would keep it from going wrong. @param temperature prints °C */
export function troubleText(
  trouble: Trouble,
  plan: Pick<Plan, 'steps' | 'vessels'>,
  temperature: (c: number) => string,
): { readonly says: string; readonly change: string } {
  const stepOf = (stepId: string) => plan.steps.find(({ id }) => id === stepId);
  const titleOf = (stepId: string) => stepOf(stepId)?.title ?? 'A step';
  const title = titleOf(trouble.stepId);
  switch (trouble.kind) {
    case 'hold':
      return {
        says: `${title}: held up to ${printDuration(upTo(trouble.worst, 1))} too short`,
        change: `Plan its hold ${printDuration(upTo(trouble.worst, 5))} longer, or let the alarm call when its minutes are full.`,
      };
    case 'ceiling': {
      const ceilingC = stepOf(trouble.stepId)?.phases.find((phase) => phase.kind === 'hold')?.ceilingC ?? 0;
      const pot = plan.vessels.find(({ id }) => id === stepOf(trouble.stepId)?.vesselId)?.name ?? 'the pot';
      return {
        says: `${title}: up to ${temperature(ceilingC + upTo(trouble.worst, 0.5))}; its ceiling is ${temperature(ceilingC)}`,
        change: `Hold ${pot} at the low end of its band, and stay with it until it stands still.`,
      };
    }
    case 'away':
      return {
        says: `${title}: wants hands up to ${printDuration(upTo(trouble.worst, 1))} after you are gone or asleep`,
        change: `Begin ${printDuration(upTo(trouble.worst, 15))} earlier, or do it on another day.`,
      };
    case 'clash':
      return { says: `${title} and ${titleOf(trouble.otherId)} want hands at once`, change: 'Begin one of them a quarter of an hour later.' };
  }
}
