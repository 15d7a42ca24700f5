import { printDuration } from '@/core/measure/print';
import { withRescue } from '@/core/plan/rescue';
import type { RunFact } from '@/core/run/events';
import type { LiveRun } from '../api/useRun';
import { nextItemIds } from '../plan/draft';
import { changeMidRun } from './changeMidRun';
import type { StoveCard } from './stoveView';

/**
 * Some lots stay pale: all are lifted, those are mordanted, and all go back. What was seen is logged first; the rest is
 * planned when the server has it. Rejects with a sentence when it cannot be planned; what was logged stays.
 */
export async function rescuePale(
  run: Pick<LiveRun, 'view' | 'reload'>,
  { step, clock }: StoveCard,
  lotIds: readonly string[],
  log: (facts: readonly RunFact[], text: string) => void,
): Promise<void> {
  const { plan } = run.view;
  const names = plan.lots.filter((lot) => lotIds.includes(lot.id)).map((lot) => lot.name);
  const heldMin = clock.current?.phase.kind === 'hold' ? clock.current.elapsedMin : 0;
  const said = `${names.join(', ')} ${names.length === 1 ? 'stays' : 'stay'} pale`;
  const stepId = step.id;
  log(
    [
      { type: 'checked', stepId, finding: said },
      { type: 'stepFinished', stepId },
    ],
    `${step.title}: ${said}, all lifted`,
  );
  const [mordantId = '', backId = ''] = nextItemIds(plan.draft, 2);
  const draft = withRescue(plan.draft, plan, step, lotIds, heldMin, [mordantId, backId]);
  const reason = `${said} after ${printDuration(heldMin)}: mordanted in mid-run`;
  await changeMidRun(run, draft, reason);
}
