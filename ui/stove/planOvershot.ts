import { lowerFirst } from '@/core/measure/lowerFirst';
import { withAfterBath, withAgain } from '@/core/plan/overshot';
import type { PlanStep } from '@/core/plan/plan';
import type { RunFact } from '@/core/run/events';
import type { StepState } from '@/core/run/fold';
import type { Way } from '@/core/run/overshoot';
import type { LiveRun } from '../api/useRun';
import { nextItemId } from '../plan/draft';
import { changeMidRun } from './changeMidRun';

/** The bath went past its aim, and what is done about it ends it: logged first, then the plan follows with the reason. */
export async function planOvershot(
  run: Pick<LiveRun, 'view' | 'reload'>,
  step: PlanStep,
  wentIn: StepState['additions'],
  { kind, title }: Way,
  says: string,
  log: (facts: readonly RunFact[], text: string) => void,
): Promise<void> {
  const { plan } = run.view;
  const stepId = step.id;
  log(
    [
      { type: 'note', stepId, text: `Overshot: ${lowerFirst(title)}` },
      { type: 'stepFinished', stepId },
    ],
    `${step.title}: ${lowerFirst(title)}`,
  );
  const newId = nextItemId(plan.draft);
  const draft = kind === 'again' ? withAgain(plan.draft, plan, step, newId, wentIn) : withAfterBath(plan.draft, step, newId);
  await changeMidRun(run, draft, `${says} ${title}.`);
}
