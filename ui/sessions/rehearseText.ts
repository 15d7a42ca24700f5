import { printDuration } from '@/core/measure/print';
import type { Plan } from '@/core/plan/plan';
import type { Manner, Trouble } from '@/core/rehearse/manyTimes';

export const MANNER_NAME: Record<Manner, string> = { careful: 'careful', late: 'late', forgetful: 'forgetful' };
export const MANNER_SAYS: Record<Manner, string> = {
  careful: 'Is at the pot within three minutes and stays with it.',
  late: 'Comes 5 to 45 minutes after the time, and lifts up to 20 minutes late.',
  forgetful: 'Lets a pot run away in four of ten, ends a hold early in one of four.',
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
