'use client';
import { Button, Input } from 'antd';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import type { RunView, SessionView } from '@/contract/views';
import type { Draft } from '@/core/plan/draft';
import type { Plan } from '@/core/plan/plan';
import { runNow } from '@/core/run/runNow';
import { fixedSteps } from '@/core/run/theRest';
import type { Begun } from '@/workers/plan.worker';
import { errorText, post } from '../api/http';
import { newId } from '../api/newId';
import { nowMs } from '../api/serverClock';
import { useLoaded } from '../api/useLoaded';
import { canKeep, PlanEditor } from '../plan/PlanEditor';
import { type PlanningRoom, useKitchen } from '../plan/useKitchen';
import { EmptyPlace } from '../shell/EmptyPlace';
import { FailedPage } from '../shell/FailedPage';
import { LinkButton } from '../shell/LinkButton';
import { LoadingPage } from '../shell/LoadingPage';
import { Notice } from '../shell/Notice';
import { Page } from '../shell/Page';

/** Changes a plan: a new version with a reason. What has begun stays as it is, and the rest is planned behind it. */
export function ChangeSessionPage({ sessionId }: { sessionId: string }) {
  const session = useLoaded<SessionView>(`/sessions/${sessionId}`);
  const plan = session.state === 'ready' ? session.value.plan : null;
  const room = useKitchen(plan?.methods, plan?.sessionId ?? null, session.state === 'ready' ? session.value.runId : null);
  if (session.state === 'failed') return <FailedPage title="Change a plan" why={session.why} retry={session.retry} />;
  if (room.state === 'failed') return <FailedPage title="Change a plan" why={room.why} retry={room.retry} />;
  if (session.state === 'loading' || room.state === 'loading') return <LoadingPage title="Change a plan" shape="picture" />;
  const { runId } = session.value;
  return runId === null ? <Change plan={session.value.plan} room={room.value} begun={null} runId={null} /> : <ChangeTheRest runId={runId} room={room.value} />;
}

/** A session that runs: what of it has begun is read from its log. */
function ChangeTheRest({ runId, room }: { runId: string; room: PlanningRoom }) {
  const run = useLoaded<RunView>(`/runs/${runId}`);
  const view = run.state === 'ready' ? run.value : null;
  const begun = useMemo((): Begun | null => {
    if (!view) return null;
    const atMs = nowMs();
    const { state, clocks } = runNow(view.plan, view.events, view.readings, atMs);
    return { plan: view.plan, state, fixed: fixedSteps(view.plan, state, clocks, atMs) };
  }, [view]);
  if (run.state === 'failed') return <FailedPage title="Change a plan" why={run.why} retry={run.retry} />;
  if (!view || !begun) return <LoadingPage title="Change a plan" shape="picture" />;
  if (begun.state.phase === 'finished')
    return (
      <Page title={`Change ${view.plan.name}`}>
        <EmptyPlace act={<LinkButton href={`/runs/${runId}/record`}>Its record</LinkButton>}>
          This run is finished. “Do it again” on its record makes a new session.
        </EmptyPlace>
      </Page>
    );
  return <Change plan={view.plan} room={room} begun={begun} runId={runId} />;
}

function Change({ plan: current, room, begun, runId }: { plan: Plan; room: PlanningRoom; begun: Begun | null; runId: string | null }) {
  const router = useRouter();
  // As it was opened: a version kept elsewhere meanwhile is pointed out by the server, not overwritten.
  const [plan] = useState(current);
  const [eventId] = useState(newId);
  const [changed, setChanged] = useState<Draft | null>(null);
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const keep = async () => {
    setProblem(null);
    const draft = changed ?? plan.draft;
    try {
      if (runId === null) await post<Plan>(`/sessions/${plan.sessionId}/plans`, { draft, reason, expectedVersion: plan.version });
      else await post<RunView>(`/runs/${runId}/replan`, { eventId, reason, draft });
      router.push(runId === null ? `/sessions/${plan.sessionId}` : `/runs/${runId}`);
    } catch (error) {
      setProblem(errorText(error));
    }
  };
  return (
    <PlanEditor
      room={room}
      draft={changed ?? plan.draft}
      onDraft={setChanged}
      first={plan}
      begun={begun}
      title={
        <>
          Change {plan.name} <span className="quiet">plan {plan.version}</span>
        </>
      }
      notices={
        <>
          {problem ? <Notice kind="fault">{problem}</Notice> : null}
          {begun ? <Notice>It runs. What has begun stays as it is; the rest is planned from now.</Notice> : null}
        </>
      }
      keep={(built) => (
        <>
          <Input
            aria-label="Why the plan changes"
            placeholder="Why does it change?"
            maxLength={400}
            value={reason}
            onChange={(event) => setReason(event.target.value)}
            style={{ width: 240 }}
          />
          {changed && canKeep(built) && reason.trim() === '' ? <span className="quiet">Say why it changes, and it can be kept.</span> : null}
          <Button type="primary" disabled={!changed || !canKeep(built) || reason.trim() === ''} onClick={() => void keep()}>
            Keep as plan {plan.version + 1}
          </Button>
        </>
      )}
    />
  );
}
