import type { RunView } from '@/contract/views';
import type { Draft } from '@/core/plan/draft';
import { post } from '../api/http';
import { newId } from '../api/newId';
import { whenSent } from '../api/outbox';
import type { LiveRun } from '../api/useRun';

/** What was done is logged already: the plan follows it when the server has that. Rejects with a sentence when it cannot be planned; what was logged stays. */
export async function changeMidRun(run: Pick<LiveRun, 'view' | 'reload'>, draft: Draft, reason: string): Promise<void> {
  await whenSent(run.view.run.id);
  await post<RunView>(`/runs/${run.view.run.id}/replan`, { eventId: newId(), reason, draft });
  run.reload();
}
