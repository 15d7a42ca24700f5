import { printDuration } from '@/core/measure/print';
import { flexedText } from '@/core/plan/flexed';
import type { Plan } from '@/core/plan/plan';
import { nowMs } from '../api/serverClock';
import { usePrint } from '../shell/facts';
import { Notice } from '../shell/Notice';

/** Which waits the plan made longer or shorter than usual, and what shorter typed ones would save. */
export function Flexed({ plan }: { plan: Plan }) {
  const print = usePrint();
  const sentences = flexedText(plan);
  const { saving } = plan;
  const titleOf = (stepId: string) => plan.steps.find(({ id }) => id === stepId)?.title ?? 'A step';
  if (sentences.length === 0 && !saving) return null;
  const endMs = Math.max(...plan.steps.map((step) => step.endMs));
  return (
    <Notice>
      {sentences.join(' ')}
      {saving ? (
        <>
          {' '}
          As you typed it, all is over {print.date(endMs, nowMs())}. With{' '}
          {saving.waits
            .map(({ stepId, couldMin, typedMin }) => `${titleOf(stepId)} ${printDuration(couldMin)} instead of ${printDuration(typedMin)}`)
            .join(', ')}{' '}
          it would be over {print.date(saving.endMs, nowMs())}.
        </>
      ) : null}
    </Notice>
  );
}
